package mailshelf.core.work;

import java.time.Instant;
import java.util.Optional;

/**
 * A unit of work that failed unexpectedly.
 *
 * @param unit id of what the kind says
 * @param failures how often in a row
 * @param failedAt the last time, by the business clock
 * @param nextTry when it is tried again by itself, by the machine's clock; empty once it is set aside
 * @param reason in words
 */
public record WorkFailure(
        WorkKind kind, long unit, int failures, Instant failedAt, Optional<Instant> nextTry, String reason) {
    public boolean isSetAside() {
        return nextTry.isEmpty();
    }
}
