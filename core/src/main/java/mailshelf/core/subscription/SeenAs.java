package mailshelf.core.subscription;

/** Whose row rules an issue is made by. */
public enum SeenAs {
    /** Everybody gets what the owner may see. */
    OWNER,
    /** Each gets what he may see himself. */
    RECIPIENT
}
