package mailshelf.core.report;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import mailshelf.core.data.Dimension;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Grouping;
import mailshelf.core.data.Pass;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;
import mailshelf.core.named.InText;
import mailshelf.core.report.PageModel.BlockModel;
import mailshelf.core.report.PageModel.FigureModel;
import mailshelf.core.report.PageModel.TextModel;
import mailshelf.core.time.Period;
import mailshelf.core.time.Window;

/** Fills the figures of a page in: definition, slice, filters and period to a {@link PageModel}. */
public final class Evaluation {
    /** Name of what is summed up as one, as there is too much of it; it becomes words where it is written. */
    static final String REST = "…";

    private static final Tally ROWS = Tally.rows(List.of());

    /** The one group of no dimension. */
    private static final List<Integer> ONE = List.of(0);

    private final Definition definition;
    private final Table table;
    private final Question question;
    private final Pass pass;

    /** Outside of it values are not 0 but none. */
    private final Coverage coverage;

    /** Columns whose values are not shown, and what is computed from them. */
    private final Set<String> masked;

    /**
     * What is asked of a report, resolved to days.
     *
     * @param period the code that the window came from
     * @param compared the days of the window that are held against others: of one that is not over yet, those with figures
     * @param before as many days, in the place of those
     * @param named what the named values in its texts come to
     */
    public record Question(
            String period,
            Window window,
            Window compared,
            Window before,
            DayOfWeek firstDayOfWeek,
            List<Filter> filters,
            List<InText> named,
            PageModel.Freshness freshness) {
        /** With what named values in texts come to. */
        public Question naming(List<InText> values) {
            return new Question(period, window, compared, before, firstDayOfWeek, filters, values, freshness);
        }

        /**
         * Asked at a moment, from which a moving period is counted.
         *
         * @param on in the zone of whoever asks
         */
        public static Question of(
                Period period,
                ZonedDateTime on,
                DayOfWeek firstDayOfWeek,
                List<Filter> filters,
                PageModel.Freshness freshness) {
            Window window = period.on(on, firstDayOfWeek);
            boolean isOver = window.toInclusive().isBefore(on.toLocalDate());
            Window compared = isOver
                    ? window
                    : freshness
                            .figuresTo()
                            .filter(window::contains)
                            .map(window::upTo)
                            .orElse(window);
            return new Question(
                    period.code(),
                    window,
                    compared,
                    withoutDays(period.beforeThat(on, firstDayOfWeek), window.days() - compared.days()),
                    firstDayOfWeek,
                    filters,
                    List.of(),
                    freshness);
        }

        /** Without so many days at its end, as long as there is one left. */
        private static Window withoutDays(Window window, long days) {
            LocalDate last = window.toInclusive().minusDays(days);
            return last.isBefore(window.fromInclusive()) ? window : window.upTo(last);
        }

        /** The days that are compared, a year ago. */
        Window yearAgo() {
            return Period.parse(period).orElseThrow().yearAgo(compared);
        }
    }

    private Evaluation(Definition definition, Slice slice, Question question) {
        this.definition = definition;
        this.table = definition.over(slice);
        this.masked = slice.masked().isEmpty() ? Set.of() : definition.derivedFrom(slice.masked());
        this.question = question;
        this.coverage = Coverage.of(table, question.freshness());
        this.pass = new Pass(table, TopFilters.resolved(definition, table, question.window(), question.filters()));
    }

    public static PageModel page(Definition definition, Definition.Page page, Slice slice, Question question) {
        Evaluation evaluation = new Evaluation(definition, slice, question);
        Grouping rows = evaluation.pass.grouped(
                question.window(), Dimension.none(), Dimension.none(), List.of(ROWS), List.of());
        List<Supplier<BlockModel>> blocks =
                page.blocks().stream().map(evaluation::block).toList();
        evaluation.pass.run();
        return new PageModel(
                PageModel.SCHEMA,
                definition.title(),
                page.id(),
                page.title(),
                definition.pages().stream().map(Definition.Page::id).toList().indexOf(page.id()) + 1,
                question.period(),
                question.window(),
                question.before(),
                definition.withPresets(question.filters()).stream()
                        .map(evaluation::knownPart)
                        .map(definition::named)
                        .toList(),
                slice.allowed(),
                ShownColumns.of(definition, page, slice.masked()).stream()
                        .map(definition::columnTitle)
                        .toList(),
                question.freshness(),
                rows.cells(ROWS).at(0, 0),
                blocks.stream().map(Supplier::get).toList());
    }

    /** A filter without values of columns that are masked. */
    private Filter knownPart(Filter filter) {
        return masked.contains(filter.column()) ? Filter.anyOf(filter.column(), List.of(Filter.HIDDEN)) : filter;
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
        return text((Block.Text) block);
    }

    private Supplier<BlockModel> figure(Block.Figure figure) {
        Window then = figure.against() == Block.Against.YEAR_AGO ? question.yearAgo() : question.before();
        Amounts now = now(figure.measure(), Dimension.none(), Dimension.none());
        Amounts before = before(figure.measure(), Dimension.none(), Dimension.none(), then);
        Optional<Amounts> trend = figure.trend()
                .map(over -> amounts(figure.measure(), spans(over), Dimension.none(), spanWindow(over), true));
        return () -> new FigureModel(
                figure.id(),
                figure.title(),
                figure.measure().format(),
                now.value(ONE, ONE),
                before.value(ONE, ONE),
                figure.against(),
                trend.map(amounts -> whole(
                                figure.trend().orElseThrow(),
                                amounts.values(
                                        amounts.firstGroups().stream()
                                                .map(List::of)
                                                .toList(),
                                        ONE)))
                        .orElse(List.of()));
    }

    private Dimension values(String column) {
        return Dimension.values(table, column, masked.contains(column));
    }

    /** In the window; nothing where none of its days has figures yet. */
    private Amounts now(Measure measure, Dimension first, Dimension second) {
        return amounts(measure, first, second, question.window(), coverage.touches(question.window()));
    }

    /** In days that the window is compared with; nothing unless there are figures for all days of both. */
    private Amounts before(Measure measure, Dimension first, Dimension second, Window then) {
        return amounts(measure, first, second, then, coverage.covers(then) && coverage.covers(question.compared()));
    }

    private Amounts amounts(Measure measure, Dimension first, Dimension second, Window window, boolean isKnown) {
        boolean isMasked = measure.columns().stream().anyMatch(masked::contains);
        return new Amounts(pass, table, measure, first, second, window, isKnown && !isMasked);
    }

    private Supplier<BlockModel> chart(Block.Chart chart) {
        Window window = chart.over().map(this::spanWindow).orElse(question.window());
        Dimension axis =
                chart.over().map(this::spans).orElseGet(() -> values(chart.by().orElseThrow()));
        Dimension split = chart.split().map(column -> values(column)).orElse(Dimension.none());
        Amounts amounts = amounts(chart.measure(), axis, split, window, coverage.touches(window));
        return () -> {
            PageModel.ChartModel model = ChartFill.fill(chart, window, amounts);
            return chart.over()
                    .map(over -> model.withValues(values -> known(over, values)))
                    .orElse(model);
        };
    }

    private Supplier<BlockModel> groupTable(Block.GroupTable block) {
        Dimension first = values(block.by().get(0));
        Dimension second = block.by().size() > 1 ? values(block.by().get(1)) : Dimension.none();
        List<Amounts> now = new ArrayList<>();
        List<Amounts> before = new ArrayList<>();
        for (Block.TableMeasure shown : block.measures()) {
            now.add(now(shown.measure(), first, second));
            before.add(before(shown.measure(), first, second, question.before()));
        }
        List<String> titles = block.by().stream().map(definition::columnTitle).toList();
        return () -> TableFill.fill(block, titles, now, before);
    }

    private Supplier<BlockModel> text(Block.Text text) {
        List<Supplier<PageModel.FieldModel>> fields =
                text.fields().stream().map(this::field).toList();
        return () -> new TextModel(
                text.id(),
                text.title(),
                text.text(),
                fields.stream().map(Supplier::get).toList(),
                question.named().stream()
                        .filter(value -> text.named().contains(value.name()))
                        .toList());
    }

    private Supplier<PageModel.FieldModel> field(Block.Field field) {
        Amounts now = now(field.measure(), Dimension.none(), Dimension.none());
        Amounts before = before(field.measure(), Dimension.none(), Dimension.none(), question.before());
        return () -> {
            Optional<BigDecimal> value = now.value(ONE, ONE);
            Optional<BigDecimal> shown = Shares.shown(field.shown(), value, () -> before.value(ONE, ONE), () -> value);
            return new PageModel.FieldModel(
                    field.name(), field.shown().format(field.measure().format()), field.shown(), shown);
        };
    }

    private Supplier<BlockModel> rowTable(Block.RowTable block) {
        Pass.Picked picked = pass.rows(question.window(), block.where());
        boolean isMasked = block.where().stream().map(Filter::column).anyMatch(masked::contains);
        return () -> {
            int[] rows = isMasked ? new int[0] : picked.rows();
            return TableRows.model(block, definition, table, block.columns(), masked, rows);
        };
    }

    /** Without the values of spans that have no day with figures. */
    private List<Optional<BigDecimal>> known(Block.Trend over, List<Optional<BigDecimal>> values) {
        return only(over, values, coverage::touches);
    }

    /** Without the values of spans that lack figures for some of their days up to the window's end, too: they are no fall. */
    private List<Optional<BigDecimal>> whole(Block.Trend over, List<Optional<BigDecimal>> values) {
        boolean lacksDays = coverage.missing(question.window()).isPresent();
        return only(
                over,
                values,
                (first, last) -> coverage.touches(first, last) && !(lacksDays && last.isAfter(coverage.to())));
    }

    /** The values of spans that their first and last day speak for. */
    private List<Optional<BigDecimal>> only(
            Block.Trend over, List<Optional<BigDecimal>> values, BiPredicate<LocalDate, LocalDate> days) {
        List<LocalDate> starts = starts(over);
        return IntStream.range(0, starts.size())
                .mapToObj(i -> days.test(
                                starts.get(i),
                                over.grain().plus(starts.get(i), 1).minusDays(1))
                        ? values.get(i)
                        : Optional.<BigDecimal>empty())
                .toList();
    }

    private Dimension spans(Block.Trend over) {
        return Dimension.spans(starts(over));
    }

    private List<LocalDate> starts(Block.Trend over) {
        return over.grain().last(over.spans(), question.window().toInclusive(), question.firstDayOfWeek());
    }

    private Window spanWindow(Block.Trend over) {
        return question.window().since(starts(over).get(0));
    }
}
