package mailshelf.server.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.InstantSource;
import java.util.Optional;
import mailshelf.core.delivery.RunId;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.lease.Servers;
import mailshelf.store.Database;
import mailshelf.store.delivery.BlockedStore;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What two servers know of what hinders one of them, over one database. */
class HindranceTest {
    private static final Optional<RunId> RUN = Optional.of(new RunId(7));
    private static final RunId OTHER_RUN = new RunId(8);

    @TempDir
    private Path folder;

    private Database database;
    private LeaseKeeper first;
    private LeaseKeeper second;

    @BeforeEach
    void two_servers() {
        database = Database.open(folder);
        first = Servers.alive(database, folder, 1);
        second = Servers.alive(database, folder, 2);
    }

    @AfterEach
    void close() {
        second.stop();
        if (first.isRunning()) {
            first.stop();
        }
        database.close();
    }

    private Hindrance of(LeaseKeeper server, int number) {
        return new Hindrance(
                database, new BlockedStore(), server, Servers.settings(folder, number), InstantSource.system());
    }

    @Test
    void a_disk_that_one_server_found_full_is_known_to_the_other_until_it_is_over() {
        Hindrance here = of(first, 1);
        Hindrance there = of(second, 2);

        here.isFound(RUN, new IllegalStateException("as a test wants it"));

        assertThat(there.of(RUN.get())).map(Hindrance.Told::wordsKey).contains("hindrance.fault");
        assertThat(there.of(OTHER_RUN)).isEmpty();
        assertThat(there.any()).as("what hinders others does not stop this one").isEmpty();

        here.isGone(RUN);
        assertThat(there.of(RUN.get())).isEmpty();
    }

    @Test
    void what_hinders_everything_hinders_each_run_and_ends_with_the_server_that_found_it() {
        of(first, 1).isFound(Optional.empty(), new IllegalStateException("as a test wants it"));
        Hindrance there = of(second, 2);
        assertThat(there.of(OTHER_RUN)).isPresent();

        first.stop();

        assertThat(there.of(OTHER_RUN)).isEmpty();
    }
}
