package mailshelf.core.delivery;

/** How far the delivery to one recipient is. */
public enum DeliveryState {
    /** Not tried yet. */
    WAITING(false),
    /** Refused for now; tried again at a set time. */
    TRYING_AGAIN(false),
    /** A server has taken it over. */
    ACCEPTED(true),
    /** Refused for good. */
    REFUSED(true),
    /** Refused for now so long that it is not tried any more. */
    GIVEN_UP(true),
    /** Held back at the last moment: the recipient may no longer see it. */
    WITHDRAWN(true),
    /** Not sent: no row lies behind the recipient's copy. */
    NO_ROWS(true);

    private final boolean end;

    DeliveryState(boolean end) {
        this.end = end;
    }

    public boolean isFinal() {
        return end;
    }

    /** Whether there is anything to bring, be it brought or not. */
    public boolean hasMail() {
        return this != NO_ROWS;
    }

    /** Whether somebody may have it sent again by hand. */
    public boolean canBeTriedAgain() {
        return this == TRYING_AGAIN || this == REFUSED || this == GIVEN_UP;
    }
}
