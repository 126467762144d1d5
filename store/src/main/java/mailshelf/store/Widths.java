package mailshelf.store;

/** How many characters the columns for composed texts take; what is longer is shortened where it is written. */
public final class Widths {
    /** Why something was skipped, paused or failed. */
    public static final int REASON = 2000;

    /** What stood before or after a change in the audit trail. */
    public static final int CHANGE = 2000;

    /** A figure with its title, as it stands on the shelf. */
    public static final int HEADLINE = 300;

    /** What something was called when it was recorded. */
    public static final int RECORDED_NAME = 300;

    public static final int SUBJECT = 400;
    public static final int REPLY = 500;
    public static final int AGENT = 300;
    public static final int ADDRESS = 254;

    /** Where a request came from. */
    public static final int FROM = 60;

    private Widths() {}
}
