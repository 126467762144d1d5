package mailshelf.core.data;

import java.util.List;

/**
 * A whole number that adds up over rows, and so over groups and slices: rows counted, values counted, or values summed
 * (unscaled). Measures are made of one tally, or of the ratio of two.
 *
 * @param column the number column that is summed or counted; empty for rows
 * @param where only rows that pass these count
 */
public record Tally(Kind kind, String column, List<Filter> where) {
    /** What is added up. */
    public enum Kind {
        ROWS,
        VALUES,
        SUM
    }

    public Tally {
        where = List.copyOf(where);
    }

    public static Tally rows(List<Filter> where) {
        return new Tally(Kind.ROWS, "", where);
    }

    /** Digits behind the point that its sums carry. */
    public int decimals(Table table) {
        return kind == Kind.SUM ? table.column(column).decimals() : 0;
    }
}
