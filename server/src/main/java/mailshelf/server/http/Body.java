package mailshelf.server.http;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** The whole body of a request, in memory or, where it may be large, in a file that goes with the request. */
final class Body implements AutoCloseable {
    private final long most;
    private final Optional<Path> file;
    private final ByteArrayOutputStream memory = new ByteArrayOutputStream();
    private final OutputStream out;
    private long bytes;

    private Body(long most, Optional<Path> file, OutputStream toFile) {
        this.most = most;
        this.file = file;
        this.out = file.isPresent() ? toFile : memory;
    }

    static Body inMemory(long most) {
        return new Body(most, Optional.empty(), OutputStream.nullOutputStream());
    }

    static Body inFile(long most, Path folder) throws IOException {
        Path file = Files.createTempFile(folder, "body", "");
        return new Body(most, Optional.of(file), Files.newOutputStream(file));
    }

    /** False where it is longer than it may be; then nothing more is taken. */
    boolean add(byte[] some, int length) throws IOException {
        bytes += length;
        if (bytes > most) {
            return false;
        }
        out.write(some, 0, length);
        return true;
    }

    /** All of it is there. */
    void end() throws IOException {
        out.close();
    }

    long bytes() {
        return bytes;
    }

    InputStream open() throws IOException {
        return file.isPresent() ? Files.newInputStream(file.get()) : new ByteArrayInputStream(memory.toByteArray());
    }

    @Override
    public void close() throws IOException {
        out.close();
        if (file.isPresent()) {
            Files.deleteIfExists(file.get());
        }
    }
}
