package mailshelf.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The file as it lies on the disk after each commit, as a killed process would leave it, is opened anew. */
class CrashedDatabaseTest {
    private static final int COMMITS = 60;
    private static final int LARGE = 4000;

    @TempDir
    private Path folder;

    @TempDir
    private Path crashed;

    private final Random random = new Random(20261125);

    @Test
    void nothing_that_was_acknowledged_is_lost_at_whatever_moment_the_process_ends() throws IOException {
        // a closed file has free space in front, into which chunks of all sizes go
        try (Database database = FreshDatabase.in(folder)) {
            for (int i = 0; i < COMMITS; i++) {
                keep(database, "before-" + i, LARGE);
            }
        }
        try (Database database = Database.open(folder)) {
            Durable durable = new Durable(database);
            for (int i = 1; i <= COMMITS; i++) {
                keep(database, "commit-" + i, random.nextInt(4) == 0 ? LARGE : 10);
                durable.await();
                assertThat(keptAfterACrash()).as("after %s commits", i).isEqualTo(i);
            }
        }
    }

    private long keptAfterACrash() throws IOException {
        Path copy = Files.createTempDirectory(crashed, "crashed");
        Files.copy(folder.resolve("mailshelf.mv.db"), copy.resolve("mailshelf.mv.db"));
        try (Database database = Database.open(copy)) {
            return database.inTransaction(
                    tx -> tx.count("SELECT COUNT(*) AS n FROM setting WHERE name LIKE ?", "commit-%"));
        }
    }

    private static void keep(Database database, String name, int length) {
        database.doInTransaction(
                tx -> tx.update("INSERT INTO setting (name, content) VALUES (?, ?)", name, "x".repeat(length)));
    }
}
