package mailshelf.core.data;

import java.util.List;

/**
 * The rows of a table that somebody may see, and nothing else of it: values that only other rows have do not occur. All
 * figures are made from slices, and {@link Slicing} alone makes them, so that no row rule can be forgotten.
 */
public final class Slice {
    private final Table table;
    private final List<Allowed> allowed;

    Slice(Table table, List<Allowed> allowed) {
        this.table = table;
        this.allowed = allowed;
    }

    public Table table() {
        return table;
    }

    /** What row rules it was cut by; none for all rows. */
    public List<Allowed> allowed() {
        return allowed;
    }
}
