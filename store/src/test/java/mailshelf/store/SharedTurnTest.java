package mailshelf.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Servers that share a database change it one after the other, each until its commit is on record. */
class SharedTurnTest {
    @TempDir
    private Path folder;

    private SharedDatabase shared;
    private Database first;
    private Database second;

    @BeforeEach
    void start() throws IOException {
        int port = freePort();
        shared = SharedDatabase.open(folder, "localhost", port);
        first = Database.connect("localhost:" + port, folder);
        second = Database.connect("localhost:" + port, folder);
    }

    @AfterEach
    void end() {
        second.close();
        first.close();
        shared.close();
    }

    @Test
    void a_second_server_waits_until_the_first_has_committed_and_reads_meanwhile() {
        CountDownLatch changed = new CountDownLatch(1);
        CountDownLatch mayCommit = new CountDownLatch(1);
        CompletableFuture<Void> slow = CompletableFuture.runAsync(() -> first.doInTransaction(tx -> {
            insert(tx, "first");
            changed.countDown();
            await(mayCommit);
        }));
        await(changed);
        CompletableFuture<Void> waiting =
                CompletableFuture.runAsync(() -> second.doInTransaction(tx -> insert(tx, "second")));

        // longer than H2 waits for a lock by itself
        assertThat(waiting)
                .failsWithin(3, TimeUnit.SECONDS)
                .withThrowableOfType(java.util.concurrent.TimeoutException.class);
        assertThat(names(second)).isZero();

        mayCommit.countDown();
        assertThat(waiting).succeedsWithin(30, TimeUnit.SECONDS);
        assertThat(slow).succeedsWithin(30, TimeUnit.SECONDS);
        assertThat(names(second)).isEqualTo(2);
    }

    @Test
    void the_turn_of_a_transaction_that_failed_is_given_back() {
        assertThat(CompletableFuture.runAsync(() -> first.doInTransaction(tx -> {
                    insert(tx, "first");
                    throw new IllegalStateException("on purpose");
                })))
                .failsWithin(30, TimeUnit.SECONDS);
        second.doInTransaction(tx -> insert(tx, "second"));
        assertThat(names(second)).isEqualTo(1);
    }

    private static void insert(Tx tx, String name) {
        tx.update("INSERT INTO setting (name, content) VALUES (?, ?)", name, "");
    }

    private static long names(Database database) {
        return database.inTransaction(tx -> tx.count("SELECT COUNT(*) AS n FROM setting"));
    }

    private static void await(CountDownLatch latch) {
        try {
            assertThat(latch.await(1, TimeUnit.MINUTES)).isTrue();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }
}
