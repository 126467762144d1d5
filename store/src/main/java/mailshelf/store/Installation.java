package mailshelf.store;

/** What tells this installation from every other. */
public final class Installation {
    private Installation() {}

    /** A random UUID that was drawn when the database was made (RFC 9562). */
    public static String identity(Tx tx) {
        return tx.one("SELECT identity FROM installation", row -> row.text("identity"))
                .orElseThrow(() -> new IllegalStateException("The installation has no identity"));
    }
}
