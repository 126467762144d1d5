package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.TimeUnit;

/** The real jar, running in a process of its own on a free loopback port: the demo, or one of several servers. */
public final class RunningServer implements AutoCloseable {
    private static final String LAUNCHER = "../mailshelf";

    /** Most of these servers end before what the second compiler does for them would pay. */
    private static final String SHORT_LIVES = "-XX:TieredStopAtLevel=1";

    /** Where tests put files that are to be loaded: folders of their own below it. */
    private static final String SOURCE_ROOT = System.getProperty("java.io.tmpdir");

    private static final int LEAST_PORT = 15_000;
    private static final int MOST_PORT = 32_000;

    private final Path data;
    private final int port;
    private final List<String> command;
    private Process process;

    /** @param command without where it listens and keeps its things */
    private RunningServer(Path data, int port, List<String> command) {
        this.data = data;
        this.port = port;
        this.command = command;
    }

    /** Starts the demo on a folder, its clock going on from where it is, and waits until it answers. */
    static RunningServer on(Path data, String... options) {
        RunningServer server = new RunningServer(
                data, freePort(), List.of("demo", "--tickets", "20000", "--source-root", SOURCE_ROOT));
        server.start(options);
        return server;
    }

    /** As {@link #on}, at this moment of its clock; later starts of the same one go on from there. */
    static RunningServer at(OffsetDateTime moment, Path data, String... options) {
        List<String> all = new ArrayList<>(List.of("--clock", moment.toString()));
        all.addAll(List.of(options));
        return on(data, all.toArray(String[]::new));
    }

    /** Starts one of several servers of an organisation. */
    static RunningServer sharing(Path data, int databasePort, int number, int smtpPort) {
        return serving(
                data, smtpPort, "--database", "localhost:" + databasePort, "--server-number", String.valueOf(number));
    }

    /** Starts the one server of an organisation. */
    static RunningServer organisation(Path data, int smtpPort) {
        return serving(data, smtpPort);
    }

    private static RunningServer serving(Path data, int smtpPort, String... more) {
        List<String> command = new ArrayList<>(List.of(
                "serve",
                "--address",
                "localhost",
                "--smtp-port",
                String.valueOf(smtpPort),
                "--smtp-tls",
                "NEVER",
                "--mail-address",
                "mail-shelf@brinewater.example"));
        command.addAll(List.of(more));
        RunningServer server = new RunningServer(data, freePort(), command);
        server.start();
        return server;
    }

    void start(String... options) {
        begin(options);
        Wait.until("the server on port " + port + " answers", () -> {
            if (!process.isAlive()) {
                throw new IllegalStateException("The server ended: " + read(log()));
            }
            return read(log()).contains("answers at");
        });
    }

    /** Starts it without waiting for anything. */
    void begin(String... options) {
        List<String> arguments = new ArrayList<>(command);
        arguments.addAll(List.of("--data", data.toString(), "--port", String.valueOf(port)));
        arguments.addAll(List.of(options));
        process = launch(log(), arguments.toArray(String[]::new));
    }

    /** What it has written to its output since its last start. */
    String said() {
        return read(log());
    }

    /** A file of its data, byte by byte, while it does not run. */
    String read(String file) {
        return bytes(data.resolve(file));
    }

    /** The bytes of a file, one character each. */
    static String bytes(Path file) {
        try {
            return Files.readString(file, StandardCharsets.ISO_8859_1);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private Path log() {
        return data.resolveSibling(data.getFileName() + "-" + port + ".out");
    }

    /** What a start that is refused says, which ends with status 2. */
    static String refusal(Path log, String... arguments) throws InterruptedException {
        Process process = launch(log, arguments);
        if (!process.waitFor(60, TimeUnit.SECONDS) || process.exitValue() != 2) {
            kill(process);
            throw new AssertionError("Not refused: " + read(log));
        }
        return read(log);
    }

    /** Runs it from a shell as anybody would, its output in a file. */
    static Process launch(Path log, String... arguments) {
        return launch(log, Map.of("MAILSHELF_JAVA_OPTIONS", SHORT_LIVES), List.of(arguments));
    }

    /** As {@link #launch(Path, String...)}, with these variables of the environment. */
    static Process launch(Path log, Map<String, String> environment, List<String> arguments) {
        List<String> command = new ArrayList<>(List.of(LAUNCHER));
        command.addAll(arguments);
        try {
            ProcessBuilder builder =
                    new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(log.toFile());
            builder.environment().putAll(environment);
            return builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Waits until it has ended by itself; its exit status. */
    int awaitEnd() {
        Wait.until("the server ends", () -> !process.isAlive());
        return process.exitValue();
    }

    /** SIGKILL, as a power cut would end it. */
    void kill() {
        kill(process);
        await();
    }

    /** Java itself; the shell that watches it ends with it. */
    private static void kill(Process process) {
        process.descendants().forEach(ProcessHandle::destroyForcibly);
    }

    /** SIGTERM, as Ctrl+C would end it. */
    void stop() {
        process.destroy();
        await();
    }

    @Override
    public void close() {
        stop();
    }

    private void await() {
        try {
            if (!process.waitFor(30, TimeUnit.SECONDS)) {
                throw new IllegalStateException("The server does not end");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    String url() {
        return "http://localhost:" + port;
    }

    int port() {
        return port;
    }

    Path data() {
        return data;
    }

    static String read(Path file) {
        try {
            return Files.exists(file) ? Files.readString(file) : "";
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Below those that systems give to connections, one of which might have it when a server is started again
     * (RFC 6335, section 6).
     */
    static int freePort() {
        while (true) {
            int port = ThreadLocalRandom.current().nextInt(LEAST_PORT, MOST_PORT);
            try (ServerSocket socket = new ServerSocket(port, 1, InetAddress.getLoopbackAddress())) {
                return socket.getLocalPort();
            } catch (BindException e) {
                // somebody has that one
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
