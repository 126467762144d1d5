package mailshelf.core.data;

/**
 * A typed column of a data set.
 *
 * @param decimals digits kept behind the point, 0 to 9; 0 for other types than numbers
 */
public record Column(String name, ColumnType type, int decimals) {
    /** As many as a number of 18 digits leaves room for. */
    public static final int MOST_DECIMALS = 9;

    public Column {
        if (name.isBlank() || decimals < 0 || decimals > MOST_DECIMALS || (decimals > 0 && type != ColumnType.NUMBER)) {
            throw new IllegalArgumentException("Not a column: " + name + ", " + type + ", " + decimals);
        }
    }

    public static Column text(String name) {
        return new Column(name, ColumnType.TEXT, 0);
    }

    public static Column number(String name, int decimals) {
        return new Column(name, ColumnType.NUMBER, decimals);
    }

    public static Column date(String name) {
        return new Column(name, ColumnType.DATE, 0);
    }
}
