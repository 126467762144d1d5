package mailshelf.core.data;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import mailshelf.core.time.Window;

/**
 * One version of a data set's rows: columnar, typed, immutable, sorted by its date column, so that a window of days is
 * one range of rows. Safe to share between threads.
 */
public final class Table {
    private final List<Column> columns;
    private final List<ColumnData> data;
    private final int rows;
    private final int dateColumn;

    Table(List<Column> columns, List<ColumnData> data, int rows, int dateColumn) {
        this.columns = List.copyOf(columns);
        this.data = List.copyOf(data);
        this.rows = rows;
        this.dateColumn = dateColumn;
    }

    public List<Column> columns() {
        return columns;
    }

    public int rows() {
        return rows;
    }

    /** The last day that has a row; empty for a table without rows. */
    public Optional<LocalDate> lastDay() {
        return rows == 0 ? Optional.empty() : Optional.of(LocalDate.ofEpochDay(days()[rows - 1]));
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

    /** One value as a page model holds it; "" where there is none. */
    public String raw(String name, int row) {
        return raw(index(name), row);
    }

    /** @param column its position */
    public String raw(int column, int row) {
        return data.get(column).raw(row);
    }

    ColumnData.Text text(String name) {
        return as(ColumnData.Text.class, name);
    }

    ColumnData.Numbers numbers(String name) {
        return as(ColumnData.Numbers.class, name);
    }

    ColumnData data(int column) {
        return data.get(column);
    }

    int[] days() {
        return ((ColumnData.Dates) data.get(dateColumn)).epochDays();
    }

    String dateColumn() {
        return columns.get(dateColumn).name();
    }

    /** First row of the window. */
    int firstRow(Window window) {
        return lowerBound(window.fromInclusive().toEpochDay());
    }

    /** Row behind the last of the window. */
    int endRow(Window window) {
        return lowerBound(window.toInclusive().toEpochDay() + 1);
    }

    /** First row on or after a day. */
    int firstRow(LocalDate day) {
        return lowerBound(day.toEpochDay());
    }

    private int lowerBound(long day) {
        int low = 0;
        int high = rows;
        int[] days = days();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (days[middle] < day) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    private <T extends ColumnData> T as(Class<T> type, String name) {
        ColumnData found = data.get(index(name));
        if (!type.isInstance(found)) {
            throw new IllegalStateException("Column " + name + " is not " + type.getSimpleName());
        }
        return type.cast(found);
    }

    private int index(String name) {
        return find(name).orElseThrow(() -> new IllegalStateException("No column " + name + " in " + columns));
    }
}
