package mailshelf.core.data;

import java.util.Arrays;
import java.util.List;

/**
 * The rows of one chunk that are looked at, in order: all of a range, or a list. The loops over them are written out for
 * both, as they are where evaluation spends its time.
 */
final class Rows {
    private final int[] list;
    private int size;
    private boolean isRange;
    private int first;
    private int end;

    Rows(int most) {
        this.list = new int[most];
    }

    void setRange(int firstRow, int endRow) {
        isRange = true;
        first = firstRow;
        end = endRow;
    }

    /** Those of others that pass all tests. */
    void setThose(Rows others, List<RowTest> tests) {
        if (others.isRange) {
            for (int i = 0; i < others.end - others.first; i++) {
                list[i] = others.first + i;
            }
            size = others.end - others.first;
        } else {
            System.arraycopy(others.list, 0, list, 0, others.size);
            size = others.size;
        }
        isRange = false;
        for (RowTest test : tests) {
            size = test.keep(list, size);
        }
    }

    /** Position of the first row that is not before this one. */
    private int at(int row) {
        if (isRange) {
            return Math.max(first, Math.min(row, end));
        }
        int found = Arrays.binarySearch(list, 0, size, row);
        return found >= 0 ? found : -found - 1;
    }

    int count(int fromRow, int endRow) {
        return at(endRow) - at(fromRow);
    }

    long sum(long[] values, int fromRow, int endRow) {
        int last = at(endRow);
        long sum = 0;
        if (isRange) {
            for (int row = at(fromRow); row < last; row++) {
                sum += values[row];
            }
        } else {
            for (int i = at(fromRow); i < last; i++) {
                sum += values[list[i]];
            }
        }
        return sum;
    }

    /** Counts each row of a span of rows in its group. */
    void count(Groups groups, int fromRow, int endRow, long[] into) {
        int[] codes = groups.codes();
        int shift = groups.shift();
        int base = groups.base();
        int last = at(endRow);
        if (isRange) {
            for (int row = at(fromRow); row < last; row++) {
                into[base + codes[row - shift]]++;
            }
        } else {
            for (int i = at(fromRow); i < last; i++) {
                into[base + codes[list[i] - shift]]++;
            }
        }
    }

    /** Adds the value of each row of a span of rows to its group. */
    void sum(Groups groups, long[] values, int fromRow, int endRow, long[] into) {
        int[] codes = groups.codes();
        int shift = groups.shift();
        int base = groups.base();
        int last = at(endRow);
        if (isRange) {
            for (int row = at(fromRow); row < last; row++) {
                into[base + codes[row - shift]] += values[row];
            }
        } else {
            for (int i = at(fromRow); i < last; i++) {
                int row = list[i];
                into[base + codes[row - shift]] += values[row];
            }
        }
    }

    /** Collects the value of each row of a span of rows in its group; {@code groups} is null where all are one. */
    void collect(Groups groups, int group, Cells.Numbers values, int fromRow, int endRow, LongList[] into) {
        int last = at(endRow);
        for (int i = at(fromRow); i < last; i++) {
            int row = isRange ? i : list[i];
            long value = values.at(row);
            if (value != Cells.Numbers.NONE) {
                int of = groups == null ? group : groups.base() + groups.codes()[row - groups.shift()];
                if (into[of] == null) {
                    into[of] = new LongList();
                }
                into[of].add(value);
            }
        }
    }

    void appendTo(IntList rows, int fromRow, int endRow) {
        int last = at(endRow);
        for (int i = at(fromRow); i < last; i++) {
            rows.add(isRange ? i : list[i]);
        }
    }

    /**
     * Where rows of a chunk belong.
     *
     * @param codes the group of a row is {@code base + codes[row - shift]}
     */
    record Groups(int[] codes, int shift, int base) {}
}
