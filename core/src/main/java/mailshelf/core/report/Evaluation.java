package mailshelf.core.report;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Dimension;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Grouping;
import mailshelf.core.data.Pass;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;
import mailshelf.core.report.PageModel.BlockModel;
import mailshelf.core.report.PageModel.ChartModel;
import mailshelf.core.report.PageModel.ColumnModel;
import mailshelf.core.report.PageModel.FigureModel;
import mailshelf.core.report.PageModel.Series;
import mailshelf.core.report.PageModel.TableModel;
import mailshelf.core.report.PageModel.TextModel;
import mailshelf.core.time.Window;

/** Fills the figures of a page in: definition, slice, filters and period to a {@link PageModel}. */
public final class Evaluation {
    /** As many as the house has colours; what is beyond is summed up as one. */
    private static final int MOST_SERIES = 6;

    /** Name of the series that sums up what is beyond the house's colours; it becomes words where it is written. */
    static final String REST = "…";

    private static final Tally ROWS = Tally.rows(List.of());

    private static final Format PLAIN = new Format("", 0, Good.NEITHER);

    private final Definition definition;
    private final Table table;
    private final Question question;
    private final Pass pass;

    /**
     * What is asked of a report, resolved to days.
     *
     * @param period the code that the window came from
     */
    public record Question(
            String period,
            Window window,
            Window before,
            DayOfWeek firstDayOfWeek,
            List<Filter> filters,
            PageModel.Freshness freshness) {}

    private Evaluation(Definition definition, Table table, Question question) {
        this.definition = definition;
        this.table = table;
        this.question = question;
        this.pass = new Pass(table, question.filters());
    }

    public static PageModel page(Definition definition, Definition.Page page, Slice slice, Question question) {
        Evaluation evaluation = new Evaluation(definition, definition.over(slice), question);
        Grouping rows = evaluation.pass.sums(question.window(), Dimension.none(), Dimension.none(), List.of(ROWS));
        List<Supplier<BlockModel>> blocks =
                page.blocks().stream().map(evaluation::block).toList();
        evaluation.pass.run();
        return new PageModel(
                PageModel.SCHEMA,
                definition.title(),
                page.id(),
                page.title(),
                definition.pages().indexOf(page) + 1,
                question.period(),
                question.window(),
                question.before(),
                question.filters(),
                slice.allowed(),
                question.freshness(),
                rows.cells(ROWS).at(0, 0),
                blocks.stream().map(Supplier::get).toList());
    }

    /** Asks for what a block needs; the block itself is made once the pass has run. */
    private Supplier<BlockModel> block(Block block) {
        if (block instanceof Block.Figure figure) {
            return figure(figure);
        }
        if (block instanceof Block.Chart chart) {
            return chart(chart);
        }
        if (block instanceof Block.GroupTable grouped) {
            return groupTable(grouped);
        }
        if (block instanceof Block.RowTable rows) {
            return rowTable(rows);
        }
        Block.Text text = (Block.Text) block;
        return () -> new TextModel(text.id(), text.title(), text.text());
    }

    private Supplier<BlockModel> figure(Block.Figure figure) {
        Sums now = single(figure.measure(), question.window());
        Sums before = single(figure.measure(), question.before());
        Optional<Sums> trend =
                figure.trend().map(over -> new Sums(figure.measure(), spans(over), Dimension.none(), spanWindow(over)));
        return () -> new FigureModel(
                figure.id(),
                figure.title(),
                figure.measure().format(),
                now.value(0, 0),
                before.value(0, 0),
                trend.map(sums -> sums.column(0)).orElse(List.of()));
    }

    private Sums single(Measure measure, Window window) {
        return new Sums(measure, Dimension.none(), Dimension.none(), window);
    }

    private Supplier<BlockModel> chart(Block.Chart chart) {
        Window window = chart.over().map(this::spanWindow).orElse(question.window());
        Dimension axis = chart.over()
                .map(this::spans)
                .orElseGet(() -> Dimension.values(table, chart.by().orElseThrow()));
        Dimension split =
                chart.split().map(column -> Dimension.values(table, column)).orElse(Dimension.none());
        Sums sums = new Sums(chart.measure(), axis, split, window);
        return () -> chart(chart, window, sums);
    }

    private ChartModel chart(Block.Chart chart, Window window, Sums sums) {
        Dimension axis = sums.grouping.first();
        List<Integer> categories = chart.over().isPresent() ? all(axis) : sums.firstGroupsWithRows();
        List<Series> series = chart.split().isEmpty()
                ? List.of(new Series("", sums.values(categories, List.of(0))))
                : splitSeries(sums, categories);
        return new ChartModel(
                chart.id(),
                chart.title(),
                chart.kind(),
                chart.measure().format(),
                chart.over().map(Block.Trend::grain),
                categories.stream().map(axis.labels()::get).toList(),
                window,
                series);
    }

    /** The largest parts first, so that colours mean the same from issue to issue as long as the order holds. */
    private List<Series> splitSeries(Sums sums, List<Integer> categories) {
        List<Integer> bySize = sums.secondGroupsBySize();
        if (bySize.isEmpty()) {
            return List.of(new Series("", sums.values(categories, sums.secondGroups())));
        }
        boolean tooMany = bySize.size() > MOST_SERIES;
        List<Integer> own = tooMany ? bySize.subList(0, MOST_SERIES - 1) : bySize;
        List<Series> series = new ArrayList<>();
        for (int group : own) {
            series.add(new Series(sums.secondLabel(group), sums.values(categories, List.of(group))));
        }
        if (tooMany) {
            List<Integer> rest = bySize.subList(MOST_SERIES - 1, bySize.size());
            series.add(new Series(REST, sums.values(categories, rest)));
        }
        return series;
    }

    private Supplier<BlockModel> groupTable(Block.GroupTable block) {
        List<ColumnModel> columns = new ArrayList<>();
        columns.add(new ColumnModel(definition.columnTitle(block.by()), ColumnType.TEXT, PLAIN, false));
        Dimension by = Dimension.values(table, block.by());
        List<Sums> now = new ArrayList<>();
        List<Sums> before = new ArrayList<>();
        for (Block.TableMeasure shown : block.measures()) {
            String title = shown.measure().title();
            columns.add(
                    new ColumnModel(title, ColumnType.NUMBER, shown.measure().format(), shown.change()));
            now.add(new Sums(shown.measure(), by, Dimension.none(), question.window()));
            before.add(new Sums(shown.measure(), by, Dimension.none(), question.before()));
        }
        return () -> groupTable(block, columns, now, before);
    }

    private TableModel groupTable(
            Block.GroupTable block, List<ColumnModel> columns, List<Sums> now, List<Sums> before) {
        Dimension by = now.get(0).grouping.first();
        List<List<String>> rows = new ArrayList<>();
        for (int group = 0; group < by.labels().size(); group++) {
            if (touched(now, before, group)) {
                rows.add(groupRow(by.labels().get(group), block, now, before, List.of(group)));
            }
        }
        List<String> total = rows.size() < 2 ? List.of() : groupRow("", block, now, before, all(by));
        return new TableModel(block.id(), block.title(), columns, rows, total);
    }

    private static boolean touched(List<Sums> now, List<Sums> before, int group) {
        return Stream.concat(now.stream(), before.stream()).anyMatch(sums -> sums.touches(group));
    }

    private static List<String> groupRow(
            String label, Block.GroupTable block, List<Sums> now, List<Sums> before, List<Integer> groups) {
        List<String> row = new ArrayList<>();
        row.add(label);
        for (int i = 0; i < block.measures().size(); i++) {
            Optional<BigDecimal> value = now.get(i).value(groups, List.of(0));
            if (block.measures().get(i).change()) {
                Optional<BigDecimal> earlier = before.get(i).value(groups, List.of(0));
                value = value.flatMap(v -> earlier.map(v::subtract));
            }
            row.add(value.map(BigDecimal::toPlainString).orElse(""));
        }
        return row;
    }

    private Supplier<BlockModel> rowTable(Block.RowTable block) {
        List<ColumnModel> columns = block.columns().stream()
                .map(name -> {
                    Column column = table.column(name);
                    Format format = new Format("", column.decimals(), Good.NEITHER);
                    return new ColumnModel(definition.columnTitle(name), column.type(), format, false);
                })
                .toList();
        Pass.Picked picked = pass.rows(question.window(), block.where());
        return () -> new TableModel(
                block.id(),
                block.title(),
                columns,
                IntStream.of(picked.rows())
                        .mapToObj(row -> block.columns().stream()
                                .map(column -> table.raw(column, row))
                                .toList())
                        .toList(),
                List.of());
    }

    private Dimension spans(Block.Trend over) {
        return Dimension.spans(starts(over));
    }

    private List<LocalDate> starts(Block.Trend over) {
        return over.grain().last(over.spans(), question.window().toInclusive(), question.firstDayOfWeek());
    }

    private Window spanWindow(Block.Trend over) {
        return new Window(starts(over).get(0), question.window().toInclusive());
    }

    private static List<Integer> all(Dimension dimension) {
        return IntStream.range(0, dimension.labels().size()).boxed().toList();
    }

    /** The sums of one measure over two dimensions. */
    private final class Sums {
        private final Measure measure;
        private final Grouping grouping;
        private final Grouping.Cells upper;
        private final Grouping.Cells lower;
        private final Grouping.Cells rows;

        Sums(Measure measure, Dimension first, Dimension second, Window window) {
            this.measure = measure;
            List<Tally> tallies = new ArrayList<>(measure.tallies());
            tallies.add(ROWS);
            this.grouping = pass.sums(window, first, second, tallies);
            this.upper = grouping.cells(measure.tally());
            this.lower = grouping.cells(measure.over().orElse(ROWS));
            this.rows = grouping.cells(ROWS);
        }

        Optional<BigDecimal> value(int first, int second) {
            return value(List.of(first), List.of(second));
        }

        /** Over all groups of the two lists together; ratios are made from sums, never from other ratios. */
        Optional<BigDecimal> value(List<Integer> firsts, List<Integer> seconds) {
            long sum = 0;
            long over = 0;
            for (int first : firsts) {
                for (int second : seconds) {
                    sum += upper.at(first, second);
                    over += lower.at(first, second);
                }
            }
            return measure.value(table, sum, over);
        }

        List<Optional<BigDecimal>> values(List<Integer> firsts, List<Integer> seconds) {
            return firsts.stream().map(first -> value(List.of(first), seconds)).toList();
        }

        List<Optional<BigDecimal>> column(int second) {
            return values(all(grouping.first()), List.of(second));
        }

        boolean touches(int first) {
            return rows.at(first, 0) > 0;
        }

        List<Integer> firstGroupsWithRows() {
            List<Integer> seconds = all(grouping.second());
            return all(grouping.first()).stream()
                    .filter(first -> seconds.stream().anyMatch(s -> rows.at(first, s) > 0))
                    .toList();
        }

        List<Integer> secondGroups() {
            return all(grouping.second());
        }

        List<Integer> secondGroupsBySize() {
            Comparator<Integer> bySize = Comparator.comparing(this::secondTotal).reversed();
            return secondGroups().stream()
                    .filter(second -> secondTotal(second) != 0)
                    .sorted(bySize)
                    .toList();
        }

        String secondLabel(int group) {
            return grouping.second().labels().get(group);
        }

        private Long secondTotal(int second) {
            long total = 0;
            for (int first : all(grouping.first())) {
                total += upper.at(first, second);
            }
            return total;
        }
    }
}
