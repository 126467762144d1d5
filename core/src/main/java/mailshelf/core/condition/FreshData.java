package mailshelf.core.condition;

/**
 * What is asked of the data before an issue is made of them.
 *
 * @param loadFirst whether a run begins with a load of all that can be asked for
 * @param waitHours how long a run waits for a load that succeeds where the last one failed, from when it is booked; 0 for not
 *     at all
 * @param ifStale what becomes of it where that does not come
 */
public record FreshData(boolean loadFirst, int waitHours, IfStale ifStale) {
    /** Data are sent as they are; where their last load failed, that is said. */
    public static final FreshData AS_THEY_ARE = new FreshData(false, 0, IfStale.SEND);

    public static final int MOST_HOURS = 24;

    /** What becomes of an issue over data whose last load failed. */
    public enum IfStale {
        /** It is sent, and says so. */
        SEND,
        /** It is not sent, and its place on the shelf says so. */
        SKIP
    }

    /** Whether a run may have to wait for its data. */
    public boolean mayWait() {
        return loadFirst || waitHours > 0;
    }

    /** Whether it makes sense. */
    public boolean makesSense() {
        return waitHours >= 0 && waitHours <= MOST_HOURS;
    }
}
