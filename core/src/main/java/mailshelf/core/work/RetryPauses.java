package mailshelf.core.work;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * When work that failed unexpectedly is tried again by itself: after growing pauses, since what hindered it may pass. When
 * they are used up, it is set aside until somebody asks for another try.
 */
public record RetryPauses(List<Duration> pauses) {
    /** A little over twelve minutes in all. */
    public static final RetryPauses USUAL = new RetryPauses(
            List.of(Duration.ofSeconds(5), Duration.ofSeconds(30), Duration.ofMinutes(2), Duration.ofMinutes(10)));

    public RetryPauses {
        pauses = List.copyOf(pauses);
    }

    /** @param failures how often it has failed in a row, from 1 */
    public Optional<Instant> nextTry(int failures, Instant now) {
        return failures > pauses.size() ? Optional.empty() : Optional.of(now.plus(pauses.get(failures - 1)));
    }
}
