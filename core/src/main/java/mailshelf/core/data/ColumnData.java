package mailshelf.core.data;

import java.math.BigDecimal;
import java.time.LocalDate;

/** The values of one column, one per row. Arrays are never changed after construction and never leave the package. */
sealed interface ColumnData permits ColumnData.Text, ColumnData.Numbers, ColumnData.Dates {
    /** The value as stored in a page model: plain text, a decimal string or an ISO date; "" where there is none. */
    String raw(int row);

    /** Codes into a dictionary; {@link #NONE} where there is no value. */
    record Text(String[] dictionary, int[] codes) implements ColumnData {
        static final int NONE = -1;

        @Override
        public String raw(int row) {
            return codes[row] == NONE ? "" : dictionary[codes[row]];
        }
    }

    /** Unscaled decimals, exact sums as long as they stay below 9.2e18; {@link #NONE} where there is no value. */
    record Numbers(long[] unscaled, int decimals) implements ColumnData {
        static final long NONE = Long.MIN_VALUE;

        @Override
        public String raw(int row) {
            return unscaled[row] == NONE
                    ? ""
                    : BigDecimal.valueOf(unscaled[row], decimals).toPlainString();
        }
    }

    /** Days since 1970-01-01; {@link #NONE} where there is no value. */
    record Dates(int[] epochDays) implements ColumnData {
        static final int NONE = Integer.MIN_VALUE;

        @Override
        public String raw(int row) {
            return epochDays[row] == NONE
                    ? ""
                    : LocalDate.ofEpochDay(epochDays[row]).toString();
        }
    }
}
