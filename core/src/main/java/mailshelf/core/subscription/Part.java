package mailshelf.core.subscription;

/** The parts of a subscription's sentence, each of which can be changed by itself. */
public enum Part {
    WHEN,
    WHAT,
    PERIOD,
    FILTER,
    CUT,
    SEEN_AS,
    TO_WHOM,
    AS_WHAT,
    UNLESS,
    LETTER,
    NAME
}
