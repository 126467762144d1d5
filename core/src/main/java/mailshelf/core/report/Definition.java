package mailshelf.core.report;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A report as its publisher wrote it, checked against the columns of its data set.
 *
 * @param about the question that it answers, one sentence
 * @param dataSet name of the data set
 * @param filters the text columns that a reader may narrow by, in order
 * @param columnTitles how columns are called on pages
 */
public record Definition(
        String title,
        String about,
        String dataSet,
        List<String> tags,
        List<String> filters,
        Map<String, String> columnTitles,
        List<Page> pages) {
    public Definition {
        tags = List.copyOf(tags);
        filters = List.copyOf(filters);
        columnTitles = Map.copyOf(columnTitles);
        pages = List.copyOf(pages);
    }

    /** A page: its name, unique in the report, and its blocks in reading order. */
    public record Page(String id, String title, List<Block> blocks) {
        public Page {
            blocks = List.copyOf(blocks);
        }
    }

    public String columnTitle(String column) {
        return columnTitles.getOrDefault(column, column);
    }

    public Optional<Page> page(String id) {
        return pages.stream().filter(page -> page.id().equals(id)).findFirst();
    }
}
