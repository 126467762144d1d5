package mailshelf.store;

import java.time.Duration;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.TimeUnit;

/** Ends executors without an interrupt, which would close the database's file under everybody. */
public final class Finish {
    private Finish() {}

    /**
     * Takes no more work, and lets what is under way finish.
     *
     * @return false where that takes longer than it may
     */
    public static boolean within(ExecutorService ending, Duration most) {
        ending.shutdown();
        try {
            return ending.awaitTermination(most.toMillis(), TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return false;
        }
    }
}
