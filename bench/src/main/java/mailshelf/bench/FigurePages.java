package mailshelf.bench;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.ColumnType;
import mailshelf.core.report.Block;
import mailshelf.core.report.Format;
import mailshelf.core.report.Good;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Shown;
import mailshelf.core.time.Grain;
import mailshelf.core.time.Window;

/**
 * The two pages of a personal copy, every figure of them its own: on each a title, 4 figures with trend lines, 2 charts
 * of 3 × 26 points, and a table of 40 rows × 6 columns with a total.
 */
final class FigurePages {
    private static final Format COUNT = new Format("", 0, Good.LESS);
    private static final Format SHARE = new Format("%", 1, Good.MORE);
    private static final Window WEEK = new Window(LocalDate.parse("2026-11-16"), LocalDate.parse("2026-11-22"));
    private static final int SPANS = 26;
    private static final int ROWS = 40;

    private final Random random;

    private FigurePages(long seed) {
        this.random = new Random(seed);
    }

    static List<PageModel> of(long seed) {
        FigurePages pages = new FigurePages(seed);
        return List.of(pages.page(1), pages.page(2));
    }

    private PageModel page(int number) {
        List<PageModel.BlockModel> blocks = Stream.of(
                        IntStream.range(0, 4).mapToObj(this::figure),
                        Stream.of(chart(Block.ChartKind.BARS), chart(Block.ChartKind.LINE), table()))
                .<PageModel.BlockModel>flatMap(some -> some)
                .toList();
        return new PageModel(
                PageModel.SCHEMA,
                "Crossings",
                "page-" + number,
                "Crossings, part " + number,
                number,
                "last-week",
                WEEK,
                WEEK.before(),
                List.of(),
                List.of(),
                List.of(),
                new PageModel.Freshness(Optional.of(WEEK.toInclusive()), Instant.parse("2026-11-23T04:40:00Z"), 731),
                50_000,
                blocks);
    }

    private PageModel.FigureModel figure(int no) {
        return new PageModel.FigureModel(
                "figure-" + no,
                "Figure " + no,
                no % 2 == 0 ? COUNT : SHARE,
                some(),
                some(),
                Block.Against.BEFORE,
                points(12));
    }

    private PageModel.ChartModel chart(Block.ChartKind kind) {
        List<String> weeks = IntStream.range(0, SPANS)
                .mapToObj(i -> WEEK.fromInclusive().minusWeeks(SPANS - 1L - i).toString())
                .toList();
        List<PageModel.Series> series = Stream.of("Weather", "Vessel", "Crew")
                .map(name -> new PageModel.Series(name, points(SPANS)))
                .toList();
        return new PageModel.ChartModel(
                "chart-" + kind,
                "A week, by cause",
                kind,
                Shown.VALUE,
                COUNT,
                Optional.of(Grain.WEEK),
                weeks,
                new Window(LocalDate.parse(weeks.get(0)), WEEK.toInclusive()),
                series);
    }

    private PageModel.TableModel table() {
        List<PageModel.ColumnModel> columns = Stream.concat(
                        Stream.of(new PageModel.ColumnModel(
                                "Route", ColumnType.TEXT, COUNT, false, Shown.VALUE, Optional.empty())),
                        IntStream.range(0, 5)
                                .mapToObj(i -> new PageModel.ColumnModel(
                                        "Column " + i,
                                        ColumnType.NUMBER,
                                        i % 2 == 0 ? COUNT : SHARE,
                                        i == 4,
                                        i == 4 ? Shown.CHANGE : Shown.VALUE,
                                        Optional.empty())))
                .toList();
        List<List<String>> rows =
                IntStream.range(0, ROWS).mapToObj(i -> row("Route " + i)).toList();
        return new PageModel.TableModel("table", "By route", columns, Optional.empty(), rows, List.of(), row(""));
    }

    private List<String> row(String label) {
        return Stream.concat(
                        Stream.of(label),
                        points(5).stream().map(value -> value.orElseThrow().toPlainString()))
                .toList();
    }

    private List<Optional<BigDecimal>> points(int many) {
        return IntStream.range(0, many).mapToObj(i -> some()).toList();
    }

    private Optional<BigDecimal> some() {
        return Optional.of(BigDecimal.valueOf(random.nextInt(1_000_000), 1));
    }
}
