package mailshelf.core.data;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.IntToLongFunction;
import mailshelf.core.wording.Alphabet;

/** The values of one column, one per row. Arrays are never changed after construction and never leave the package. */
sealed interface ColumnData permits ColumnData.Text, ColumnData.Numbers, ColumnData.Days {
    /** Seconds of a day. */
    long DAY = 86_400;

    /** The value as stored in a page model: plain text, a decimal string, an ISO date or time; "" where there is none. */
    String raw(int row);

    /** The values of some rows, in this order. */
    ColumnData only(int[] rows);

    /** The same values in another order, told by the place that each row's value goes to. */
    ColumnData moved(int[] places);

    /** Codes into a dictionary sorted by the {@link Alphabet}, one more than its last where there is no value: a row's code is its group. */
    record Text(String[] dictionary, int[] codes) implements ColumnData {
        /**
         * With codes given as words came.
         *
         * @param codes places in the list of words, -1 for none; changed
         */
        static Text sorted(List<String> words, int[] codes) {
            String[] dictionary = words.toArray(String[]::new);
            Alphabet.order().sort(dictionary);
            Map<String, Integer> codeOf = new HashMap<>(2 * dictionary.length);
            for (int code = 0; code < dictionary.length; code++) {
                codeOf.put(dictionary[code], code);
            }
            int[] places = words.stream().mapToInt(codeOf::get).toArray();
            Arrays.setAll(codes, row -> codes[row] < 0 ? dictionary.length : places[codes[row]]);
            return new Text(dictionary, codes);
        }

        @Override
        public String raw(int row) {
            return hasNone(row) ? "" : dictionary[codes[row]];
        }

        /** Words that none of the rows has do not occur in its dictionary. */
        @Override
        public Text only(int[] rows) {
            int[] places = new int[dictionary.length + 1];
            for (int row : rows) {
                places[codes[row]] = 1;
            }
            List<String> kept = new ArrayList<>();
            for (int code = 0; code < dictionary.length; code++) {
                if (places[code] == 1) {
                    places[code] = kept.size();
                    kept.add(dictionary[code]);
                }
            }
            places[dictionary.length] = kept.size();
            int[] some = new int[rows.length];
            for (int i = 0; i < rows.length; i++) {
                some[i] = places[codes[rows[i]]];
            }
            return new Text(kept.toArray(String[]::new), some);
        }

        @Override
        public Text moved(int[] places) {
            return new Text(dictionary, ColumnData.moved(codes, places));
        }

        boolean hasNone(int row) {
            return codes[row] == dictionary.length;
        }

        OptionalInt code(String value) {
            int found = Arrays.binarySearch(dictionary, value, Alphabet.order());
            return found < 0 ? OptionalInt.empty() : OptionalInt.of(found);
        }
    }

    /**
     * Unscaled decimals, exact sums as long as they stay below 9.2e18; {@link #NONE} where there is no value.
     *
     * @param sums the same with 0 where there is no value, so that sums need not look; the same array where none lacks
     */
    record Numbers(long[] unscaled, long[] sums, int decimals) implements ColumnData {
        static final long NONE = Long.MIN_VALUE;

        static Numbers of(long[] unscaled, int decimals) {
            boolean complete = Arrays.stream(unscaled).noneMatch(value -> value == NONE);
            long[] sums = complete
                    ? unscaled
                    : Arrays.stream(unscaled)
                            .map(value -> value == NONE ? 0 : value)
                            .toArray();
            return new Numbers(unscaled, sums, decimals);
        }

        @Override
        public Numbers only(int[] rows) {
            long[] some = new long[rows.length];
            for (int i = 0; i < rows.length; i++) {
                some[i] = unscaled[rows[i]];
            }
            return isComplete() ? new Numbers(some, some, decimals) : of(some, decimals);
        }

        @Override
        public Numbers moved(int[] places) {
            long[] moved = new long[unscaled.length];
            for (int row = 0; row < places.length; row++) {
                moved[places[row]] = unscaled[row];
            }
            return isComplete() ? new Numbers(moved, moved, decimals) : of(moved, decimals);
        }

        boolean isComplete() {
            return unscaled == sums;
        }

        @Override
        public String raw(int row) {
            return unscaled[row] == NONE
                    ? ""
                    : BigDecimal.valueOf(unscaled[row], decimals).toPlainString();
        }
    }

    /** What has a day: days since 1970-01-01, {@link #NONE} where there is no value. */
    sealed interface Days extends ColumnData permits Dates, Times {
        int NONE = Integer.MIN_VALUE;

        int[] epochDays();
    }

    /** Days. */
    record Dates(int[] epochDays) implements Days {

        @Override
        public Dates only(int[] rows) {
            int[] some = new int[rows.length];
            for (int i = 0; i < rows.length; i++) {
                some[i] = epochDays[rows[i]];
            }
            return new Dates(some);
        }

        @Override
        public Dates moved(int[] places) {
            return new Dates(ColumnData.moved(epochDays, places));
        }

        @Override
        public String raw(int row) {
            return epochDays[row] == NONE
                    ? ""
                    : LocalDate.ofEpochDay(epochDays[row]).toString();
        }
    }

    /** Days with a time, and beside them seconds of the day, of which periods of whole days need not know. */
    record Times(int[] epochDays, int[] seconds) implements Days {
        static Times of(int rows, IntToLongFunction epochSeconds) {
            int[] days = new int[rows];
            int[] seconds = new int[rows];
            for (int row = 0; row < rows; row++) {
                long at = epochSeconds.applyAsLong(row);
                days[row] = at == Numbers.NONE ? NONE : (int) Math.floorDiv(at, DAY);
                seconds[row] = at == Numbers.NONE ? 0 : (int) Math.floorMod(at, DAY);
            }
            return new Times(days, seconds);
        }

        /** Seconds since 1970-01-01T00:00, by the same clocks; {@link Numbers#NONE} where there is no value. */
        long at(int row) {
            return epochDays[row] == NONE ? Numbers.NONE : epochDays[row] * DAY + seconds[row];
        }

        @Override
        public Times only(int[] rows) {
            return of(rows.length, i -> at(rows[i]));
        }

        @Override
        public Times moved(int[] places) {
            return new Times(ColumnData.moved(epochDays, places), ColumnData.moved(seconds, places));
        }

        @Override
        public String raw(int row) {
            return epochDays[row] == NONE ? "" : raw(at(row));
        }

        /** @param epochSeconds no {@link Numbers#NONE} */
        static String raw(long epochSeconds) {
            return LocalDateTime.ofEpochSecond(epochSeconds, 0, ZoneOffset.UTC).toString();
        }
    }

    private static int[] moved(int[] values, int[] places) {
        int[] moved = new int[values.length];
        for (int row = 0; row < places.length; row++) {
            moved[places[row]] = values[row];
        }
        return moved;
    }
}
