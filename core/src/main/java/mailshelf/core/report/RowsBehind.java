package mailshelf.core.report;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Pass;
import mailshelf.core.data.RowOrder;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;
import mailshelf.core.report.PageModel.BlockModel;
import mailshelf.core.report.PageModel.ChartModel;
import mailshelf.core.report.PageModel.TableModel;
import mailshelf.core.time.Window;

/** The rows of the data that a figure, a mark of a chart, or a line of a table is made of. */
public final class RowsBehind {
    private final Definition definition;
    private final Table table;
    private final Evaluation.Question question;
    private final List<Filter> where = new ArrayList<>();
    private Window window;

    /**
     * What of a page is meant.
     *
     * @param block the id of one of its blocks; "" for all rows of the page
     * @param keys raw label of a mark along the axis, or those of a line of a table; none for all
     */
    public record Mark(String block, List<String> keys) {}

    /** How they are sorted: by a column, or as the data are. */
    public record Sort(Optional<String> column, boolean descending) {}

    private RowsBehind(Definition definition, Slice slice, Evaluation.Question question) {
        this.definition = definition;
        this.table = definition.over(slice);
        this.question = question;
        this.window = question.window();
    }

    /**
     * Row numbers of {@code definition.over(slice)}, sorted.
     *
     * @param page that the mark is on; its figures are made only where the mark stands among others
     * @throws Problem not found for a mark that the page does not have
     */
    public static int[] of(
            Definition definition,
            Definition.Page page,
            Slice slice,
            Evaluation.Question question,
            Mark mark,
            Sort sort) {
        RowsBehind behind = new RowsBehind(definition, slice, question);
        if (!mark.block().isEmpty()) {
            behind.narrow(page, () -> Evaluation.page(definition, page, slice, question), mark);
        }
        return behind.rows(sort);
    }

    private int[] rows(Sort sort) {
        Pass pass = new Pass(table, TopFilters.resolved(definition, table, question.window(), question.filters()));
        Pass.Picked picked = pass.rows(window, where);
        pass.run();
        return sort.column()
                .map(column -> RowOrder.by(table, column, sort.descending(), picked.rows()))
                .orElseGet(picked::rows);
    }

    private void narrow(Definition.Page page, Supplier<PageModel> model, Mark mark) {
        Block block = page.blocks().stream()
                .filter(each -> each.id().equals(mark.block()))
                .findFirst()
                .orElseThrow(Problem::notFound);
        if (block instanceof Block.Figure figure) {
            measured(figure.measure());
        } else if (block instanceof Block.Chart chart) {
            chart(chart, (ChartModel) filled(model.get(), block), mark);
        } else if (block instanceof Block.GroupTable grouped) {
            line(grouped, (TableModel) filled(model.get(), block), mark.keys());
        } else if (block instanceof Block.RowTable rows) {
            where.addAll(rows.where());
        } else {
            throw Problem.notFound();
        }
    }

    private static BlockModel filled(PageModel model, Block block) {
        return model.blocks().stream()
                .filter(each -> each.id().equals(block.id()))
                .findFirst()
                .orElseThrow();
    }

    private void line(Block.GroupTable block, TableModel model, List<String> keys) {
        if (keys.size() > block.by().size()) {
            throw Problem.notFound();
        }
        for (int i = 0; i < keys.size(); i++) {
            int column = i;
            List<String> before = keys.subList(0, i);
            List<String> shown = IntStream.range(0, model.rows().size())
                    .filter(row -> column == 0 || !model.subtotals().contains(row))
                    .mapToObj(row -> model.rows().get(row))
                    .filter(row -> row.subList(0, column).equals(before))
                    .map(row -> row.get(column))
                    .distinct()
                    .toList();
            only(block.by().get(column), keys.get(column), shown);
        }
    }

    private void chart(Block.Chart chart, ChartModel model, Mark mark) {
        measured(chart.measure());
        window = model.window();
        mark.keys().stream().findFirst().ifPresent(category -> {
            if (!model.categories().contains(category)) {
                throw Problem.notFound();
            }
            chart.over().ifPresent(over -> span(over, LocalDate.parse(category)));
            chart.by().ifPresent(column -> only(column, category, model.categories()));
        });
    }

    private void span(Block.Trend over, LocalDate first) {
        window = window.since(first).upTo(over.grain().plus(first, 1).minusDays(1));
    }

    /** @param shown all values that are shown for themselves; what is summed up as one is none of them */
    private void only(String column, String value, List<String> shown) {
        if (!shown.contains(value)) {
            throw Problem.notFound();
        }
        if (value.isEmpty()) {
            where.add(new Filter(column, Filter.Test.EMPTY, List.of()));
        } else if (value.equals(Evaluation.REST)) {
            List<String> others = shown.stream()
                    .filter(each -> !each.isEmpty() && !each.equals(Evaluation.REST))
                    .toList();
            if (!others.isEmpty()) {
                where.add(new Filter(column, Filter.Test.NONE_OF, others));
            }
            if (shown.contains("")) {
                where.add(new Filter(column, Filter.Test.FILLED, List.of()));
            }
        } else {
            where.add(Filter.anyOf(column, List.of(value)));
        }
    }

    /** Of a ratio, all rows that it is in parts of. */
    private void measured(Measure measure) {
        Calculation calculation = measure.calculation();
        if (calculation instanceof Calculation.Sum sum) {
            where.addAll(sum.tally().where());
        } else if (calculation instanceof Calculation.Ratio ratio) {
            where.addAll(ratio.lower().where());
            if (ratio.lower().kind() == Tally.Kind.VALUES) {
                where.add(new Filter(ratio.lower().column(), Filter.Test.FILLED, List.of()));
            }
        } else if (calculation instanceof Calculation.Statistics statistics) {
            where.addAll(statistics.spread().where());
            where.add(new Filter(statistics.spread().column(), Filter.Test.FILLED, List.of()));
        }
    }
}
