package mailshelf.core.report;

/** Which direction of a figure is good news. */
public enum Good {
    MORE,
    LESS,
    NEITHER
}
