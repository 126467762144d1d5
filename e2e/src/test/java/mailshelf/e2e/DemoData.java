package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.stream.Stream;

/** The demo's data, made once by the real first start and copied for each test class. */
final class DemoData {
    private static final Path FOLDERS = Path.of("target/data");
    private static final Path TEMPLATE = FOLDERS.resolve("template");

    private static final Path MADE = TEMPLATE.resolve("made");

    private static final Path PROGRAM = Path.of("../demo/target/mailshelf-demo.jar");

    private DemoData() {}

    static synchronized Path copy(String name) {
        try {
            if (!isMade()) {
                delete(TEMPLATE);
                Files.createDirectories(TEMPLATE);
                RunningServer.at(Moments.BUILT, TEMPLATE.resolve("data")).close();
                Files.writeString(MADE, made());
            }
            Path copy = FOLDERS.resolve(name);
            delete(copy);
            copyAll(TEMPLATE.resolve("data"), copy);
            return copy;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** At the moment that is wanted now, and by the program as it is now. */
    private static boolean isMade() throws IOException {
        return Files.exists(MADE) && Files.readString(MADE).equals(made());
    }

    private static String made() throws IOException {
        return Moments.BUILT + ", by the program of " + Files.getLastModifiedTime(PROGRAM);
    }

    /** Takes away what makes a demo of it, so that servers of an organisation can be started on it. */
    static void turnIntoAnOrganisation(Path data) throws IOException, SQLException {
        Files.writeString(data.resolve("kind"), "ORGANISATION");
        String file = "jdbc:h2:file:" + data.resolve("mailshelf").toAbsolutePath();
        try (Connection connection = DriverManager.getConnection(file, "", "");
                Statement statement = connection.createStatement()) {
            statement.execute("DELETE FROM setting WHERE name = 'demo-opening-day'");
        }
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
