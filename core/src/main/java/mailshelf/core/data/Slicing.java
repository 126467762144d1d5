package mailshelf.core.data;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;

/**
 * Cuts a table into the slices of its viewers. The rows are sorted by each ruled column once; a slice then costs as much
 * as it has rows, however many the table has, so that a thousand viewers cost little more than one. Safe to share
 * between threads.
 */
public final class Slicing {
    /** From so many on it pays to have the rows of each lie side by side. */
    private static final int MANY = 50;

    private final Table table;
    private final boolean many;
    private final Map<String, Partition> partitions = new ConcurrentHashMap<>();

    public Slicing(Table table) {
        this(table, 1);
    }

    /** @param viewers for how many a slice will be cut; for many, it holds the rows once more while it lives */
    public Slicing(Table table, int viewers) {
        this.table = table;
        this.many = viewers >= MANY;
    }

    /** All rows, for those who load and rule them. */
    public Table table() {
        return table;
    }

    /** What one viewer may see. */
    public Slice of(Viewer viewer) {
        if (viewer.allowed().isEmpty()) {
            return new Slice(table, List.of(), viewer.masked());
        }
        List<Allowed> ordered = new ArrayList<>(viewer.allowed());
        ordered.sort(Comparator.comparingInt(rule -> partition(rule).count(rule.values())));
        return new Slice(cut(ordered.get(0), ordered.subList(1, ordered.size())), viewer.allowed(), viewer.masked());
    }

    /**
     * @param first the rule that lets the fewest rows through
     * @param others what those are tested by
     */
    private Table cut(Allowed first, List<Allowed> others) {
        Partition partition = partition(first);
        Table from = partition.rows;
        int[] rows = partition.of(first.values());
        int size = rows.length;
        for (Allowed rule : others) {
            size = RowTest.oneOf(from, rule.column(), rule.values()).keep(rows, size);
        }
        return from.rowsOnly(size == rows.length ? rows : Arrays.copyOf(rows, size));
    }

    private Partition partition(Allowed rule) {
        return partitions.computeIfAbsent(rule.column(), column -> new Partition(table, column, many));
    }

    /** Row numbers sorted by their code in one column. */
    private static final class Partition {
        private final ColumnData.Text column;
        /** By code: where its rows begin; those behind it end there. */
        private final int[] starts;
        /** The rows to take from: the table's own, or the same in the order of the codes. */
        private final Table rows;
        /** The table's row numbers in the order of the codes. */
        private final int[] sorted;

        private final boolean isMoved;

        Partition(Table table, String name, boolean isMoved) {
            this.column = table.text(name);
            this.isMoved = isMoved;
            int[] codes = column.codes();
            starts = new int[column.dictionary().length + 2];
            for (int code : codes) {
                starts[code + 1]++;
            }
            for (int code = 1; code < starts.length; code++) {
                starts[code] += starts[code - 1];
            }
            sorted = new int[codes.length];
            int[] places = new int[codes.length];
            int[] next = starts.clone();
            for (int row = 0; row < codes.length; row++) {
                places[row] = next[codes[row]]++;
                sorted[places[row]] = row;
            }
            rows = isMoved ? table.moved(places) : table;
        }

        int count(List<String> values) {
            return codes(values).map(code -> starts[code + 1] - starts[code]).sum();
        }

        private IntStream codes(List<String> values) {
            return values.stream().flatMapToInt(value -> column.code(value).stream());
        }

        /** Which of the rows to take, in the table's order. */
        int[] of(List<String> values) {
            int[] codes = codes(values).toArray();
            IntStream places = Arrays.stream(codes).flatMap(code -> IntStream.range(starts[code], starts[code + 1]));
            if (!isMoved) {
                int[] found = places.map(place -> sorted[place]).toArray();
                Arrays.sort(found);
                return found;
            }
            return codes.length == 1
                    ? places.toArray()
                    : places.mapToLong(place -> (long) sorted[place] << Integer.SIZE | place)
                            .sorted()
                            .mapToInt(rowAndPlace -> (int) rowAndPlace)
                            .toArray();
        }
    }
}
