package mailshelf.core.audience;

import mailshelf.core.rights.PersonId;

/**
 * Somebody on a run's list, frozen when the run starts.
 *
 * @param inclusion whether a copy goes there, or why not
 */
public record Recipient(PersonId person, String name, String address, Inclusion inclusion) {

    /** Whether a recipient is sent an issue, or why not. */
    public enum Inclusion {
        INCLUDED,
        /** Lacks the right to see the report's folder. */
        MAY_NOT_SEE,
        /** Was made inactive. */
        INACTIVE,
        /** Took himself off by the link in a mail. */
        LEFT
    }

    /** The first reason that holds, in the order in which a person would want to hear it. */
    public static Inclusion decide(boolean active, boolean left, boolean maySee) {
        if (!active) {
            return Inclusion.INACTIVE;
        }
        if (left) {
            return Inclusion.LEFT;
        }
        return maySee ? Inclusion.INCLUDED : Inclusion.MAY_NOT_SEE;
    }
}
