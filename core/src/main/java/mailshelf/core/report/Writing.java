package mailshelf.core.report;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.IsoFields;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Filter;
import mailshelf.core.report.PageModel.BlockModel;
import mailshelf.core.report.PageModel.ChartModel;
import mailshelf.core.report.PageModel.FigureModel;
import mailshelf.core.report.PageModel.TableModel;
import mailshelf.core.report.PageModel.TextModel;
import mailshelf.core.time.Grain;
import mailshelf.core.time.Period;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.Figures;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.PeriodWords;
import mailshelf.core.wording.Words;

/** Writes a {@link PageModel} out in one language and zone. */
public final class Writing {
    private static final int MOST_VALUES = 4;

    /** No place in a list. */
    private static final int NONE = -1;

    private final Words words;
    private final Figures figures;
    private final Dates dates;

    private final ZoneId zone;
    private final TableWriting tables;

    /** @param year in which days are read, which need not say it */
    private Writing(Words words, ZoneId zone, int year) {
        this.words = words;
        this.figures = words.figures();
        this.dates = words.dates(zone);
        this.zone = zone;
        this.tables = new TableWriting(words, zone, year);
    }

    public static Written.Page page(PageModel model, Words words, ZoneId zone) {
        return new Writing(words, zone, model.window().toInclusive().getYear()).page(model);
    }

    /** What a mark or a line of a block is called. */
    public static String label(Block block, String raw, Words words, ZoneId zone) {
        Optional<Grain> grain =
                block instanceof Block.Chart chart ? chart.over().map(Block.Trend::grain) : Optional.empty();
        return new Writing(words, zone, 0).category(raw, grain);
    }

    /**
     * One table alone.
     *
     * @param window of the page that it is of
     */
    public static Written.Table table(TableModel model, Window window, Words words, ZoneId zone) {
        return new TableWriting(words, zone, window.toInclusive().getYear()).table(model);
    }

    private Written.Page page(PageModel model) {
        Period period = Period.parse(model.period()).orElseThrow();
        Optional<String> gap = gap(model);
        String beforeWords = PeriodWords.before(period, gap.isPresent(), words);
        return new Written.Page(
                model.report(),
                model.pageId(),
                model.page(),
                model.pageNumber(),
                showing(model, period),
                freshness(model),
                model.rows(),
                blocks(model, FigureModel.class, figure -> figure(figure, beforeWords, gap)),
                blocks(model, ChartModel.class, chart -> chart(chart, model, gap)),
                blocks(model, TableModel.class, tables::table),
                blocks(model, TextModel.class, text -> text(text, model)),
                List.of(),
                model.blocks().stream().map(BlockModel::id).toList());
    }

    private static <B extends BlockModel, W> List<W> blocks(PageModel model, Class<B> type, Function<B, W> write) {
        return model.blocks().stream()
                .filter(type::isInstance)
                .map(type::cast)
                .map(write)
                .toList();
    }

    private String showing(PageModel model, Period period) {
        List<String> parts = new ArrayList<>();
        String days = dates.fullWindow(model.window());
        parts.add(
                PeriodWords.of(period, words).map(named -> days + ", " + named).orElse(days));
        for (Filter filter : model.filters()) {
            parts.add(new FilterWords(words, Integer.MAX_VALUE).of(filter));
        }
        limits(model.allowed(), words).forEach(parts::add);
        if (!model.masked().isEmpty()) {
            parts.add(words.say("page.masked", words.list(model.masked())));
        }
        return String.join(" · ", parts);
    }

    /** What row rules limit a page to, in words: one for each rule. */
    public static List<String> limits(List<Allowed> allowed, Words words) {
        return allowed.stream().map(rule -> limit(rule, words)).toList();
    }

    private static String limit(Allowed rule, Words words) {
        List<String> values = rule.values().stream().map(OneLine::of).toList();
        return values.isEmpty()
                ? words.say("page.allowed.nothing")
                : words.say("page.allowed", words.shortList(values, MOST_VALUES));
    }

    /** "figures to 24 Nov, loaded Wed 25 Nov, 05:40"; "…; the load of Thu 26 Nov, 05:40 failed". */
    public static String freshness(PageModel.Freshness freshness, Words words, ZoneId zone) {
        Dates dates = words.dates(zone);
        String loaded = freshness
                .figuresTo()
                .map(day -> words.say("page.freshness", dates.day(day), dates.moment(freshness.loadedAt())))
                .orElseGet(() -> words.say("page.no-data"));
        return freshness
                .failedAt()
                .map(at -> words.say("page.stale", loaded, dates.moment(at)))
                .orElse(loaded);
    }

    private String freshness(PageModel model) {
        String freshness = freshness(model.freshness(), words, zone);
        return missing(model)
                .map(days -> words.say("page.with-missing", freshness, days))
                .orElse(freshness);
    }

    /** "no figures yet for 23–29 Nov 2026"; empty where figures reach to the window's end. */
    private Optional<String> missing(PageModel model) {
        return covered(model)
                .flatMap(to -> new Coverage(LocalDate.MIN, to).missing(model.window()))
                .map(days -> words.say("page.missing", dates.fullWindow(days)));
    }

    /** The same with the day that they end on, where nothing else says it. */
    private Optional<String> gap(PageModel model) {
        return missing(model).flatMap(days -> covered(model).map(to -> words.say("page.gap", days, dates.day(to))));
    }

    /** The last day with figures; empty where it is not told, or was not told apart when the page was made. */
    private static Optional<LocalDate> covered(PageModel model) {
        return model.schema() < PageModel.TELLS_NONE_FROM_ZERO
                ? Optional.empty()
                : model.freshness().figuresTo();
    }

    private Written.Text text(TextModel text, PageModel model) {
        return new Written.Text(
                text.id(), text.title(), MergeText.filled(text.text(), name -> field(name, text, model)));
    }

    private String field(String name, TextModel text, PageModel model) {
        return text.fields().stream()
                .filter(field -> field.name().equals(name))
                .findFirst()
                .map(this::field)
                .orElseGet(() -> switch (name) {
                    case "days" -> dates.fullWindow(model.window());
                    case "figures to" ->
                        model.freshness().figuresTo().map(dates::fullDay).orElse(Figures.NOTHING);
                    default ->
                        MergeText.namedValue(name)
                                .map(value -> named(value, text))
                                .orElse("{" + name + "}");
                });
    }

    private String named(String name, TextModel text) {
        FilterWords readable = new FilterWords(words, Integer.MAX_VALUE);
        return text.named().stream()
                .filter(value -> value.name().equals(name))
                .map(readable::value)
                .filter(written -> !written.isEmpty())
                .findFirst()
                .orElse(Figures.NOTHING);
    }

    private String field(PageModel.FieldModel field) {
        Format format = field.format();
        return field.value()
                .map(value -> field.shown().isChange()
                        ? shortChange(round(value, format.decimals()), format, field.shown())
                        : figures.withUnit(value, format.decimals(), format.unit()))
                .orElse(Figures.NOTHING);
    }

    private Written.Figure figure(FigureModel figure, String periodBefore, Optional<String> gap) {
        boolean yearAgo = figure.against() == Block.Against.YEAR_AGO;
        String beforeWords = yearAgo ? words.say("figure.year-ago") : periodBefore;
        Format format = figure.format();
        String value = figure.value()
                .map(v -> figures.withUnit(v, format.decimals(), format.unit()))
                .orElse(Figures.NOTHING);
        Optional<BigDecimal> change = difference(figure.value(), figure.before(), format.decimals());
        Written.Verdict verdict = change.map(by -> verdict(by, format.good())).orElse(Written.Verdict.NEITHER);
        return new Written.Figure(
                figure.id(),
                figure.title(),
                value,
                change.map(by -> changeWords(by, format, beforeWords))
                        .or(() -> gap)
                        .orElseGet(() ->
                                yearAgo ? words.say("figure.no-year-ago") : words.say("figure.no-before", beforeWords)),
                change.map(by -> shortChange(by, format, Shown.CHANGE)).orElse(Figures.NOTHING),
                verdict,
                verdict == Written.Verdict.NEITHER ? "" : words.say("verdict." + verdict.name()),
                figure.trend().stream().map(Writing::asDouble).toList());
    }

    /** Rounded after it is taken, as anybody who computes it anew from the data does. */
    private static Optional<BigDecimal> difference(
            Optional<BigDecimal> value, Optional<BigDecimal> before, int decimals) {
        return value.flatMap(now -> before.map(then -> round(now.subtract(then), decimals)));
    }

    static BigDecimal round(BigDecimal value, int decimals) {
        return value.setScale(decimals, RoundingMode.HALF_UP);
    }

    private String changeWords(BigDecimal by, Format format, String beforeWords) {
        return by.signum() == 0
                ? words.say("figure.same", beforeWords)
                : words.say("figure.than", shortChange(by, format, Shown.CHANGE), beforeWords);
    }

    private String shortChange(BigDecimal by, Format format, Shown shown) {
        if (by.signum() == 0) {
            return words.say("figure.unchanged");
        }
        boolean isOfShares = format.unit().equals("%") && shown != Shown.CHANGE_IN_PERCENT;
        String amount = isOfShares
                ? words.say("figure.points", figures.number(by.abs(), format.decimals()))
                : figures.withUnit(by.abs(), format.decimals(), format.unit());
        return words.say(by.signum() > 0 ? "figure.more" : "figure.less", amount);
    }

    static Written.Verdict verdict(BigDecimal change, Good good) {
        if (change.signum() == 0 || good == Good.NEITHER) {
            return Written.Verdict.NEITHER;
        }
        return (change.signum() > 0) == (good == Good.MORE) ? Written.Verdict.BETTER : Written.Verdict.WORSE;
    }

    private Written.Chart chart(ChartModel chart, PageModel model, Optional<String> gap) {
        Format format = chart.format();
        String unit = format.unit().isEmpty() ? "" : ", " + format.unit();
        LocalDate end = covered(model)
                .filter(to -> to.isBefore(model.window().toInclusive()))
                .orElse(model.window().toInclusive());
        int partly = chart.grain().map(grain -> partly(chart, grain, end)).orElse(NONE);
        boolean hasNothing = chart.series().stream()
                .allMatch(series -> series.values().stream().allMatch(Optional::isEmpty));
        return new Written.Chart(
                chart.id(),
                chart.title() + unit + (partly == NONE ? "" : words.say("chart.unfinished", dates.day(end))),
                chart.kind(),
                chart.grain().isPresent(),
                chart.categories(),
                chart.categories().stream()
                        .map(raw -> category(raw, chart.grain()))
                        .toList(),
                ticks(chart),
                chart.series().stream().map(series -> series(series, format)).toList(),
                partly,
                hasNothing ? gap.orElseGet(() -> words.say("chart.nothing")) : "");
    }

    /** The place of the span that figures end within: its value is no fall. */
    private static int partly(ChartModel chart, Grain grain, LocalDate end) {
        for (int i = chart.categories().size() - 1; i >= 0; i--) {
            LocalDate start = LocalDate.parse(chart.categories().get(i));
            if (!start.isAfter(end)) {
                return grain.plus(start, 1).isAfter(end.plusDays(1)) ? i : NONE;
            }
        }
        return NONE;
    }

    private List<Written.Tick> ticks(ChartModel chart) {
        boolean bars = chart.kind() != Block.ChartKind.LINE;
        // parts that are a hundred together may come to a trifle more, and would ask for another rule
        boolean shares = chart.kind() == Block.ChartKind.SHARE;
        List<Double> values = shares ? List.of(100.0) : bars ? stacked(chart) : single(chart);
        double lowest = values.stream().mapToDouble(v -> v).min().orElse(0);
        double highest = values.stream().mapToDouble(v -> v).max().orElse(0);
        int decimals = chart.format().decimals();
        return Scale.ticks(bars ? Math.min(0, lowest) : lowest, bars ? Math.max(0, highest) : highest, decimals)
                .stream()
                .map(tick -> new Written.Tick(
                        tick.doubleValue(),
                        figures.number(
                                tick, Math.max(0, tick.stripTrailingZeros().scale()))))
                .toList();
    }

    private static List<Double> single(ChartModel chart) {
        return chart.series().stream()
                .flatMap(series -> series.values().stream())
                .flatMap(Optional::stream)
                .map(BigDecimal::doubleValue)
                .toList();
    }

    /** The heights of whole bars. */
    private static List<Double> stacked(ChartModel chart) {
        List<Double> heights = new ArrayList<>();
        for (int category = 0; category < chart.categories().size(); category++) {
            double height = 0;
            for (PageModel.Series series : chart.series()) {
                height += series.values()
                        .get(category)
                        .map(BigDecimal::doubleValue)
                        .orElse(0.0);
            }
            heights.add(height);
        }
        return heights;
    }

    private Written.Series series(PageModel.Series series, Format format) {
        return new Written.Series(
                series.name().isEmpty() ? "" : value(series.name(), words),
                series.values().stream().map(Writing::asDouble).toList(),
                series.values().stream()
                        .map(value -> value.map(v -> figures.withUnit(v, format.decimals(), format.unit()))
                                .orElse(Figures.NOTHING))
                        .toList());
    }

    private String category(String raw, Optional<Grain> grain) {
        if (grain.isEmpty()) {
            return value(raw, words);
        }
        LocalDate start = LocalDate.parse(raw);
        return switch (grain.get()) {
            case DAY, WEEK -> dates.day(start);
            case MONTH -> dates.month(start);
            case QUARTER -> words.say("quarter", start.get(IsoFields.QUARTER_OF_YEAR), String.valueOf(start.getYear()));
            case HALF_YEAR ->
                words.say("half-year", start.getMonthValue() > 1 ? 2 : 1, String.valueOf(start.getYear()));
            case YEAR -> String.valueOf(start.getYear());
        };
    }

    /** A value of a column as a name of something. */
    static String value(String raw, Words words) {
        if (raw.isEmpty()) {
            return words.say("value.none");
        }
        return raw.equals(Evaluation.REST) ? words.say("chart.rest") : OneLine.of(raw);
    }

    private static Double asDouble(Optional<BigDecimal> value) {
        return value.map(BigDecimal::doubleValue).orElse(null);
    }
}
