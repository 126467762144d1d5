package mailshelf.store;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DatabaseTest {
    @TempDir
    private Path folder;

    private Database database;
    private final SettingStore settings = new SettingStore();

    @BeforeEach
    void open() {
        database = FreshDatabase.in(folder);
    }

    @AfterEach
    void close() {
        database.close();
    }

    @Test
    void a_transaction_that_throws_leaves_nothing_behind() {
        assertThatThrownBy(() -> database.doInTransaction(tx -> {
                    settings.put(tx, "clock", "1");
                    throw new IllegalStateException("in the middle");
                }))
                .hasMessage("in the middle");

        Optional<String> kept = database.inTransaction(tx -> settings.find(tx, "clock"));
        assertThat(kept).isEmpty();
    }

    @Test
    void what_follows_a_transaction_follows_only_once_it_is_kept() {
        List<String> followed = new ArrayList<>();

        assertThatThrownBy(() -> database.doInTransaction(tx -> {
                    tx.afterCommit(() -> followed.add("of one that throws"));
                    throw new IllegalStateException("in the middle");
                }))
                .hasMessage("in the middle");
        database.supposing("something", tx -> {
            tx.afterCommit(() -> followed.add("of one that only supposes"));
            return null;
        });
        database.doInTransaction(tx -> {
            settings.put(tx, "clock", "1");
            tx.afterCommit(() -> followed.add(database.inTransaction(other -> settings.find(other, "clock"))
                    .orElse("not there yet")));
            assertThat(followed).isEmpty();
        });

        assertThat(followed).containsExactly("1");
    }

    @Test
    void what_is_only_supposed_changes_nothing_and_waits_for_nobody_who_does() {
        database.doInTransaction(tx -> {
            settings.put(tx, "clock", "1");
            String seen = CompletableFuture.supplyAsync(() -> database.supposing(
                            "two", other -> other.supposed(String.class).orElse("nothing")))
                    .join();
            assertThat(seen).isEqualTo("two");
        });

        assertThatThrownBy(() -> database.supposing("two", tx -> {
                    settings.put(tx, "clock", "2");
                    return null;
                }))
                .isInstanceOf(IllegalStateException.class);
        Optional<String> kept = database.inTransaction(tx -> settings.find(tx, "clock"));
        assertThat(kept).contains("1");
    }

    @Test
    void an_instant_read_back_is_never_later_than_the_one_that_was_written() {
        Instant fine = Instant.parse("2026-11-25T06:00:00.123456789Z");

        Optional<Instant> back = database.inTransaction(
                tx -> tx.one("SELECT CAST(? AS TIMESTAMP(6) WITH TIME ZONE) AS t", row -> row.instant("t"), fine));

        assertThat(back).contains(Instant.parse("2026-11-25T06:00:00.123456Z"));
    }

    @Test
    void a_failed_statement_is_named_without_its_values() {
        assertThatThrownBy(() -> database.doInTransaction(
                        tx -> tx.update("INSERT INTO setting (name, content) VALUES (?, ?)", "s3cret", null)))
                .isInstanceOf(StoreException.class)
                .hasMessageContaining("INSERT INTO setting")
                .hasMessageNotContaining("s3cret");
    }

    @Test
    void many_waiters_for_durability_all_come_back() {
        Durable durable = new Durable(database);

        List<Thread> waiters = IntStream.range(0, 8)
                .mapToObj(i -> new Thread(() -> {
                    database.doInTransaction(tx -> settings.put(tx, "w" + i, "x"));
                    durable.await();
                }))
                .toList();
        waiters.forEach(Thread::start);
        waiters.forEach(waiter -> {
            try {
                waiter.join(10_000);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        });

        assertThat(waiters).noneMatch(Thread::isAlive);
        long kept = database.inTransaction(tx -> tx.count("SELECT COUNT(*) AS n FROM setting"));
        assertThat(kept).isEqualTo(8);
    }
}
