package mailshelf.core.work;

import java.time.Duration;
import java.util.function.BooleanSupplier;

/**
 * Whether anybody still waits for what a thread computes. Long computations ask it as they go, so that one whose asker has
 * gone ends soon instead of taking the processor from others.
 */
public final class StillWanted {
    private static final ThreadLocal<Asker> ASKER = new ThreadLocal<>();
    private static final long BETWEEN_LOOKS = Duration.ofMillis(50).toNanos();

    private StillWanted() {}

    /** Thrown out of a computation that nobody waits for any more. */
    public static final class NobodyWaits extends RuntimeException {
        private NobodyWaits() {
            super("Nobody waits for it any more", null, false, false);
        }
    }

    private static final class Asker {
        private final BooleanSupplier isThere;
        private long lookedAt = System.nanoTime();

        private Asker(BooleanSupplier isThere) {
            this.isThere = isThere;
        }
    }

    /** From now on, what this thread computes is for somebody who may go away; until {@link #byAnybody}. */
    public static void by(BooleanSupplier isThere) {
        ASKER.set(new Asker(isThere));
    }

    /** From now on, what this thread computes is wanted, come what may. */
    public static void byAnybody() {
        ASKER.remove();
    }

    /**
     * Cheap enough to be asked for each few thousand rows: it looks at most twenty times a second.
     *
     * @throws NobodyWaits where the asker has gone
     */
    public static void require() {
        Asker asker = ASKER.get();
        if (asker == null) {
            return;
        }
        long now = System.nanoTime();
        if (now - asker.lookedAt >= BETWEEN_LOOKS) {
            asker.lookedAt = now;
            if (!asker.isThere.getAsBoolean()) {
                throw new NobodyWaits();
            }
        }
    }
}
