package mailshelf.store.source;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.PathMatcher;
import java.nio.file.attribute.BasicFileAttributes;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.store.data.TakenFile;

/** A folder on the server that files are put into by others. Nothing in it is changed, moved or removed. */
public final class WatchedFolder {
    /** A file that has not changed for as long is taken for whole. */
    public static final Duration SETTLING = Duration.ofSeconds(10);

    private final Source source;
    private final Path folder;

    /** A file and how it is at this moment. */
    public record Found(Path path, TakenFile state) {}

    /**
     * @param source of kind FOLDER
     * @throws Problem if it may not be read
     */
    public WatchedFolder(Source source, SourceRoots roots) {
        this.source = source;
        this.folder = roots.real(source.place());
    }

    /**
     * The files of a name, the one changed last at the end.
     *
     * @param names in which {@code *} stands for anything, {@code ?} for one character
     * @throws Problem {@code source.cannot-reach}
     */
    public List<Found> files(String names) {
        PathMatcher matcher = FileSystems.getDefault().getPathMatcher("glob:" + literal(names));
        List<Found> found = new ArrayList<>();
        try (Stream<Path> inside = Files.list(folder)) {
            inside.filter(path -> matcher.matches(path.getFileName()))
                    .forEach(path -> found(path).ifPresent(found::add));
        } catch (IOException e) {
            throw Problem.invalid("source.cannot-reach", source.name(), "the folder cannot be read: " + source.place());
        }
        found.sort(Comparator.comparing((Found each) -> each.state().modifiedAt())
                .thenComparing(each -> each.state().name()));
        return found;
    }

    /** As it is now; empty when it has gone, or is no plain file: links could lead out of the folder. */
    public static Optional<Found> found(Path path) {
        try {
            BasicFileAttributes now = Files.readAttributes(path, BasicFileAttributes.class, LinkOption.NOFOLLOW_LINKS);
            Instant modified = now.lastModifiedTime().toInstant().truncatedTo(ChronoUnit.MICROS);
            TakenFile state = new TakenFile(path.getFileName().toString(), now.size(), modified);
            return now.isRegularFile() ? Optional.of(new Found(path, state)) : Optional.empty();
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** The bytes of a file; not of one that a link has taken the place of meanwhile. */
    public static InputStream open(Path file) throws IOException {
        return new BufferedInputStream(Files.newInputStream(file, LinkOption.NOFOLLOW_LINKS));
    }

    /** Of the signs that mean something in patterns only the two stay. */
    private static String literal(String names) {
        return names.replaceAll("([\\\\\\[\\]{},!])", "\\\\$1");
    }
}
