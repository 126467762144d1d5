package mailshelf.core.data;

import java.util.List;

/**
 * The values themselves that a column has in some rows, for what sums do not tell: how many different ones, the least,
 * the middle one. Rows without a value have none.
 *
 * @param column of any type
 * @param where only rows that pass these count
 */
public record Spread(String column, List<Filter> where) {
    public Spread {
        where = List.copyOf(where);
    }
}
