package mailshelf.core.data;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import mailshelf.core.time.Window;

/**
 * One version of a data set's rows: columnar, typed, immutable, sorted by its date column if it has one, so that a
 * window of days is one range of rows. Safe to share between threads.
 */
public final class Table {
    private static final int NO_DATES = -1;
    private static final int WIDENED_KEPT = 8;

    private final List<Column> columns;
    private final int rows;
    private final int dateColumn;
    /** By position; one that is null is made from the source when it is first asked for. */
    private final ColumnData[] data;

    private final IntFunction<ColumnData> source;

    /** Tables of these rows with more columns, those asked for last: whoever writes a report tries many. */
    private final Map<List<Computed>, Table> widened = Collections.synchronizedMap(new Newest<>(WIDENED_KEPT));

    /** @param dateColumn the position of the column that rows are sorted by, if they are */
    Table(List<Column> columns, List<ColumnData> data, int rows, Optional<Integer> dateColumn) {
        this.columns = List.copyOf(columns);
        this.data = data.toArray(ColumnData[]::new);
        this.rows = rows;
        this.dateColumn = dateColumn.orElse(NO_DATES);
        this.source = column -> this.data[column];
    }

    private Table(Table like, int rows, IntFunction<ColumnData> source) {
        this(like, like.columns, rows, source);
    }

    private Table(Table like, List<Column> columns, int rows, IntFunction<ColumnData> source) {
        this.columns = columns;
        this.data = new ColumnData[columns.size()];
        this.rows = rows;
        this.dateColumn = like.dateColumn;
        this.source = source;
    }

    /**
     * The same rows with more columns, each computed when it is first asked for.
     *
     * @param more each may be computed from those before it
     */
    public Table with(List<Computed> more) {
        return more.isEmpty() ? this : widened.computeIfAbsent(List.copyOf(more), this::widened);
    }

    private Table widened(List<Computed> more) {
        List<Column> all = new ArrayList<>(columns);
        more.forEach(computed -> all.add(computed.column()));
        Table[] self = new Table[1];
        self[0] = new Table(
                this,
                List.copyOf(all),
                rows,
                column -> column < columns.size()
                        ? data(column)
                        : more.get(column - columns.size()).over(self[0]));
        return self[0];
    }

    /**
     * A table of some of the rows. Its columns are gathered when they are asked for, as a page asks for few of them.
     *
     * @param some row numbers in this table's order
     */
    Table rowsOnly(int[] some) {
        return new Table(this, some.length, column -> data(column).only(some));
    }

    /**
     * The same rows in another order, by which they are near each other that are taken together. As a whole it is no
     * table to be asked for days.
     *
     * @param places where each row goes
     */
    Table moved(int[] places) {
        return new Table(this, rows, column -> data(column).moved(places));
    }

    public List<Column> columns() {
        return columns;
    }

    public int rows() {
        return rows;
    }

    /** The first day that has a row; empty for a table without rows or without dates. */
    public Optional<LocalDate> firstDay() {
        return rows == 0 || dateColumn == NO_DATES ? Optional.empty() : Optional.of(LocalDate.ofEpochDay(days()[0]));
    }

    /** The last day that has a row; empty for a table without rows or without dates. */
    public Optional<LocalDate> lastDay() {
        return rows == 0 || dateColumn == NO_DATES
                ? Optional.empty()
                : Optional.of(LocalDate.ofEpochDay(days()[rows - 1]));
    }

    /** The position of a column by name, or empty. */
    public Optional<Integer> find(String name) {
        for (int i = 0; i < columns.size(); i++) {
            if (columns.get(i).name().equals(name)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    public Column column(String name) {
        return columns.get(index(name));
    }

    /** The distinct values of a text column, sorted. */
    public List<String> values(String name) {
        return List.of(text(name).dictionary());
    }

    /** The first value of a column, in the order of the rows; empty where no row has one. */
    public Optional<String> first(String name) {
        int column = index(name);
        return IntStream.range(0, rows)
                .mapToObj(row -> raw(column, row))
                .filter(value -> !value.isEmpty())
                .findFirst();
    }

    /** The values that some row has in a column, each once and in order. */
    public List<String> occurring(String name) {
        if (column(name).type() == ColumnType.TEXT) {
            ColumnData.Text text = text(name);
            boolean[] occurs = new boolean[text.dictionary().length];
            for (int row = 0; row < rows; row++) {
                if (!text.hasNone(row)) {
                    occurs[text.codes()[row]] = true;
                }
            }
            return IntStream.range(0, occurs.length)
                    .filter(code -> occurs[code])
                    .mapToObj(code -> text.dictionary()[code])
                    .toList();
        }
        Cells.Numbers compared = compared(name);
        return IntStream.range(0, rows)
                .mapToLong(compared::at)
                .filter(value -> value != Cells.Numbers.NONE)
                .sorted()
                .distinct()
                .mapToObj(value -> rawOf(name, value))
                .toList();
    }

    /** One value as a page model holds it; "" where there is none. */
    public String raw(String name, int row) {
        return raw(index(name), row);
    }

    /** @param column its position */
    public String raw(int column, int row) {
        return data(column).raw(row);
    }

    ColumnData.Text text(String name) {
        return as(ColumnData.Text.class, name);
    }

    ColumnData.Numbers numbers(String name) {
        return as(ColumnData.Numbers.class, name);
    }

    /** The values of a column as numbers that differ where the values do: unscaled, days, seconds, or codes of texts. */
    Cells.Numbers compared(String name) {
        Column column = column(name);
        return switch (column.type()) {
            case NUMBER -> new Cells(this).numbers(column.name());
            case DATE -> {
                int[] days = days(column.name());
                yield row -> days[row] == Cells.Days.NONE ? Cells.Numbers.NONE : days[row];
            }
            case TIME -> new Cells(this).times(column.name());
            case TEXT -> {
                ColumnData.Text text = text(column.name());
                yield row -> text.hasNone(row) ? Cells.Numbers.NONE : text.codes()[row];
            }
        };
    }

    /** A number, day or time of {@link #compared} as a page model holds it. */
    public String rawOf(String name, long value) {
        Column column = column(name);
        return switch (column.type()) {
            case DATE -> LocalDate.ofEpochDay(value).toString();
            case TIME -> ColumnData.Times.raw(value);
            case NUMBER, TEXT -> BigDecimal.valueOf(value, column.decimals()).toPlainString();
        };
    }

    /** The days of a column of days, or of times. */
    int[] days(String name) {
        return as(ColumnData.Days.class, name).epochDays();
    }

    ColumnData.Times times(String name) {
        return as(ColumnData.Times.class, name);
    }

    ColumnData data(int column) {
        ColumnData known = data[column];
        if (known == null) {
            known = source.apply(column);
            data[column] = known; // whichever thread comes last: they are the same
        }
        return known;
    }

    private int[] days() {
        return ((ColumnData.Days) data(dateColumn)).epochDays();
    }

    public Optional<String> dateColumn() {
        return dateColumn == NO_DATES
                ? Optional.empty()
                : Optional.of(columns.get(dateColumn).name());
    }

    /** First row of the window; rows without dates lie in every window, and rows of a day in those that touch it. */
    int firstRow(Window window) {
        return dateColumn == NO_DATES ? 0 : firstRow(mine(window).start(), 0);
    }

    /** Row behind the last of the window. */
    int endRow(Window window) {
        return dateColumn == NO_DATES ? rows : firstRow(mine(window).end(), ColumnData.DAY - 1);
    }

    /** First row on or after a day. */
    int firstRow(LocalDate day) {
        return firstRow(day.atStartOfDay(), 0);
    }

    /** By the clocks that the rows go by. */
    private Window mine(Window window) {
        return columns.get(dateColumn).zone().map(window::in).orElse(window);
    }

    /** @param slack how many seconds later is meant where rows have but days: a day that has begun counts whole */
    private int firstRow(LocalDateTime from, long slack) {
        long sought = from.toEpochSecond(ZoneOffset.UTC);
        ColumnData dates = data(dateColumn);
        return dates instanceof ColumnData.Times times
                ? lowerBound(sought, times::at)
                : lowerBound(Math.floorDiv(sought + slack, ColumnData.DAY), row -> days()[row]);
    }

    private int lowerBound(long sought, Cells.Numbers sorted) {
        int low = 0;
        int high = rows;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (sorted.at(middle) < sought) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private <T extends ColumnData> T as(Class<T> type, String name) {
        ColumnData found = data(index(name));
        if (!type.isInstance(found)) {
            throw new IllegalStateException("Column " + name + " is not " + type.getSimpleName());
        }
        return type.cast(found);
    }

    private int index(String name) {
        return find(name).orElseThrow(() -> new IllegalStateException("No column " + name + " in " + columns));
    }
}
