package mailshelf.server.library;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Newest;
import mailshelf.core.report.Block;
import mailshelf.core.report.ColumnValues;
import mailshelf.core.report.Cut;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.RowsBehind;
import mailshelf.core.report.TableRows;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import org.springframework.stereotype.Component;

/** Reads the rows of the data that a page, or something on it, is made of: sorted, a stretch at a time. */
@Component
class ReadRows {
    /** As many as a screen scrolls through before more are asked for. */
    static final int AT_ONCE = 200;

    private static final int MOST_VALUES = 200;
    private static final int KEPT = 12;

    private final ReadReport read;

    /** Rows that were found, for those asked for last: scrolling asks for the same again and again. */
    private final Map<Key, int[]> found = Collections.synchronizedMap(new Newest<>(KEPT));

    /** What decides which rows are found; data and definition are immutable. */
    private record Key(
            ReportId report,
            Definition definition,
            List<Allowed> allowed,
            Evaluation.Question question,
            String page,
            RowsBehind.Mark mark,
            RowsBehind.Sort sort) {}

    /**
     * Which rows are asked for.
     *
     * @param columns by name, in order; none for those that the block or the report shows
     */
    record Wish(ReadReport.Wish page, RowsBehind.Mark mark, RowsBehind.Sort sort, List<String> columns) {
        /** All rows of a block, laid out so. */
        static Wish of(ReadReport.Wish page, String block, Cut.Layout layout) {
            Optional<String> column = Optional.of(layout.sort()).filter(name -> !name.isEmpty());
            return new Wish(
                    page,
                    new RowsBehind.Mark(block, List.of()),
                    new RowsBehind.Sort(column, layout.descending()),
                    layout.columns());
        }
    }

    /** A column that can be shown, with its title. */
    record RowColumn(String column, String title, ColumnType type) {}

    /**
     * A stretch of rows.
     *
     * @param of what they are the rows of, in words
     * @param load the number of the load that they are of; with another, they may be in other places
     * @param columns that are shown
     * @param offered all that may be shown
     * @param from place of the first of these rows among all, from 0
     */
    record RowsView(
            List<String> of,
            int load,
            List<RowColumn> columns,
            List<RowColumn> offered,
            int from,
            Written.Table table) {}

    ReadRows(ReadReport read) {
        this.read = read;
    }

    RowsView run(Person who, ReportId id, Wish wish, int from) {
        ReadReport.Asked page = read.asked(who, id, wish.page()).answered();
        PageModel.TableModel all = table(id, page, wish);
        int first = Math.max(0, Math.min(from, all.rows().size()));
        int end = Math.min(all.rows().size(), first + AT_ONCE);
        PageModel.TableModel stretch = new PageModel.TableModel(
                all.id(),
                all.title(),
                all.columns(),
                all.count(),
                all.rows().subList(first, end),
                List.of(),
                List.of());
        Words words = Words.in(Languages.supported(who.locale()));
        return new RowsView(
                of(page, wish.mark(), words, who),
                page.question().freshness().load(),
                columns(page, wish).stream()
                        .map(name -> column(page.definition(), name))
                        .flatMap(Optional::stream)
                        .toList(),
                page.definition().rows().stream()
                        .map(name -> column(page.definition(), name))
                        .flatMap(Optional::stream)
                        .toList(),
                first,
                Writing.table(stretch, page.question().window(), words, who.zone()));
    }

    /** All of the rows, each made when it is come to. */
    PageModel.TableModel table(ReportId id, ReadReport.Asked page, Wish wish) {
        Definition definition = page.definition();
        if (definition.rows().isEmpty() && !(block(page, wish.mark()) instanceof Block.RowTable)) {
            throw Problem.notFound();
        }
        List<String> columns = columns(page, wish);
        requireShown(page, wish, columns);
        Block.RowTable asTable = block(page, wish.mark()) instanceof Block.RowTable rows
                ? rows
                : new Block.RowTable(wish.mark().block(), page.page().title(), columns, List.of(), Map.of());
        return TableRows.model(
                asTable, definition, definition.over(page.slice()), columns, Set.of(), rows(id, page, wish));
    }

    /** What a column of the report can be narrowed to, beside the filters on the others. */
    ColumnValues values(Person who, ReportId id, ReadReport.Wish wish, String column, String sought) {
        ReadReport.Asked page = read.asked(who, id, wish);
        if (page.definition().narrowable().stream()
                .noneMatch(each -> each.name().equals(column))) {
            throw Problem.invalid("report.bad-filter", column);
        }
        return ColumnValues.of(page.definition(), page.slice(), page.question(), column, sought, MOST_VALUES);
    }

    /** "Cancelled sailings a week, by cause", "9 Nov". */
    List<String> of(ReadReport.Asked page, RowsBehind.Mark mark, Words words, Person who) {
        if (mark.block().isEmpty()) {
            return List.of();
        }
        Block block = block(page, mark);
        String title = block.title().isEmpty() ? page.page().title() : block.title();
        return Stream.concat(
                        Stream.of(title), mark.keys().stream().map(raw -> Writing.label(block, raw, words, who.zone())))
                .toList();
    }

    private int[] rows(ReportId id, ReadReport.Asked page, Wish wish) {
        Key key = new Key(
                id,
                page.definition(),
                page.slice().allowed(),
                page.question(),
                page.page().id(),
                wish.mark(),
                wish.sort());
        int[] known = found.get(key);
        if (known != null) {
            return known;
        }
        int[] rows =
                RowsBehind.of(page.definition(), page.page(), page.slice(), page.question(), wish.mark(), wish.sort());
        found.put(key, rows);
        return rows;
    }

    /** A table of rows shows the columns that its publisher chose, and no others are let out where he lets out none. */
    private static List<String> columns(ReadReport.Asked page, Wish wish) {
        if (!wish.columns().isEmpty()) {
            return wish.columns();
        }
        return block(page, wish.mark()) instanceof Block.RowTable rows
                        && wish.mark().keys().isEmpty()
                ? rows.columns()
                : page.definition().rows();
    }

    private static void requireShown(ReadReport.Asked page, Wish wish, List<String> columns) {
        List<String> ofBlock = block(page, wish.mark()) instanceof Block.RowTable rows ? rows.columns() : List.of();
        List<String> sorting = wish.sort().column().map(List::of).orElse(List.of());
        for (String column : Stream.concat(columns.stream(), sorting.stream()).toList()) {
            if (!page.definition().rows().contains(column) && !ofBlock.contains(column)) {
                throw Problem.invalid("report.no-column", column);
            }
        }
    }

    private static Block block(ReadReport.Asked page, RowsBehind.Mark mark) {
        return page.page().blocks().stream()
                .filter(block -> block.id().equals(mark.block()))
                .findFirst()
                .orElse(null);
    }

    private static Optional<RowColumn> column(Definition definition, String name) {
        return definition.column(name).map(column -> new RowColumn(name, definition.columnTitle(name), column.type()));
    }
}
