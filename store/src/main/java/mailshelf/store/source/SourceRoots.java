package mailshelf.store.source;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.Problem;

/**
 * The folders of this machine below which files may be watched, as said when the server is started. Judged by where a folder
 * really is, so that no link leads out of them; what Mail Shelf keeps itself is never read as anybody's data.
 */
public final class SourceRoots {
    private final List<Path> roots;
    private final Path own;

    /** @param own the data folder */
    public SourceRoots(List<Path> roots, Path own) {
        this.roots = List.copyOf(roots);
        this.own = own;
    }

    /**
     * Where a folder really is.
     *
     * @throws Problem {@code source.no-roots}, {@code source.outside-roots}: the same whether it is there or not
     */
    public Path real(String place) {
        if (roots.isEmpty()) {
            throw Problem.invalid("source.no-roots");
        }
        return inside(place)
                .orElseThrow(() -> Problem.invalid(
                        "source.outside-roots",
                        place,
                        roots.stream().map(Path::toString).collect(Collectors.joining(", "))));
    }

    private Optional<Path> inside(String place) {
        try {
            Path real = Path.of(place).toRealPath();
            boolean isInside = Files.isDirectory(real) && !real.startsWith(own.toRealPath()) && isBelowRoot(real);
            return isInside ? Optional.of(real) : Optional.empty();
        } catch (IOException | InvalidPathException e) {
            return Optional.empty();
        }
    }

    private boolean isBelowRoot(Path real) throws IOException {
        for (Path root : roots) {
            if (Files.isDirectory(root) && real.startsWith(root.toRealPath())) {
                return true;
            }
        }
        return false;
    }
}
