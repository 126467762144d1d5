package mailshelf.core.data;

/** What the values of a column are. */
public enum ColumnType {
    /** Any text, dictionary-encoded. */
    TEXT,
    /** Decimal numbers with a fixed number of decimals. */
    NUMBER,
    /** Calendar days, ISO 8601. */
    DATE,
    /** Calendar days with a time to the second, as clocks of the column's zone show it, ISO 8601. */
    TIME
}
