package mailshelf.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;

/** The real jar, running the demo in a process of its own on a free loopback port. */
public final class RunningServer implements AutoCloseable {
    private static final String LAUNCHER = "../mailshelf";

    private final Path data;
    private final int port;
    private Process process;

    private RunningServer(Path data, int port) {
        this.data = data;
        this.port = port;
    }

    /** Starts the demo on a folder and waits until it answers. */
    static RunningServer on(Path data) {
        RunningServer server = new RunningServer(data, freePort());
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
        List<String> arguments =
                new ArrayList<>(List.of("demo", "--data", data.toString(), "--port", String.valueOf(port)));
        arguments.addAll(List.of(options));
        process = launch(log(), arguments.toArray(String[]::new));
    }

    private Path log() {
        return data.resolveSibling(data.getFileName() + ".out");
    }

    /** Runs it from a shell as anybody would, its output in a file. */
    static Process launch(Path log, String... arguments) {
        List<String> command = new ArrayList<>(List.of(LAUNCHER));
        command.addAll(List.of(arguments));
        try {
            return new ProcessBuilder(command)
                    .redirectErrorStream(true)
                    .redirectOutput(log.toFile())
                    .start();
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
        process.destroyForcibly();
        await();
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

    private static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
