package mailshelf.core.data;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import mailshelf.core.work.StillWanted;

/**
 * A column that is computed from others of the same row. Two that are written the same are the same.
 */
public final class Computed {
    private final Column column;
    private final String text;
    private final Set<String> uses;
    private final Function<Table, ColumnData> data;

    private Computed(Column column, Written written, Function<Table, ColumnData> data) {
        this.column = column;
        this.text = written.text();
        this.uses = written.uses();
        this.data = data;
    }

    /**
     * What it is computed by.
     *
     * @param text how that is written
     * @param uses the columns that occur in it
     */
    public record Written(String text, Set<String> uses) {
        public Written {
            uses = Set.copyOf(uses);
        }
    }

    /**
     * A column of numbers.
     *
     * @param column with as many decimals as its unscaled numbers
     */
    public static Computed numbers(Column column, Written written, Function<Cells, Cells.Numbers> over) {
        return new Computed(column, written, table -> {
            Cells.Numbers numbers = over.apply(new Cells(table));
            long[] unscaled = new long[table.rows()];
            Arrays.setAll(unscaled, numbers::at);
            return ColumnData.Numbers.of(unscaled, column.decimals());
        });
    }

    /** A column of texts. */
    public static Computed texts(Column column, Written written, Function<Cells, Cells.Texts> over) {
        return new Computed(column, written, table -> coded(over.apply(new Cells(table)), table.rows()));
    }

    /** A column of days. */
    public static Computed days(Column column, Written written, Function<Cells, Cells.Days> over) {
        return new Computed(column, written, table -> {
            Cells.Days days = over.apply(new Cells(table));
            int[] epochDays = new int[table.rows()];
            Arrays.setAll(epochDays, days::at);
            return new ColumnData.Dates(epochDays);
        });
    }

    /** A column of times, by seconds. */
    public static Computed times(Column column, Written written, Function<Cells, Cells.Numbers> over) {
        return new Computed(column, written, table -> {
            Cells.Numbers times = over.apply(new Cells(table));
            return ColumnData.Times.of(table.rows(), times::at);
        });
    }

    private static ColumnData coded(Cells.Texts texts, int rows) {
        Map<String, Integer> places = new HashMap<>();
        List<String> words = new ArrayList<>();
        int[] codes = new int[rows];
        for (int row = 0; row < rows; row++) {
            String word = texts.at(row);
            codes[row] = word.isEmpty()
                    ? -1
                    : places.computeIfAbsent(word, added -> {
                        words.add(added);
                        return words.size() - 1;
                    });
        }
        return ColumnData.Text.sorted(words, codes);
    }

    public Column column() {
        return column;
    }

    /** The columns that it is computed from. */
    public Set<String> uses() {
        return uses;
    }

    ColumnData over(Table table) {
        StillWanted.require();
        return data.apply(table);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Computed that && column.equals(that.column) && text.equals(that.text);
    }

    @Override
    public int hashCode() {
        return 31 * column.hashCode() + text.hashCode();
    }

    @Override
    public String toString() {
        return column.name() + ": " + text;
    }
}
