package mailshelf.e2e;

import java.time.Duration;
import java.util.function.BooleanSupplier;

/** Waits for a condition, with a deadline. */
final class Wait {
    private static final long PAUSE_MILLIS = 50;

    private Wait() {}

    static void until(String what, Duration atMost, BooleanSupplier condition) {
        long end = System.nanoTime() + atMost.toNanos();
        while (!condition.getAsBoolean()) {
            if (System.nanoTime() > end) {
                throw new AssertionError("Not within " + atMost.toSeconds() + " s: " + what);
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
