package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Assumptions;
import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;

/** A PostgreSQL of its own for a test class, on a free port of the loopback; the class is left out where there is none. */
final class Postgres implements BeforeAllCallback, AfterAllCallback {
    private static final Path ROOT = Path.of("/usr/lib/postgresql");

    private Path bin;
    private Path folder;
    private int port;

    @Override
    public void beforeAll(ExtensionContext context) throws Exception {
        Optional<Path> installed = newest();
        Assumptions.assumeTrue(installed.isPresent(), "PostgreSQL is not installed");
        bin = installed.get();
        folder = Files.createTempDirectory("mailshelf-postgres");
        try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            port = free.getLocalPort();
        }
        if (isRoot()) {
            run(List.of("chown", "postgres", folder.toString()));
        }
        run(asItself("initdb", "-D", cluster(), "-U", "house", "-A", "trust", "-E", "UTF8", "--locale=C", "-N"));
        // all but the one who sets the scene are asked for their password
        Files.writeString(
                Path.of(cluster(), "pg_hba.conf"),
                "host all house 127.0.0.1/32 trust\nhost all all 127.0.0.1/32 scram-sha-256\n");
        start();
    }

    private String options() {
        return "-p " + port + " -c listen_addresses=127.0.0.1 -c fsync=off -k " + folder;
    }

    private static Optional<Path> newest() throws IOException {
        if (!Files.isDirectory(ROOT)) {
            return Optional.empty();
        }
        try (Stream<Path> versions = Files.list(ROOT)) {
            return versions.map(version -> version.resolve("bin"))
                    .filter(found -> Files.isExecutable(found.resolve("initdb")))
                    .max(Comparator.naturalOrder());
        }
    }

    private static boolean isRoot() {
        return System.getProperty("user.name").equals("root");
    }

    private String cluster() {
        return folder.resolve("cluster").toString();
    }

    /** It refuses to run as root. */
    private List<String> asItself(String program, String... arguments) {
        List<String> command = new ArrayList<>();
        if (isRoot()) {
            command.addAll(List.of("runuser", "-u", "postgres", "--"));
        }
        command.add(bin.resolve(program).toString());
        command.addAll(List.of(arguments));
        return command;
    }

    private void run(List<String> command) {
        try {
            Path said = Files.createTempFile("mailshelf-postgres", ".said");
            Process process = new ProcessBuilder(command)
                    .directory(folder.toFile())
                    .redirectErrorStream(true)
                    .redirectOutput(said.toFile())
                    .start();
            if (!process.waitFor(2, TimeUnit.MINUTES) || process.exitValue() != 0) {
                throw new IllegalStateException(command + ": " + Files.readString(said));
            }
            Files.delete(said);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    String address() {
        return "jdbc:postgresql://127.0.0.1:" + port + "/postgres";
    }

    /** Runs statements as the one who may do everything. */
    void execute(String... statements) {
        try (Connection connection = DriverManager.getConnection(address(), "house", "");
                Statement statement = connection.createStatement()) {
            for (String each : statements) {
                statement.execute(each);
            }
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    void stop() {
        run(asItself("pg_ctl", "-D", cluster(), "-m", "immediate", "-w", "stop"));
    }

    void start() {
        run(asItself(
                "pg_ctl", "-D", cluster(), "-w", "-l", folder.resolve("log").toString(), "-o", options(), "start"));
    }

    @Override
    public void afterAll(ExtensionContext context) throws IOException {
        if (bin == null) {
            return;
        }
        stop();
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(each);
            }
        }
    }
}
