package mailshelf.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.h2.mvstore.MVStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;

class UpkeepTest {
    private static final int ROWS = 1500;

    @TempDir
    private Path folder;

    /** As a run does: a row, then its state, again and again, each with a commit of its own. */
    @Test
    @Timeout(value = 10, unit = TimeUnit.MINUTES)
    void most_of_the_file_is_free_again_while_the_database_is_open_and_nothing_is_lost() throws Exception {
        try (Database database = FreshDatabase.in(folder)) {
            for (int i = 0; i < ROWS; i++) {
                String name = "row-" + i;
                database.doInTransaction(
                        tx -> tx.update("INSERT INTO setting (name, content) VALUES (?, ?)", name, "x".repeat(200)));
                database.doInTransaction(
                        tx -> tx.update("UPDATE setting SET content = ? WHERE name = ?", "sent", name));
            }
            MVStore file = database.file();
            assertThat(file.getFillRate()).isGreaterThan(70);

            // what was replaced is kept for some seconds first, and freed by a commit after that
            while (file.getFillRate() > 40) {
                H2.compact(file);
                database.doInTransaction(
                        tx -> tx.update("UPDATE setting SET content = ? WHERE name = ?", "sent", "row-0"));
                TimeUnit.MILLISECONDS.sleep(500);
            }

            assertThat(database.<Long>inTransaction(
                            tx -> tx.count("SELECT COUNT(*) AS n FROM setting WHERE content = ?", "sent")))
                    .isEqualTo(ROWS);
        }
    }
}
