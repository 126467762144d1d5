package mailshelf.core.data;

import java.util.Arrays;

/**
 * Which values there are, and which stands where once they are sorted. Values that lie close together are counted, which
 * takes one look at each; others are sorted.
 */
final class Ranks {
    /** So many counters fit into the processor's cache, however few values there are. */
    private static final int SMALL = 65_536;

    private final long least;
    /** How often each value from the least on occurs; empty where they are sorted instead. */
    private final int[] counts;

    private final long[] sorted;

    /** @param values at least one, in any order; sorted by it where they are not counted */
    Ranks(long[] values) {
        long smallest = values[0];
        long greatest = values[0];
        for (long value : values) {
            smallest = Math.min(smallest, value);
            greatest = Math.max(greatest, value);
        }
        this.least = smallest;
        long span = greatest - smallest;
        // a span beyond what can be said is negative
        boolean counted = span >= 0 && span < Math.max(SMALL, values.length);
        this.counts = counted ? counts(values, smallest, (int) span + 1) : new int[0];
        this.sorted = values;
        if (!counted) {
            Arrays.sort(values);
        }
    }

    private static int[] counts(long[] values, long least, int size) {
        int[] counts = new int[size];
        for (long value : values) {
            counts[(int) (value - least)]++;
        }
        return counts;
    }

    /** How many different ones there are. */
    int distinct() {
        int different = 0;
        if (counts.length > 0) {
            for (int count : counts) {
                different += count > 0 ? 1 : 0;
            }
            return different;
        }
        for (int i = 0; i < sorted.length; i++) {
            different += i == 0 || sorted[i] != sorted[i - 1] ? 1 : 0;
        }
        return different;
    }

    /** @param rank from 0, for the least */
    long at(int rank) {
        if (counts.length == 0) {
            return sorted[rank];
        }
        int at = 0;
        for (int passed = counts[0]; passed <= rank; passed += counts[at]) {
            at++;
        }
        return least + at;
    }
}
