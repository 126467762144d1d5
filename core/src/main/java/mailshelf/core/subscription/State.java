package mailshelf.core.subscription;

/** Where a subscription stands. */
public enum State {
    /** Being written; nothing is sent from it. */
    DRAFT,
    ACTIVE,
    /** Sends nothing by itself; can still be tried and sent by hand. */
    PAUSED,
    /** Over; its issues stay on the shelf. */
    ENDED
}
