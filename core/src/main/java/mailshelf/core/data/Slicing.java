package mailshelf.core.data;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Cuts a table into the slices of its viewers. The rows are sorted by each ruled column once; a slice then costs as much
 * as it has rows, however many the table has, so that a thousand viewers cost little more than one. Safe to share
 * between threads.
 */
public final class Slicing {
    private final Table table;
    private final Map<String, Partition> partitions = new ConcurrentHashMap<>();

    public Slicing(Table table) {
        this.table = table;
    }

    /** All rows, for those who load and rule them. */
    public Table table() {
        return table;
    }

    /** What one viewer may see. */
    public Slice of(Viewer viewer) {
        if (viewer.allowed().isEmpty()) {
            return new Slice(table, List.of());
        }
        return new Slice(table.rowsOnly(rows(viewer.allowed())), viewer.allowed());
    }

    /** Begins with the rule that lets the fewest rows through and tests those by the others. */
    private int[] rows(List<Allowed> rules) {
        List<Allowed> ordered = new ArrayList<>(rules);
        ordered.sort(Comparator.comparingInt(rule -> partition(rule).count(rule.values())));
        Allowed first = ordered.remove(0);
        int[] rows = partition(first).rows(first.values());
        int size = rows.length;
        for (Allowed rule : ordered) {
            size = RowTest.of(table, rule.column(), rule.values()).keep(rows, size);
        }
        return size == rows.length ? rows : Arrays.copyOf(rows, size);
    }

    private Partition partition(Allowed rule) {
        return partitions.computeIfAbsent(rule.column(), column -> new Partition(table.text(column)));
    }

    /** Row numbers sorted by their code in one column. */
    private static final class Partition {
        private final ColumnData.Text column;
        /** By code: where its rows begin; those behind it end there. */
        private final int[] starts;

        private final int[] rows;

        Partition(ColumnData.Text column) {
            this.column = column;
            int[] codes = column.codes();
            starts = new int[column.dictionary().length + 2];
            for (int code : codes) {
                starts[code + 1]++;
            }
            for (int code = 1; code < starts.length; code++) {
                starts[code] += starts[code - 1];
            }
            rows = new int[codes.length];
            int[] next = starts.clone();
            for (int row = 0; row < codes.length; row++) {
                rows[next[codes[row]]++] = row;
            }
        }

        int count(List<String> values) {
            return values.stream()
                    .flatMapToInt(value -> column.code(value).stream())
                    .map(code -> starts[code + 1] - starts[code])
                    .sum();
        }

        /** In the table's order. */
        int[] rows(List<String> values) {
            int[] found = new int[count(values)];
            int size = 0;
            int parts = 0;
            for (String value : values) {
                int code = column.code(value).orElse(-1);
                if (code >= 0) {
                    int count = starts[code + 1] - starts[code];
                    System.arraycopy(rows, starts[code], found, size, count);
                    size += count;
                    parts++;
                }
            }
            if (parts > 1) {
                Arrays.sort(found);
            }
            return found;
        }
    }
}
