package mailshelf.core.data;

import java.time.ZoneId;
import java.util.Optional;

/**
 * A typed column of a data set.
 *
 * @param decimals digits kept behind the point, 0 to 9; 0 for other types than numbers
 * @param zone whose clocks its times are read from; empty for other types than times
 */
public record Column(String name, ColumnType type, int decimals, Optional<ZoneId> zone) {
    /** As many as a number of 18 digits leaves room for. */
    public static final int MOST_DECIMALS = 9;

    /** As many as a data set may have. */
    public static final int MOST_IN_A_ROW = 1000;

    /** In UTF-16 code units: what a cell of a spreadsheet holds. */
    public static final int LONGEST_TEXT = 32_767;

    public Column {
        zone = zone == null ? Optional.empty() : zone; // before there were times
        boolean hasDecimals = decimals > 0 && type != ColumnType.NUMBER;
        boolean lacksZone = zone.isPresent() != (type == ColumnType.TIME);
        if (name.isBlank() || decimals < 0 || decimals > MOST_DECIMALS || hasDecimals || lacksZone) {
            throw new IllegalArgumentException("Not a column: " + name + ", " + type + ", " + decimals + ", " + zone);
        }
    }

    public static Column text(String name) {
        return new Column(name, ColumnType.TEXT, 0, Optional.empty());
    }

    public static Column number(String name, int decimals) {
        return new Column(name, ColumnType.NUMBER, decimals, Optional.empty());
    }

    public static Column date(String name) {
        return new Column(name, ColumnType.DATE, 0, Optional.empty());
    }

    public static Column time(String name, ZoneId zone) {
        return new Column(name, ColumnType.TIME, 0, Optional.of(zone));
    }

    /** Whether rows can be sorted and periods be cut by it. */
    public boolean hasDays() {
        return type == ColumnType.DATE || type == ColumnType.TIME;
    }
}
