package mailshelf.core.delivery;

/** How far a run is. It only ever moves down this list. */
public enum RunState {
    /** Booked, its recipients frozen; a load of its data is waited for. */
    WAITING,
    /** Its data are there, and pinned; the issue is not made yet. */
    DUE,
    /** The issue is made, sealed and on the shelf; its deliveries are under way. */
    SENDING,
    /** Every delivery has come to an end; the receipts are sealed. */
    CLOSED
}
