package mailshelf.core.data;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** Sorts rows into groups. */
public sealed interface Dimension {
    /** The raw label of each group: a column's value ("" for rows without one) or a span's first day. */
    List<String> labels();

    /** One group for all rows. */
    static Dimension none() {
        return new None();
    }

    /** A group for each value of a text column, in the order of the values, then one for rows without a value. */
    static Dimension values(Table table, String column) {
        return values(table, column, false);
    }

    /** @param isMasked whether the groups are not called by their values */
    static Dimension values(Table table, String column, boolean isMasked) {
        String[] words = table.text(column).dictionary();
        List<String> labels =
                new ArrayList<>(isMasked ? Collections.nCopies(words.length, Slice.MASK) : List.of(words));
        labels.add("");
        return new Values(column, labels);
    }

    /** A group for each span of time, given by first days in order; rows must lie within them. */
    static Dimension spans(List<LocalDate> starts) {
        return new Spans(starts, starts.stream().map(LocalDate::toString).toList());
    }

    /** One group. */
    record None() implements Dimension {
        @Override
        public List<String> labels() {
            return List.of("");
        }
    }

    /** By a column; a row's group is its code there. */
    record Values(String column, List<String> labels) implements Dimension {
        public Values {
            labels = List.copyOf(labels);
        }
    }

    /** By time. Rows are sorted by their date, so that a group is a range of rows. */
    record Spans(List<LocalDate> starts, List<String> labels) implements Dimension {
        public Spans {
            starts = List.copyOf(starts);
            labels = List.copyOf(labels);
        }
    }
}
