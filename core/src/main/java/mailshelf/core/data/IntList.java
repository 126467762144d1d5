package mailshelf.core.data;

import java.util.Arrays;

/** Whole numbers that become more. */
final class IntList {
    private int[] values = new int[64];
    private int size;

    void add(int value) {
        if (size == values.length) {
            values = Arrays.copyOf(values, size * 2);
        }
        values[size++] = value;
    }

    int[] toArray() {
        return Arrays.copyOf(values, size);
    }
}
