package mailshelf.server;

import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.Option;

/** Where a server listens and keeps its things. */
public final class Place {
    private static final long MEGABYTE = 1_000_000;

    @Option(names = "--port", description = "port to listen on (default ${DEFAULT-VALUE})", defaultValue = "8080")
    private int port;

    @Option(
            names = "--data",
            description = "folder that holds everything (default ${DEFAULT-VALUE})",
            defaultValue = "data")
    private Path data;

    @Option(names = "--fresh", description = "empties the data folder first")
    private boolean fresh;

    @Option(
            names = "--source-root",
            paramLabel = "DIR",
            description = "a folder below which files of others may be watched and loaded; may be said several times"
                    + " (default: none)")
    private List<Path> sourceRoots = List.of();

    @Option(
            names = "--largest-load",
            paramLabel = "MB",
            description = "how many megabytes of rows one load may have (default ${DEFAULT-VALUE}); a load is held in"
                    + " memory while it is under way",
            defaultValue = "500")
    private long largestLoad;

    public int port() {
        return port;
    }

    public Path data() {
        return data;
    }

    public List<Path> sourceRoots() {
        return List.copyOf(sourceRoots);
    }

    public long largestLoadBytes() {
        return largestLoad * MEGABYTE;
    }

    boolean fresh() {
        return fresh;
    }
}
