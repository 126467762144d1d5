package mailshelf.server.delivery;

/**
 * The arrows on the way from due to delivered, in order. Each leads from something that is on the disk to the next such
 * thing; a process may die behind any of them.
 */
public enum Arrow {
    /** A due subscription is a booked run. */
    BOOKED,
    /** The run waited for its data, and is pinned to them. */
    DATA_PINNED,
    /** The run is leased to this server. */
    RUN_CLAIMED,
    /** The figures are evaluated and the files rendered, in memory. */
    EVALUATED,
    /** Figures, files and manifest lie in the archive; no table names them yet. */
    ISSUE_ARCHIVED,
    /** The issue has its number, its places on shelves and its deliveries. */
    ISSUE_RECORDED,
    /** Deliveries are leased to this server, and their tries counted. */
    MAILS_CLAIMED,
    /** Mails lie in the archive; no table names them yet. */
    MAILS_ARCHIVED,
    /** Mails are named by their deliveries. */
    MAILS_NAMED,
    /** The mail server has taken a mail over; no table says so yet. */
    HANDED_OVER,
    /** The mail server's answer is recorded. */
    ANSWERED,
    /** The run is leased to this server once more, to be closed. */
    CLOSING_CLAIMED,
    /** The receipts lie in the archive; no table names them yet. */
    RECEIPTS_ARCHIVED,
    /** The run is closed. */
    CLOSED
}
