package mailshelf.store.delivery;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SubscriptionId;

/**
 * One time that a subscription is sent, with the version of its terms when it was booked.
 *
 * @param askedBy who did it by hand; empty for a schedule
 * @param attempt how often its present step, making or closing, has been begun
 * @param reason why it was skipped or failed; "" otherwise
 */
public record Run(
        RunId id,
        SubscriptionId subscription,
        Trigger trigger,
        Optional<PersonId> askedBy,
        Instant dueAt,
        int subscriptionVersion,
        RunState state,
        RunOutcome outcome,
        String reason,
        int attempt,
        Instant bookedAt,
        Optional<Instant> closedAt) {}
