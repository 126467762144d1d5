package mailshelf.core.named;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.DataSetId;

/**
 * A value or a list that is defined once and used by its name.
 *
 * @param values of a constant, as pages hold values: text, a decimal, or an ISO date; none otherwise
 * @param formula over {@code today}; "" for what is no formula
 * @param dataSet and {@code column} where it is taken from; empty and "" for what is not taken from data
 * @param fallback what it comes to where there is nothing; may be nothing too
 * @param separator between its values in a text
 * @param lastWord before the last of them; "" for the separator
 */
public record NamedValue(
        String name,
        Kind kind,
        List<String> values,
        String formula,
        Optional<DataSetId> dataSet,
        String column,
        List<String> fallback,
        String separator,
        String lastWord) {
    /** Where its values come from. */
    public enum Kind {
        CONSTANT,
        FORMULA,
        /** The first value of a column, in the order of the rows. */
        FIRST,
        /** All values that occur in a column, in order. */
        DISTINCT
    }

    public NamedValue {
        values = List.copyOf(values);
        fallback = List.copyOf(fallback);
    }

    /** What it comes to. */
    public ComesTo comesTo(List<String> found) {
        return found.isEmpty() ? new ComesTo(fallback, true) : new ComesTo(found, false);
    }

    /** As it stands in a text. */
    public InText inText(ComesTo comesTo) {
        return new InText(name, kind == Kind.FORMULA, comesTo.values(), separator, lastWord);
    }
}
