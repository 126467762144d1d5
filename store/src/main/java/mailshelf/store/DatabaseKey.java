package mailshelf.store;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.EnumSet;
import java.util.HexFormat;

/**
 * What servers show to the database that they share: a secret in the data folder, which they share too. A database that
 * was never shared has none.
 */
final class DatabaseKey {
    private static final String FILE = "database.key";
    private static final int BYTES = 32;

    private DatabaseKey() {}

    /** "" where there is none. */
    static String of(Path folder) throws IOException {
        Path file = folder.resolve(FILE);
        return Files.exists(file) ? Files.readString(file).strip() : "";
    }

    /** Makes one where there is none, for its owner's eyes alone, and on the disk before anything is locked with it. */
    static String made(Path folder) throws IOException {
        if (of(folder).isEmpty()) {
            byte[] random = new byte[BYTES];
            new SecureRandom().nextBytes(random);
            var ownersOnly = PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"));
            var options = EnumSet.of(StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            try (FileChannel file = FileChannel.open(folder.resolve(FILE), options, ownersOnly)) {
                file.write(ByteBuffer.wrap(HexFormat.of().formatHex(random).getBytes(StandardCharsets.US_ASCII)));
                file.force(true);
            }
        }
        return of(folder);
    }
}
