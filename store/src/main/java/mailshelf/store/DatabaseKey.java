package mailshelf.store;

import java.io.IOException;
import java.nio.file.Path;

/**
 * What servers show to the database that they share: a secret in the data folder, which they share too. A database that
 * was never shared has none.
 */
final class DatabaseKey {
    private static final String FILE = "database.key";

    private DatabaseKey() {}

    /** "" where there is none. */
    static String of(Path folder) throws IOException {
        return new SecretFile(folder, FILE).read();
    }

    /** Makes one where there is none. */
    static String made(Path folder) throws IOException {
        return new SecretFile(folder, FILE).readOrMake();
    }
}
