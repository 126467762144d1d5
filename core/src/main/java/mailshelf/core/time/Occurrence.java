package mailshelf.core.time;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Optional;

/**
 * One firing of a schedule.
 *
 * @param at when it happens
 * @param local the same in the schedule's zone, as it really is
 * @param shift what moved it away from what the schedule asks for
 */
public record Occurrence(Instant at, LocalDateTime local, Optional<Shift> shift) {
    /** Why an occurrence is not where the schedule says. */
    public enum Shift {
        /** The local time does not exist on this day; it moves forward by the gap (RFC 5545 §3.3.5). */
        CLOCKS_GO_FORWARD,
        /** The month lacks the date; it is sent on its last day. */
        MONTH_LACKS_DATE
    }
}
