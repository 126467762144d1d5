package mailshelf.core.report;

/** As what a measure is shown in a table or chart. */
public enum Shown {
    VALUE(""),
    /** The difference against the days before. */
    CHANGE("change of "),
    /** That difference in per cent of the value before. */
    CHANGE_IN_PERCENT("change in % of "),
    /** In per cent of the total. */
    SHARE("share of "),
    /** With all that come before it added. */
    RUNNING_TOTAL("running total of ");

    private final String prefix;

    Shown(String prefix) {
        this.prefix = prefix;
    }

    /** What a definition writes before the measure's name. */
    String prefix() {
        return prefix;
    }

    /** Whether it makes sense only of what adds up. */
    boolean needsSums() {
        return this == SHARE || this == RUNNING_TOTAL;
    }

    boolean isChange() {
        return this == CHANGE || this == CHANGE_IN_PERCENT;
    }

    /** How it is written, for a measure that is written so. */
    Format format(Format of) {
        return switch (this) {
            case VALUE, CHANGE, RUNNING_TOTAL -> of;
            case CHANGE_IN_PERCENT -> new Format("%", 1, of.good());
            case SHARE -> new Format("%", 1, Good.NEITHER);
        };
    }
}
