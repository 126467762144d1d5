package mailshelf.core.data;

/** Sorts rows by a column: a radix sort, whose time grows with the rows and not with how unlike they are. */
public final class RowOrder {
    private static final int BITS = 16;
    private static final int BUCKETS = 1 << BITS;

    private RowOrder() {}

    /**
     * The rows by what they have in a column, those that have the same in the order that they came in. Rows without a
     * value come last, whichever way it goes.
     *
     * @param rows row numbers; not changed
     */
    public static int[] by(Table table, String column, boolean descending, int[] rows) {
        Cells.Numbers values = table.compared(column);
        long least = Long.MAX_VALUE;
        long greatest = Long.MIN_VALUE;
        for (int row : rows) {
            long value = values.at(row);
            if (value != Cells.Numbers.NONE) {
                least = Math.min(least, value);
                greatest = Math.max(greatest, value);
            }
        }
        long[] keys = new long[rows.length];
        for (int i = 0; i < rows.length; i++) {
            long value = values.at(rows[i]);
            // as numbers without a sign, these are distances from the first value that comes
            keys[i] =
                    value == Cells.Numbers.NONE ? greatest - least + 1 : descending ? greatest - value : value - least;
        }
        return sorted(keys, rows.clone(), rows.length == 0 ? 0 : greatest - least + 1);
    }

    /** @param greatest the greatest key there may be */
    private static int[] sorted(long[] keys, int[] rows, long greatest) {
        long[] fromKeys = keys;
        int[] fromRows = rows;
        long[] toKeys = new long[keys.length];
        int[] toRows = new int[rows.length];
        for (int shift = 0; shift < Long.SIZE && greatest >>> shift != 0; shift += BITS) {
            int[] places = new int[BUCKETS];
            for (long key : fromKeys) {
                places[(int) (key >>> shift) & BUCKETS - 1]++;
            }
            int place = 0;
            for (int bucket = 0; bucket < BUCKETS; bucket++) {
                int size = places[bucket];
                places[bucket] = place;
                place += size;
            }
            for (int i = 0; i < fromKeys.length; i++) {
                int at = places[(int) (fromKeys[i] >>> shift) & BUCKETS - 1]++;
                toKeys[at] = fromKeys[i];
                toRows[at] = fromRows[i];
            }
            long[] keysBefore = fromKeys;
            int[] rowsBefore = fromRows;
            fromKeys = toKeys;
            fromRows = toRows;
            toKeys = keysBefore;
            toRows = rowsBefore;
        }
        return fromRows;
    }
}
