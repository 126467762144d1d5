package mailshelf.store.archive;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;
import org.apache.commons.compress.archivers.tar.TarArchiveEntry;

/**
 * Reads a volume so strictly that no byte of it can be changed unnoticed; one part at a time, since a large issue does
 * not fit into memory.
 */
final class TarReader {
    private final FileChannel channel;
    private final long size;
    private final BiConsumer<String, byte[]> visitor;
    private final List<String> faults = new ArrayList<>();

    private TarReader(FileChannel channel, BiConsumer<String, byte[]> visitor) throws IOException {
        this.channel = channel;
        this.size = channel.size();
        this.visitor = visitor;
    }

    /**
     * Gives what is wrong with a file, in words.
     *
     * @param visitor told each part's name and content, in their order
     */
    static List<String> read(Path path, BiConsumer<String, byte[]> visitor) throws IOException {
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
            TarReader reader = new TarReader(channel, visitor);
            reader.read();
            return List.copyOf(reader.faults);
        }
    }

    private void read() throws IOException {
        Set<String> names = new HashSet<>();
        long at = 0;
        while (at + Tar.BLOCK <= size) {
            byte[] header = bytes(at, Tar.BLOCK);
            if (isZero(header)) {
                break;
            }
            TarArchiveEntry entry = entry(header);
            long content = at + Tar.BLOCK;
            if (entry == null || content + Tar.padded(entry.getSize()) > size) {
                faults.add("the header at byte " + at + " is not one that was written");
                return;
            }
            if (!names.add(entry.getName())) {
                faults.add(entry.getName() + " stands in it twice");
            }
            at = content + Tar.padded(entry.getSize());
            long end = content + entry.getSize();
            if (!isZero(bytes(end, (int) (at - end)))) {
                faults.add("the space behind " + entry.getName() + " is not empty");
            }
            visitor.accept(entry.getName(), bytes(content, (int) entry.getSize()));
        }
        if (size - at != Tar.TRAILER.length || !isZero(bytes(at, Tar.TRAILER.length))) {
            faults.add("it does not end as it should");
        }
    }

    private static TarArchiveEntry entry(byte[] header) {
        try {
            TarArchiveEntry entry = new TarArchiveEntry(header);
            return entry.getSize() >= 0 && Tar.isOurs(header, entry) ? entry : null;
        } catch (RuntimeException e) {
            return null;
        }
    }

    private byte[] bytes(long from, int count) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(count);
        while (buffer.hasRemaining()) {
            if (channel.read(buffer, from + buffer.position()) < 0) {
                throw new IOException("it became shorter while it was read");
            }
        }
        return buffer.array();
    }

    private static boolean isZero(byte[] bytes) {
        for (byte each : bytes) {
            if (each != 0) {
                return false;
            }
        }
        return true;
    }
}
