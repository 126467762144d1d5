package mailshelf.core.report;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Computed;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;

/**
 * A report as its publisher wrote it, checked against the columns of its data set.
 *
 * @param about the question that it answers, one sentence
 * @param dataSet name of the data set
 * @param filters the text columns that a reader may narrow by, in order
 * @param computed columns besides those of the data set, each from those before it
 * @param columnTitles how columns are called on pages
 */
public record Definition(
        String title,
        String about,
        String dataSet,
        List<String> tags,
        List<String> filters,
        List<Computed> computed,
        Map<String, String> columnTitles,
        List<Page> pages) {
    public Definition {
        tags = List.copyOf(tags);
        filters = List.copyOf(filters);
        computed = List.copyOf(computed);
        columnTitles = Map.copyOf(columnTitles);
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

    public String columnTitle(String column) {
        return columnTitles.getOrDefault(column, column);
    }

    public Optional<Page> page(String id) {
        return pages.stream().filter(page -> page.id().equals(id)).findFirst();
    }
}
