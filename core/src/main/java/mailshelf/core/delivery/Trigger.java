package mailshelf.core.delivery;

/**
 * What made a run start; with the subscription, it is the run's identity, so that a step repeated after a crash finds
 * the run that is there.
 *
 * @param key the due moment in ISO 8601 for a schedule, the newest load's id after a load, the request's own id otherwise
 */
public record Trigger(Kind kind, String key) {
    /** Kinds of starting. */
    public enum Kind {
        /** The schedule fired. */
        SCHEDULE,
        /** Data that it shows have been loaded. */
        LOAD,
        /** Somebody sent it to all by hand. */
        BY_HAND,
        /** Somebody tries it on himself: no number, and only his own shelf. */
        TRIAL
    }

    public boolean isTrial() {
        return kind == Kind.TRIAL;
    }
}
