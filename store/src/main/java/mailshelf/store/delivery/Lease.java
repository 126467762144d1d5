package mailshelf.store.delivery;

/**
 * With what a worker claims. Which workers are alive is judged by the database's clock alone, the one that they share.
 *
 * @param owner the worker's own name
 */
public record Lease(String owner) {
    /** A worker that was heard of within this time; six beats are missed before it is taken for dead. */
    static final String ALIVE = "beat_at >= CURRENT_TIMESTAMP - INTERVAL '30' SECOND";

    /**
     * Condition on a table with a column lease_owner; takes {@link #owner} as its one value. What a worker holds itself is
     * never free to it, however late its beat: it may still be at it.
     */
    public static final String FREE = "(lease_owner IS NULL OR (lease_owner <> ? AND lease_owner NOT IN "
            + "(SELECT owner FROM worker WHERE " + ALIVE + ")))";

    /**
     * Condition on such a table that a worker, its one value, still holds a row: not where it has not been heard of for so
     * long, as after its machine was suspended, that another may have taken it over.
     */
    public static final String HELD =
            "lease_owner = ? AND lease_owner IN (SELECT owner FROM worker WHERE " + ALIVE + ")";
}
