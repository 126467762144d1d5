package mailshelf.core.report;

import java.util.List;
import java.util.Map;
import mailshelf.core.data.Filter;
import mailshelf.core.time.Period;

/**
 * A way of looking at a report: which page, for which period, narrowed to what, its tables of rows laid out how.
 *
 * @param page the id of a page; "" for the first
 * @param tables by the ids of blocks; those that are not named are as their publisher has them
 */
public record Cut(String page, Period period, List<Filter> filters, Map<String, Layout> tables) {
    /**
     * How a table of rows is laid out.
     *
     * @param sort the column that it is sorted by; "" for the order of the data
     * @param columns shown, in order; none for those that the publisher chose
     */
    public record Layout(String sort, boolean descending, List<String> columns) {
        public Layout {
            columns = List.copyOf(columns);
        }
    }

    public Cut {
        filters = List.copyOf(filters);
        tables = Map.copyOf(tables);
    }

    /** Whether a report can be looked at so, as it is defined now. */
    public boolean fits(Definition definition) {
        boolean hasPage = page.isEmpty() || definition.page(page).isPresent();
        return hasPage
                && filters.stream().allMatch(definition::takes)
                && tables.values().stream().allMatch(layout -> fits(layout, definition));
    }

    private static boolean fits(Layout layout, Definition definition) {
        return (layout.sort().isEmpty() || definition.column(layout.sort()).isPresent())
                && layout.columns().stream()
                        .allMatch(column -> definition.column(column).isPresent());
    }
}
