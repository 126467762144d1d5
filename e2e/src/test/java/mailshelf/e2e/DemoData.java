package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;

/** The demo's data, made once by the real first start and copied for each test class. */
final class DemoData {
    private static final Path FOLDERS = Path.of("target/data");
    private static final Path TEMPLATE = FOLDERS.resolve("template");

    private static final Path MADE = TEMPLATE.resolve("made");

    private DemoData() {}

    static synchronized Path copy(String name) {
        try {
            if (!isMade()) {
                delete(TEMPLATE);
                Files.createDirectories(TEMPLATE);
                RunningServer.at(Moments.BUILT, TEMPLATE.resolve("data")).close();
                Files.writeString(MADE, Moments.BUILT.toString());
            }
            Path copy = FOLDERS.resolve(name);
            delete(copy);
            copyAll(TEMPLATE.resolve("data"), copy);
            return copy;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Also when, as tests may begin at another moment than those before. */
    private static boolean isMade() throws IOException {
        return Files.exists(MADE) && Files.readString(MADE).equals(Moments.BUILT.toString());
    }

    static void copyAll(Path from, Path to) throws IOException {
        try (Stream<Path> files = Files.walk(from)) {
            for (Path file : files.toList()) {
                Path goal = to.resolve(from.relativize(file));
                if (Files.isDirectory(file)) {
                    Files.createDirectories(goal);
                } else {
                    Files.copy(file, goal);
                }
            }
        }
    }

    private static void delete(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted((a, b) -> b.compareTo(a)).toList()) {
                Files.delete(file);
            }
        }
    }
}
