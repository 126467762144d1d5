package mailshelf.core.data;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntUnaryOperator;

/**
 * Sorts rows into groups.
 *
 * @param labels raw label of each group: a column's value ("" for rows without one) or a span's first day
 */
public final class Dimension {
    private final List<String> labels;
    private final IntUnaryOperator groupOfRow;

    private Dimension(List<String> labels, IntUnaryOperator groupOfRow) {
        this.labels = List.copyOf(labels);
        this.groupOfRow = groupOfRow;
    }

    /** One group for all rows. */
    public static Dimension none() {
        return new Dimension(List.of(""), row -> 0);
    }

    /** A group for each value of a text column, in the order of the values, then one for rows without a value. */
    public static Dimension values(Table table, String column) {
        ColumnData.Text text = table.text(column);
        String[] sorted = text.dictionary().clone();
        Arrays.sort(sorted);
        int[] groupOfCode = new int[sorted.length];
        for (int code = 0; code < sorted.length; code++) {
            groupOfCode[code] = Arrays.binarySearch(sorted, text.dictionary()[code]);
        }
        List<String> labels = new ArrayList<>(List.of(sorted));
        labels.add("");
        int none = sorted.length;
        int[] codes = text.codes();
        return new Dimension(labels, row -> codes[row] == ColumnData.Text.NONE ? none : groupOfCode[codes[row]]);
    }

    /** A group for each span of time, given by first days in order; rows must lie within them. */
    public static Dimension spans(Table table, List<LocalDate> starts) {
        long[] firsts = starts.stream().mapToLong(LocalDate::toEpochDay).toArray();
        int[] days = table.days();
        return new Dimension(starts.stream().map(LocalDate::toString).toList(), row -> {
            int at = Arrays.binarySearch(firsts, days[row]);
            return at >= 0 ? at : -at - 2;
        });
    }

    public List<String> labels() {
        return labels;
    }

    int size() {
        return labels.size();
    }

    int groupOf(int row) {
        return groupOfRow.applyAsInt(row);
    }
}
