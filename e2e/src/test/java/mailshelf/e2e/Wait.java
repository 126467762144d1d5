package mailshelf.e2e;

import java.time.Duration;
import java.util.function.BooleanSupplier;

/** Waits for what happens by itself. */
final class Wait {
    private static final long PAUSE_MILLIS = 50;

    /** Long, since a machine may give a fraction of its speed for minutes; what fails is told later, never wrongly. */
    private static final Duration PATIENCE = Duration.ofMinutes(10);

    private Wait() {}

    static void until(String what, BooleanSupplier condition) {
        long end = System.nanoTime() + PATIENCE.toNanos();
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) {
                throw new AssertionError("Not within " + PATIENCE.toSeconds() + " s: " + what);
            }
            pause(PAUSE_MILLIS);
        }
    }

    static void pause(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }
}
