package mailshelf.core.data;

/** The values of a table's rows, a column at a time, for what is computed from them. */
public final class Cells {
    private final Table table;

    Cells(Table table) {
        this.table = table;
    }

    /** Numbers by row. */
    public interface Numbers {
        /** Stands for no value. */
        long NONE = ColumnData.Numbers.NONE;

        /** Unscaled. */
        long at(int row);
    }

    /** Texts by row; "" for none. */
    public interface Texts {
        String at(int row);
    }

    /** Days by row, since 1970-01-01. */
    public interface Days {
        /** Stands for no value. */
        int NONE = ColumnData.Days.NONE;

        int at(int row);
    }

    public Numbers numbers(String column) {
        long[] unscaled = table.numbers(column).unscaled();
        return row -> unscaled[row];
    }

    public Texts texts(String column) {
        return table.text(column)::raw;
    }

    /** Seconds since 1970-01-01T00:00 of the column's clocks. */
    public Numbers times(String column) {
        return table.times(column)::at;
    }

    /** The days of a column of days, or of times. */
    public Days days(String column) {
        int[] days = table.days(column);
        return row -> days[row];
    }
}
