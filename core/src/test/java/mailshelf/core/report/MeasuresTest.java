package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Plainly;
import mailshelf.core.data.Table;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Every measure, and every way of showing one, against loops over raw rows. */
class MeasuresTest {
    private static final String HEAD = """
            report: Passengers
            about: How many there were.
            data: sailings
            filters: [route, size]
            compute:
              size: 'if passengers >= 100 then "large" else if passengers is missing then "none" else "small"'
              takings: passengers * fare
            measures:
              all: {title: Sailings, count: rows}
              passengers: {title: Passengers, sum: passengers, good: more}
              causes: {title: Causes, distinct: cause}
              windy: {title: Days with wind, distinct: date, where: {cause: wind}}
              least: {title: Least, least: passengers}
              greatest: {title: Greatest, greatest: fare, decimals: 2}
              median: {title: Median, median: passengers, decimals: 1}
              high: {title: High, percentile 90: fare, decimals: 2}
              full: {title: Full, count: rows, where: passengers > 150 and fare < 30}
              takings: {title: Takings, sum: takings, unit: NOK}
              fare: {title: Mean fare, average: fare, decimals: 2}
              part: {title: Part, ratio: [full, all], unit: "%", decimals: 1}
            pages:
              - page: All
                blocks:
            """;

    @Property(tries = 40, seed = "20261126")
    void each_agrees_with_plain_loops(@ForAll @IntRange(max = 1000) int seed, @ForAll @IntRange(max = 2) int filter) {
        Table table = Ferries.table(seed);
        List<Filter> filters = filter == 2
                ? List.of()
                : List.of(Filter.anyOf("route", List.of(table.values("route").get(filter))));
        PageModel page = page(
                table,
                "last-4-weeks",
                filters,
                "{figure: causes}",
                "{figure: windy}",
                "{figure: least}",
                "{figure: greatest}",
                "{figure: median}",
                "{figure: high}",
                "{figure: full}",
                "{figure: takings, against: year ago}");
        Rows now = new Rows(table, page.window(), filters);

        assertThat(value(page, 0))
                .contains(BigDecimal.valueOf(
                        now.texts("cause").stream().distinct().count()));
        assertThat(value(page, 1))
                .contains(BigDecimal.valueOf(
                        now.where(row -> table.raw("cause", row).equals("wind")).texts("date").stream()
                                .distinct()
                                .count()));
        assertThat(value(page, 2)).isEqualTo(now.numbers("passengers").stream().min(BigDecimal::compareTo));
        assertThat(value(page, 3)).isEqualTo(now.numbers("fare").stream().max(BigDecimal::compareTo));
        assertThat(plain(value(page, 4))).isEqualTo(plain(percentile(now.numbers("passengers"), 50)));
        assertThat(plain(value(page, 5))).isEqualTo(plain(percentile(now.numbers("fare"), 90)));
        assertThat(value(page, 6))
                .contains(BigDecimal.valueOf(
                        now.where(row -> number(table, "passengers", row) > 150 && number(table, "fare", row) < 30)
                                .size()));
        assertThat(value(page, 7)).contains(now.takings());
        assertThat(((PageModel.FigureModel) page.blocks().get(7)).before())
                .as("the rows begin less than a year ago")
                .isEmpty();
    }

    private static Optional<String> plain(Optional<BigDecimal> value) {
        return value.map(number -> number.stripTrailingZeros().toPlainString());
    }

    @Test
    void groups_stand_within_groups_under_their_sum_and_what_is_beyond_a_limit_stands_out() {
        Table table = Ferries.table(3);
        PageModel page = page(
                table,
                "last-4-weeks",
                List.of(),
                "{table: [route, cause], title: T, measures: [passengers, running total of passengers, "
                        + "share of passengers, change of passengers], sort: passengers, top: 1, "
                        + "emphasis: {passengers: over 300, change of passengers: under 0}}");
        PageModel.TableModel shown = (PageModel.TableModel) page.blocks().get(0);
        BigDecimal whole = new Rows(table, page.window(), List.of()).sum("passengers");

        BigDecimal ofRoutes = BigDecimal.ZERO;
        BigDecimal ofCauses = BigDecimal.ZERO;
        for (int i = 0; i < shown.rows().size(); i++) {
            List<String> row = shown.rows().get(i);
            boolean isSum = shown.subtotals().contains(i);
            List<Filter> where = new ArrayList<>();
            if (row.get(0).equals("…")) {
                where.add(new Filter(
                        "route",
                        Filter.Test.NONE_OF,
                        List.of(shown.rows().get(0).get(0))));
            } else {
                where.add(Filter.anyOf("route", List.of(row.get(0))));
            }
            if (!isSum) {
                where.add(
                        row.get(1).isEmpty()
                                ? new Filter("cause", Filter.Test.EMPTY, List.of())
                                : Filter.anyOf("cause", List.of(row.get(1))));
            }
            BigDecimal now = new Rows(table, page.window(), where).sum("passengers");
            BigDecimal before = new Rows(table, page.before(), where).sum("passengers");
            ofRoutes = isSum ? ofRoutes.add(now) : ofRoutes;
            ofCauses = isSum ? ofCauses : ofCauses.add(now);
            assertThat(row.subList(2, 6))
                    .as("%s", row)
                    .containsExactly(
                            now.toPlainString(),
                            (isSum ? ofRoutes : ofCauses).toPlainString(),
                            percent(now, whole),
                            now.subtract(before).toPlainString());
        }
        assertThat(shown.subtotals()).hasSize(2).startsWith(0);
        assertThat(shown.total().get(2)).isEqualTo(whole.toPlainString());

        Written.Table written = written(page).tables().get(0);
        for (int i = 0; i < written.rows().size(); i++) {
            List<Written.Cell> cells = written.rows().get(i);
            List<String> row = shown.rows().get(i);
            assertThat(cells.get(2).weight() == Written.Weight.BEYOND)
                    .isEqualTo(new BigDecimal(row.get(2)).compareTo(BigDecimal.valueOf(300)) > 0);
            assertThat(cells.get(5).weight() == Written.Weight.BEYOND)
                    .isEqualTo(new BigDecimal(row.get(5)).signum() < 0);
        }
        assertThat(written.note()).isEqualTo("•\u00a0Passengers over 300 and Passengers, change under 0");
        assertThat(written.rows().get(0).get(1))
                .isEqualTo(new Written.Cell("all", Written.Verdict.NEITHER, Written.Weight.SUM));
        assertThat(written.rows().get(1).get(0).text()).isEmpty();
        assertThat(written.keys().get(0)).hasSize(1);
        assertThat(written.keys().get(1)).hasSize(2);
    }

    @Test
    void a_table_shows_measures_in_every_way_and_its_total_is_of_all_rows() {
        Table table = Ferries.table(3);
        PageModel page = page(
                table,
                "last-4-weeks",
                List.of(),
                "{table: route, title: T, measures: [passengers, share of passengers, running total of passengers, "
                        + "change of passengers, change in % of passengers, median, causes]}");
        PageModel.TableModel shown = (PageModel.TableModel) page.blocks().get(0);

        BigDecimal whole = new Rows(table, page.window(), List.of()).sum("passengers");
        BigDecimal sofar = BigDecimal.ZERO;
        for (List<String> row : shown.rows()) {
            List<Filter> route = List.of(Filter.anyOf("route", List.of(row.get(0))));
            BigDecimal now = new Rows(table, page.window(), route).sum("passengers");
            BigDecimal before = new Rows(table, page.before(), route).sum("passengers");
            sofar = sofar.add(now);
            assertThat(row.subList(1, 6))
                    .containsExactly(
                            now.toPlainString(),
                            percent(now, whole),
                            sofar.toPlainString(),
                            now.subtract(before).toPlainString(),
                            percent(now.subtract(before), before));
        }
        assertThat(shown.total().get(2)).isEqualTo("100");
        assertThat(new BigDecimal(shown.total().get(6)))
                .isEqualByComparingTo(percentile(new Rows(table, page.window(), List.of()).numbers("passengers"), 50)
                        .orElseThrow());
        assertThat(shown.total().get(7)).isEqualTo("3");
        assertThat(written(page).tables().get(0).heads())
                .extracting(Written.Head::title)
                .contains("Passengers, share, %", "Passengers, running total", "Passengers, change, %");
    }

    private static String percent(BigDecimal part, BigDecimal whole) {
        return part.multiply(BigDecimal.valueOf(100))
                .divide(whole, MathContext.DECIMAL64)
                .toPlainString();
    }

    @Test
    void the_largest_are_shown_and_the_others_are_one() {
        Table table = Ferries.table(4);
        PageModel page = page(
                table,
                "last-4-weeks",
                List.of(),
                "{table: route, title: T, measures: [passengers, median], sort: passengers, top: 1}",
                "{chart: bars, title: C, measure: passengers, by: route, top: 1}",
                "{table: route, title: T, measures: [passengers], sort: passengers ascending}");
        PageModel.TableModel top = (PageModel.TableModel) page.blocks().get(0);
        PageModel.ChartModel chart = (PageModel.ChartModel) page.blocks().get(1);
        PageModel.TableModel all = (PageModel.TableModel) page.blocks().get(2);

        List<BigDecimal> ascending =
                all.rows().stream().map(row -> new BigDecimal(row.get(1))).toList();
        assertThat(ascending).isSorted().hasSize(3);
        assertThat(top.rows())
                .extracting(row -> new BigDecimal(row.get(1)))
                .containsExactly(ascending.get(2), ascending.get(0).add(ascending.get(1)));
        assertThat(chart.categories()).containsExactly(top.rows().get(0).get(0), "…");
        assertThat(chart.series().get(0).values().get(1))
                .contains(ascending.get(0).add(ascending.get(1)));
        Written.Page written = written(page);
        assertThat(written.tables().get(0).rows().get(1).get(0).text()).isEqualTo("others");
        assertThat(written.charts().get(0).categories().get(1)).isEqualTo("others");
    }

    @Test
    void parts_of_a_whole_are_a_hundred_together_and_a_running_total_ends_with_the_sum() {
        Table table = Ferries.table(5);
        PageModel page = page(
                table,
                "last-4-weeks",
                List.of(),
                "{chart: share, title: S, measure: passengers, over: 6 weeks, split: route}",
                "{chart: area, title: A, measure: running total of passengers, over: 2 quarters}",
                "{chart: line, title: Y, measure: median, over: 2 years}");
        PageModel.ChartModel shares = (PageModel.ChartModel) page.blocks().get(0);
        PageModel.ChartModel running = (PageModel.ChartModel) page.blocks().get(1);

        for (int week = 0; week < 6; week++) {
            int at = week;
            BigDecimal together = shares.series().stream()
                    .flatMap(series -> series.values().get(at).stream())
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            assertThat(together.setScale(9, RoundingMode.HALF_UP)).isEqualByComparingTo("100");
        }
        List<Optional<BigDecimal>> totals = running.series().get(0).values();
        assertThat(totals.get(1).orElseThrow())
                .isEqualByComparingTo(new Rows(table, running.window(), List.of()).sum("passengers"));
        assertThat(written(page).charts().get(1).categories()).containsExactly("Q3 2026", "Q4 2026");
        assertThat(written(page).charts().get(2).categories()).containsExactly("2025", "2026");
    }

    @Test
    void a_text_says_its_figures_in_words_and_numbers() {
        PageModel page = page(
                Ferries.table(6),
                "last-week",
                List.of(),
                "{text: 'In {days}, {full} of {all} were full ({part}); {change of all} than before, to {figures to}.'}",
                "{figure: full}",
                "{figure: part}");
        Written.Page written = written(page);

        assertThat(written.texts().get(0).text())
                .isEqualTo("In 16–22 Nov 2026, " + written.figures().get(0).value() + " of 21 were full ("
                        + written.figures().get(1).value() + "); unchanged than before, to 24 Nov 2026.");
    }

    @Test
    void a_computed_column_is_filtered_by_like_any_other() {
        Table table = Ferries.table(7);
        PageModel page = page(
                table,
                "last-4-weeks",
                List.of(Filter.anyOf("size", List.of("large"))),
                "{figure: all}",
                "{figure: least}");

        assertThat(value(page, 1).orElseThrow()).isGreaterThanOrEqualTo(BigDecimal.valueOf(100));
        assertThat(value(page, 0))
                .contains(BigDecimal.valueOf(new Rows(table, page.window(), List.of())
                        .where(row -> number(table, "passengers", row) >= 100)
                        .size()));
    }

    private static PageModel page(Table table, String period, List<Filter> filters, String... blocks) {
        StringBuilder yaml = new StringBuilder(HEAD);
        for (String block : blocks) {
            yaml.append("      - ").append(block).append('\n');
        }
        Definition definition = DefinitionReader.read(yaml.toString(), Ferries.COLUMNS);
        return Evaluation.page(
                definition, definition.pages().get(0), Ferries.all(table), Ferries.question(period, table, filters));
    }

    private static Written.Page written(PageModel page) {
        return Writing.page(page, Words.in(Locale.ENGLISH), ZoneId.of("Europe/Oslo"));
    }

    private static Optional<BigDecimal> value(PageModel page, int block) {
        return ((PageModel.FigureModel) page.blocks().get(block)).value();
    }

    private static double number(Table table, String column, int row) {
        String raw = table.raw(column, row);
        return raw.isEmpty() ? Double.NaN : Double.parseDouble(raw);
    }

    /** As the textbook has it: the value at (n - 1) × p, between two in proportion. */
    private static Optional<BigDecimal> percentile(List<BigDecimal> values, int percent) {
        if (values.isEmpty()) {
            return Optional.empty();
        }
        List<BigDecimal> sorted = values.stream().sorted().toList();
        double place = (sorted.size() - 1) * percent / 100.0;
        BigDecimal lower = sorted.get((int) Math.floor(place));
        BigDecimal upper = sorted.get((int) Math.ceil(place));
        BigDecimal part = BigDecimal.valueOf((long) (sorted.size() - 1) * percent % 100, 2);
        return Optional.of(lower.add(upper.subtract(lower).multiply(part)));
    }

    /** Rows in a window that pass filters, one by one. */
    private record Rows(Table table, List<Integer> rows) {
        Rows(Table table, Window window, List<Filter> filters) {
            this(
                    table,
                    IntStream.range(0, table.rows())
                            .filter(row -> window.contains(LocalDate.parse(table.raw("date", row))))
                            .filter(row -> Plainly.passes(filters, table, row))
                            .boxed()
                            .toList());
        }

        Rows where(Predicate<Integer> test) {
            return new Rows(table, rows.stream().filter(test).toList());
        }

        int size() {
            return rows.size();
        }

        List<String> texts(String column) {
            return rows.stream()
                    .map(row -> table.raw(column, row))
                    .filter(raw -> !raw.isEmpty())
                    .toList();
        }

        List<BigDecimal> numbers(String column) {
            return new ArrayList<>(texts(column).stream().map(BigDecimal::new).toList());
        }

        BigDecimal sum(String column) {
            return numbers(column).stream().reduce(BigDecimal.ZERO, BigDecimal::add);
        }

        BigDecimal takings() {
            return rows.stream()
                    .filter(row -> !table.raw("passengers", row).isEmpty())
                    .map(row -> new BigDecimal(table.raw("passengers", row))
                            .multiply(new BigDecimal(table.raw("fare", row))))
                    .reduce(BigDecimal.valueOf(0, 2), BigDecimal::add);
        }
    }
}
