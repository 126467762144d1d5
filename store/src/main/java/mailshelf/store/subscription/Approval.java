package mailshelf.store.subscription;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.ApprovalId;
import mailshelf.core.subscription.SubscriptionId;

/**
 * A subscription that somebody has to approve before it is sent.
 *
 * @param version of its terms
 * @param reply what was said with the answer; "" for nothing
 */
public record Approval(
        ApprovalId id,
        SubscriptionId subscription,
        int version,
        Instant at,
        State state,
        Optional<PersonId> answeredBy,
        String reply) {
    /** What became of it. */
    public enum State {
        OPEN,
        APPROVED,
        DECLINED,
        /** Its subscription has become another meanwhile, or sends nothing any more that needs it. */
        WITHDRAWN
    }
}
