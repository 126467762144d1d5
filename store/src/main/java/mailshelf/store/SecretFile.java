package mailshelf.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.EnumSet;
import java.util.HexFormat;

/** A random secret of 32 bytes in a file of the data folder, for its owner's eyes alone. */
public final class SecretFile {
    private static final int BYTES = 32;

    private final Path file;

    public SecretFile(Path dataFolder, String name) {
        this.file = dataFolder.resolve(name);
    }

    /** In hexadecimal digits; "" where there is none. */
    public String read() throws IOException {
        return Files.exists(file) ? Files.readString(file).strip() : "";
    }

    /** Makes one where there is none, on the disk before anything is locked with it; another server may be faster. */
    public String readOrMake() throws IOException {
        if (read().isEmpty()) {
            byte[] random = new byte[BYTES];
            new SecureRandom().nextBytes(random);
            var ownersOnly = PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"));
            Path made = file.resolveSibling(
                    file.getFileName() + "." + HexFormat.of().formatHex(random, 0, 4));
            var options = EnumSet.of(StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
            try (FileChannel channel = FileChannel.open(made, options, ownersOnly)) {
                channel.write(ByteBuffer.wrap(HexFormat.of().formatHex(random).getBytes(StandardCharsets.US_ASCII)));
                channel.force(true);
            }
            try {
                Files.move(made, file);
            } catch (FileAlreadyExistsException another) {
                // its secret is as good
            } finally {
                Files.deleteIfExists(made);
            }
        }
        return read();
    }
}
