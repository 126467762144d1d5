package mailshelf.core.data;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import mailshelf.core.time.IsoTime;
import mailshelf.core.wording.Folded;

/** A condition on rows, made ready for a table. */
interface RowTest {
    /** Keeps those that pass at the front of the list, in order; gives how many they are. */
    int keep(int[] rows, int size);

    /** @param filter no {@code TOP}, which has to be resolved to values before */
    static RowTest of(Table table, Filter filter) {
        Column column = table.column(filter.column());
        return column.type() == ColumnType.TEXT ? ofText(table, filter) : ofNumbers(table, column, filter);
    }

    /** Rows whose text is one of several. */
    static RowTest oneOf(Table table, String column, List<String> values) {
        ColumnData.Text text = table.text(column);
        return new OneOf(text.codes(), coded(text, values, true));
    }

    private static boolean[] coded(ColumnData.Text text, List<String> values, boolean passes) {
        boolean[] allowed = new boolean[text.dictionary().length + 1];
        Arrays.fill(allowed, !passes);
        values.forEach(value -> text.code(value).ifPresent(code -> allowed[code] = passes));
        return allowed;
    }

    private static RowTest ofText(Table table, Filter filter) {
        ColumnData.Text text = table.text(filter.column());
        return new OneOf(
                text.codes(),
                switch (filter.test()) {
                    case ANY_OF -> coded(text, filter.values(), true);
                    case NONE_OF -> coded(text, filter.values(), false);
                    case CONTAINS -> {
                        String sought = Folded.of(filter.values().get(0));
                        yield passing(text, word -> Folded.of(word).contains(sought), false);
                    }
                    case EMPTY -> passing(text, word -> false, true);
                    case FILLED -> passing(text, word -> true, false);
                    case BETWEEN, TOP, ANSWER -> throw notReady(filter);
                });
    }

    private static boolean[] passing(ColumnData.Text text, Predicate<String> words, boolean none) {
        boolean[] allowed = new boolean[text.dictionary().length + 1];
        for (int code = 0; code < text.dictionary().length; code++) {
            allowed[code] = words.test(text.dictionary()[code]);
        }
        allowed[text.dictionary().length] = none;
        return allowed;
    }

    private static RowTest ofNumbers(Table table, Column column, Filter filter) {
        Cells.Numbers values = table.compared(filter.column());
        return switch (filter.test()) {
            case ANY_OF -> new Among(values, numbers(column, filter.values()), true);
            case NONE_OF -> new Among(values, numbers(column, filter.values()), false);
            case EMPTY -> new Among(values, new long[] {Cells.Numbers.NONE}, true);
            case FILLED -> new Among(values, new long[] {Cells.Numbers.NONE}, false);
            case BETWEEN ->
                new Between(
                        values,
                        bound(column, filter.values().get(0), RoundingMode.CEILING, Cells.Numbers.NONE + 1),
                        bound(column, filter.values().get(1), RoundingMode.FLOOR, Long.MAX_VALUE));
            case CONTAINS, TOP, ANSWER -> throw notReady(filter);
        };
    }

    private static IllegalStateException notReady(Filter filter) {
        return new IllegalStateException("Not to be tested by: " + filter);
    }

    /** Values with more decimals than the column has are none of its. */
    private static long[] numbers(Column column, List<String> values) {
        return values.stream()
                .filter(value ->
                        bound(column, value, RoundingMode.CEILING, 0) == bound(column, value, RoundingMode.FLOOR, 0))
                .mapToLong(value -> bound(column, value, RoundingMode.FLOOR, 0))
                .sorted()
                .toArray();
    }

    private static long bound(Column column, String value, RoundingMode rounding, long unbound) {
        if (value.isEmpty()) {
            return unbound;
        }
        if (column.type() == ColumnType.DATE) {
            return Filter.day(value).orElseThrow().toEpochDay();
        }
        if (column.type() == ColumnType.TIME) {
            return time(value, rounding);
        }
        BigDecimal unscaled = Filter.number(value)
                .orElseThrow()
                .movePointRight(column.decimals())
                .setScale(0, rounding);
        return unscaled.min(BigDecimal.valueOf(Long.MAX_VALUE))
                .max(BigDecimal.valueOf(Cells.Numbers.NONE + 1))
                .longValue();
    }

    /** A day is meant whole: from its first second to its last. */
    private static long time(String value, RoundingMode rounding) {
        Optional<LocalDate> day = Filter.day(value);
        if (day.isPresent()) {
            long first = day.get().toEpochDay() * ColumnData.DAY;
            return rounding == RoundingMode.FLOOR ? first + ColumnData.DAY - 1 : first;
        }
        return IsoTime.read(value).orElseThrow().toEpochSecond(ZoneOffset.UTC);
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

    /**
     * Rows whose number or day is one of some, or none of them.
     *
     * @param some sorted
     */
    record Among(Cells.Numbers values, long[] some, boolean passes) implements RowTest {
        @Override
        public int keep(int[] rows, int size) {
            int kept = 0;
            for (int i = 0; i < size; i++) {
                int row = rows[i];
                rows[kept] = row;
                kept += Arrays.binarySearch(some, values.at(row)) >= 0 == passes ? 1 : 0;
            }
            return kept;
        }
    }

    /** Rows whose number or day lies between two, both included; those without any do not. */
    record Between(Cells.Numbers values, long least, long greatest) implements RowTest {
        @Override
        public int keep(int[] rows, int size) {
            int kept = 0;
            for (int i = 0; i < size; i++) {
                int row = rows[i];
                long value = values.at(row);
                rows[kept] = row;
                kept += value >= least && value <= greatest ? 1 : 0;
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
