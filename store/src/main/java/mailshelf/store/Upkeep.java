package mailshelf.store;

import java.sql.SQLException;
import java.time.Duration;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Keeps the database's file small while it is open. H2 has a thread of its own for that, but not where every commit is
 * written at once, as ours are: there the file would grow by each commit until an end in good order. One thread.
 */
final class Upkeep implements AutoCloseable {
    /** Soon for the first time, so that the file of a process that is killed again and again stays small too. */
    private static final Duration FIRST = Duration.ofSeconds(5);

    private static final Duration PAUSE = Duration.ofSeconds(20);

    private static final Duration LAST = Duration.ofSeconds(10);

    private static final int COMPACTIONS = 8;

    private static final Logger LOG = LoggerFactory.getLogger(Upkeep.class);

    /** Where the open file is, which changes when it had to be opened anew. */
    interface OpenFile {
        MVStore get() throws SQLException;
    }

    private final Turn turn;
    private final OpenFile file;
    private final ScheduledExecutorService thread = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread made = new Thread(task, "database-upkeep");
        made.setDaemon(true);
        return made;
    });

    Upkeep(Turn turn, OpenFile file) {
        this.turn = turn;
        this.file = file;
        thread.scheduleWithFixedDelay(this::compact, FIRST.toSeconds(), PAUSE.toSeconds(), TimeUnit.SECONDS);
    }

    private void compact() {
        try {
            MVStore open = file.get();
            for (int i = 0; i < COMPACTIONS && compact(open); i++) {
                Thread.yield(); // to commits that wait
            }
        } catch (SQLException | RuntimeException e) {
            LOG.warn("The database's file could not be made smaller: {}", e.getMessage());
        }
    }

    private boolean compact(MVStore open) {
        turn.take();
        try {
            return H2.compact(open);
        } finally {
            turn.giveBack();
        }
    }

    @Override
    public void close() {
        if (!Finish.within(thread, LAST)) {
            LOG.warn("The database's file is still being made smaller");
        }
    }
}
