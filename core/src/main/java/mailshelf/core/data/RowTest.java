package mailshelf.core.data;

import java.util.List;

/** A condition on rows, made ready for a table. */
interface RowTest {
    /** Keeps those that pass at the front of the list, in order; gives how many they are. */
    int keep(int[] rows, int size);

    /** Rows whose text is one of several. */
    static RowTest of(Table table, String column, List<String> values) {
        ColumnData.Text text = table.text(column);
        boolean[] allowed = new boolean[text.dictionary().length + 1];
        for (String value : values) {
            text.code(value).ifPresent(code -> allowed[code] = true);
        }
        return new OneOf(text.codes(), allowed);
    }

    /** @param allowed by code; rows without a value have the last */
    record OneOf(int[] codes, boolean[] allowed) implements RowTest {
        @Override
        public int keep(int[] rows, int size) {
            int kept = 0;
            for (int i = 0; i < size; i++) {
                int row = rows[i];
                rows[kept] = row;
                kept += allowed[codes[row]] ? 1 : 0;
            }
            return kept;
        }
    }

    /** Rows that have a number. */
    record Present(long[] unscaled) implements RowTest {
        @Override
        public int keep(int[] rows, int size) {
            int kept = 0;
            for (int i = 0; i < size; i++) {
                int row = rows[i];
                rows[kept] = row;
                kept += unscaled[row] == ColumnData.Numbers.NONE ? 0 : 1;
            }
            return kept;
        }
    }
}
