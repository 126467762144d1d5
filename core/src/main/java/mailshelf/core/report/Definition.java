package mailshelf.core.report;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.data.Column;
import mailshelf.core.data.Computed;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;

/**
 * A report as its publisher wrote it, checked against the columns of its data set.
 *
 * @param about the question that it answers, one sentence
 * @param dataSet name of the data set
 * @param filters the text columns that readers are offered first to narrow by, in order
 * @param rows the columns of the rows behind a figure, in order; none where they are not shown
 * @param columns those of its data set, then those computed
 * @param computed columns besides those of the data set, each from those before it
 * @param columnTitles how columns are called on pages
 * @param measures by the names that blocks and filters know them by
 */
public record Definition(
        String title,
        String about,
        String dataSet,
        List<String> tags,
        List<String> filters,
        List<String> rows,
        List<Column> columns,
        List<Computed> computed,
        Map<String, String> columnTitles,
        Map<String, Measure> measures,
        List<Page> pages) {
    public Definition {
        tags = List.copyOf(tags);
        filters = List.copyOf(filters);
        rows = List.copyOf(rows);
        columns = List.copyOf(columns);
        computed = List.copyOf(computed);
        columnTitles = Map.copyOf(columnTitles);
        measures = Map.copyOf(measures);
        pages = List.copyOf(pages);
    }

    /** A page: its name, unique in the report, and its blocks in reading order. */
    public record Page(String id, String title, List<Block> blocks) {
        public Page {
            blocks = List.copyOf(blocks);
        }
    }

    /** The rows of a slice, with the columns that the report computes. */
    public Table over(Slice slice) {
        return slice.table().with(computed);
    }

    public Optional<Column> column(String name) {
        return columns.stream().filter(column -> column.name().equals(name)).findFirst();
    }

    /** The columns that readers may narrow by: those offered first, then the others that they may see. */
    public List<Column> narrowable() {
        return Stream.concat(filters.stream(), rows.stream())
                .distinct()
                .flatMap(name -> column(name).stream())
                .toList();
    }

    /** Whether readers may narrow by it, and it makes sense. */
    public boolean takes(Filter filter) {
        return narrowable().stream()
                .anyMatch(column -> column.name().equals(filter.column())
                        && filter.fits(column)
                        && (filter.test() != Filter.Test.TOP
                                || measures.containsKey(filter.values().get(1))));
    }

    /** The same with column and measure called as readers know them. */
    public Filter named(Filter filter) {
        List<String> values = filter.test() == Filter.Test.TOP
                ? List.of(
                        filter.values().get(0),
                        measures.get(filter.values().get(1)).title())
                : filter.values();
        return new Filter(columnTitle(filter.column()), filter.test(), values);
    }

    public String columnTitle(String column) {
        return columnTitles.getOrDefault(column, column);
    }

    public Optional<Page> page(String id) {
        return pages.stream().filter(page -> page.id().equals(id)).findFirst();
    }
}
