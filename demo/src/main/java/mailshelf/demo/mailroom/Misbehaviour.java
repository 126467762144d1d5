package mailshelf.demo.mailroom;

/** How the stand-in treats mail to an address. */
public enum Misbehaviour {
    /** Takes it. */
    NONE,
    /** "452 mailbox full". */
    REFUSE_FOR_NOW,
    /** "550 no such mailbox". */
    REFUSE_FOR_GOOD,
    /** "451 come back later" for the first minute after it was first asked; then takes it. */
    GREYLIST,
    /** Takes it after two seconds. */
    SLOW,
    /** Says nothing for a minute; then takes it. */
    SILENT,
    /** Cuts the connection before it has the mail. */
    DROP_BEFORE_FINAL_DOT,
    /** Keeps it and cuts the connection instead of answering. */
    DROP_AFTER_FINAL_DOT
}
