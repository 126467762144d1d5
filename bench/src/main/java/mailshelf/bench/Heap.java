package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;

/**
 * What Java's log of its collections says of the heap, in megabytes.
 *
 * @param before a collection
 */
record Heap(int before, int after) {
    private static final Pattern COLLECTION = Pattern.compile("(\\d+)M->(\\d+)M\\((\\d+)M\\)");

    /** Each collection so far, in order. */
    static List<Heap> all(Path log) throws IOException {
        return COLLECTION
                .matcher(Files.readString(log))
                .results()
                .map(found -> new Heap(Integer.parseInt(found.group(1)), Integer.parseInt(found.group(2))))
                .toList();
    }

    /** The greatest of each, which need not be of one collection. */
    static Heap greatest(Path log) throws IOException {
        List<Heap> all = all(log);
        return new Heap(
                all.stream().mapToInt(Heap::before).max().orElse(0),
                all.stream().mapToInt(Heap::after).max().orElse(0));
    }

    @Override
    public String toString() {
        return "heap: at most " + before + " MB before a collection, " + after + " MB after one";
    }
}
