package mailshelf.core.delivery;

import java.util.Collection;

/** What came of a run, as far as it is known. */
public enum RunOutcome {
    /** Not closed yet. */
    OPEN,
    /** Accepted for everybody. */
    SENT,
    /** Accepted for some. */
    PARTLY,
    /** Accepted for nobody, or could not be made. */
    FAILED,
    /** A condition kept it from being sent. */
    SKIPPED,
    /** Fell due while nothing ran, longer ago than the grace time. */
    MISSED;

    /** From the final states of all deliveries; those that had nothing to bring do not count. */
    public static RunOutcome of(Collection<DeliveryState> finals) {
        long accepted = finals.stream().filter(DeliveryState.ACCEPTED::equals).count();
        long mails = finals.stream().filter(DeliveryState::hasMail).count();
        if (accepted == mails) {
            return SENT;
        }
        return accepted == 0 ? FAILED : PARTLY;
    }
}
