package mailshelf.core.data;

import java.util.Arrays;

/** Grows as it is added to. */
final class LongList {
    private long[] values = new long[16];
    private int size;

    void add(long value) {
        if (size == values.length) {
            values = Arrays.copyOf(values, size * 2);
        }
        values[size++] = value;
    }

    int size() {
        return size;
    }

    long[] toArray() {
        return Arrays.copyOf(values, size);
    }
}
