package mailshelf.server.mailroom;

/** How the stand-in treats mail to an address. */
public enum Misbehaviour {
    /** Takes it. */
    NONE,
    /** "452 mailbox full". */
    REFUSE_FOR_NOW,
    /** "550 no such mailbox". */
    REFUSE_FOR_GOOD,
    /** Takes it after two seconds. */
    SLOW,
    /** Keeps it and cuts the connection instead of answering. */
    DROP_AFTER_FINAL_DOT
}
