package mailshelf.store.delivery;

import java.time.Instant;

/**
 * With what a worker claims.
 *
 * @param owner the worker's own name
 * @param aliveSince who has not been heard of since then, by the machine's clock, holds nothing any more
 */
public record Lease(String owner, Instant aliveSince) {
    /** Condition on a table with a column lease_owner; takes {@link #aliveSince} as its one value. */
    public static final String FREE =
            "(lease_owner IS NULL OR lease_owner NOT IN (SELECT owner FROM worker WHERE beat_at >= ?))";
}
