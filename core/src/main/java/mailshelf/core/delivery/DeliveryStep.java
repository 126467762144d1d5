package mailshelf.core.delivery;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What follows from an answer: the delivery's next state, and when it is tried again if it is.
 *
 * @param nextTry empty in a final state
 */
public record DeliveryStep(DeliveryState state, Optional<Instant> nextTry) {
    /** Growing pauses between tries; when they are used up, the delivery is given up. A little over a day in all. */
    private static final List<Duration> PAUSES = List.of(
            Duration.ofMinutes(1),
            Duration.ofMinutes(5),
            Duration.ofMinutes(15),
            Duration.ofHours(1),
            Duration.ofHours(4),
            Duration.ofHours(8),
            Duration.ofHours(12));

    /** @param attempt number of the try that was answered, from 1 */
    public static DeliveryStep after(Answer answer, int attempt, Instant now) {
        if (answer instanceof Answer.Accepted) {
            return new DeliveryStep(DeliveryState.ACCEPTED, Optional.empty());
        }
        if (answer instanceof Answer.Never) {
            return new DeliveryStep(DeliveryState.REFUSED, Optional.empty());
        }
        if (attempt > PAUSES.size()) {
            return new DeliveryStep(DeliveryState.GIVEN_UP, Optional.empty());
        }
        return new DeliveryStep(DeliveryState.TRYING_AGAIN, Optional.of(now.plus(PAUSES.get(attempt - 1))));
    }
}
