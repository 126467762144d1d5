package mailshelf.core.data;

import java.util.List;

/**
 * The rows of a table that somebody may see, and nothing else of it: values that only other rows have do not occur. All
 * figures are made from slices, and {@link Slicing} alone makes them, so that no row rule can be forgotten. Its rows are
 * whole: values of masked columns count, and are left out where they would be shown.
 */
public final class Slice {
    /** Stands for a value that is not shown. */
    public static final String MASK = "•••";

    private final Table table;
    private final List<Allowed> allowed;
    private final List<String> masked;

    Slice(Table table, List<Allowed> allowed, List<String> masked) {
        this.table = table;
        this.allowed = allowed;
        this.masked = masked;
    }

    /** The same rows with the values of some columns hidden. */
    public Slice without(List<String> columns) {
        return columns.equals(masked) ? this : new Slice(table, allowed, columns);
    }

    public Table table() {
        return table;
    }

    /** What row rules it was cut by; none for all rows. */
    public List<Allowed> allowed() {
        return allowed;
    }

    /** The columns whose values are not shown. */
    public List<String> masked() {
        return masked;
    }
}
