package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.MathContext;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Plainly;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.Viewer;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Window;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** The engine against loops over raw rows that a child could check. */
class EvaluationTest {
    private static final List<String> PERIODS = List.of("last-week", "last-4-weeks", "this-month", "last-month");

    @Property(tries = 60, seed = "20261125")
    void figures_and_tables_agree_with_plain_loops(
            @ForAll @IntRange(max = 1000) int seed,
            @ForAll @IntRange(max = 3) int period,
            @ForAll @IntRange(max = 3) int filter) {
        Table table = Ferries.table(seed);
        List<Filter> filters = filter == 3
                ? List.of()
                : List.of(Filter.anyOf("route", List.of(table.values("route").get(filter))));
        var question = Ferries.question(PERIODS.get(period), table, filters);
        PageModel page = Evaluation.page(
                Ferries.definition(), Ferries.definition().pages().get(0), Ferries.all(table), question);
        Plain now = new Plain(table, question.window(), filters);
        Plain before = new Plain(table, question.before(), filters);

        assertThat(figure(page, "b1").value()).contains(now.cancelled());
        assertThat(figure(page, "b1").before()).contains(before.cancelled());
        assertThat(figure(page, "b2").value()).isEqualTo(now.share());
        assertThat(figure(page, "b3").value()).isEqualTo(now.meanFare());
        assertThat(page.rows()).isEqualTo(now.rows.length);
        var byRoute = (PageModel.TableModel) page.blocks().get(5);
        long sum = byRoute.rows().stream()
                .mapToLong(row -> Long.parseLong(row.get(2)))
                .sum();
        assertThat(BigDecimal.valueOf(sum)).isEqualTo(now.cancelled());
        if (!byRoute.total().isEmpty()) {
            assertThat(byRoute.total().get(3))
                    .isEqualTo(now.share().map(BigDecimal::toPlainString).orElse(""));
            assertThat(byRoute.total().get(4))
                    .isEqualTo(now.cancelled().subtract(before.cancelled()).toPlainString());
        }
    }

    @Test
    void the_last_bar_of_a_weekly_chart_is_the_period_and_its_parts_add_up_to_the_figure() {
        PageModel page = Ferries.page(1, "last-week", List.of());
        var chart = (PageModel.ChartModel) page.blocks().get(3);

        assertThat(chart.categories()).hasSize(26).endsWith("2026-11-16");
        BigDecimal last = chart.series().stream()
                .map(series -> series.values().get(25).orElseThrow())
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        assertThat(last).isEqualTo(figure(page, "b1").value().orElseThrow());
    }

    @Test
    void every_row_of_a_row_table_lies_in_the_window_and_passes_its_condition() {
        PageModel page = Ferries.page(2, "last-4-weeks", List.of());
        var rows = (PageModel.TableModel) page.blocks().get(0);

        assertThat(rows.rows()).isNotEmpty().allSatisfy(row -> {
            assertThat(page.window().contains(LocalDate.parse(row.get(0)))).isTrue();
            assertThat(row.get(2)).isNotEmpty();
        });
    }

    @Test
    void row_rules_of_the_viewer_hide_rows_like_a_filter_that_cannot_be_taken_off() {
        Table table = Ferries.table(7);
        String own = "2 Hovden–Skarv";
        Slice slice = new Slicing(table).of(new Viewer(new PersonId(2), List.of(new Allowed("route", List.of(own)))));
        Definition definition = Ferries.definition();
        List<Filter> filter = List.of(Filter.anyOf("route", List.of(own)));

        for (Definition.Page page : definition.pages()) {
            var question = Ferries.question("last-week", table, List.of());
            PageModel seen = Evaluation.page(definition, page, slice, question);
            PageModel filtered =
                    Evaluation.page(definition, page, Ferries.all(table), Ferries.question("last-week", table, filter));
            assertThat(seen.blocks()).isEqualTo(filtered.blocks());
            assertThat(seen.rows()).isEqualTo(7);
            assertThat(seen.allowed()).isEqualTo(slice.allowed());
        }
    }

    private static PageModel.FigureModel figure(PageModel page, String id) {
        return (PageModel.FigureModel) page.blocks().stream()
                .filter(b -> b.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static final class Plain {
        private final Table table;
        private final int[] rows;

        Plain(Table table, Window window, List<Filter> filters) {
            this.table = table;
            this.rows = IntStream.range(0, table.rows())
                    .filter(row -> window.contains(LocalDate.parse(table.raw("date", row))))
                    .filter(row -> Plainly.passes(filters, table, row))
                    .toArray();
        }

        BigDecimal cancelled() {
            return BigDecimal.valueOf(IntStream.of(rows)
                    .filter(row -> table.raw("cancelled", row).equals("yes"))
                    .count());
        }

        Optional<BigDecimal> share() {
            return rows.length == 0
                    ? Optional.empty()
                    : Optional.of(cancelled()
                            .multiply(BigDecimal.valueOf(100))
                            .divide(BigDecimal.valueOf(rows.length), MathContext.DECIMAL64));
        }

        Optional<BigDecimal> meanFare() {
            return rows.length == 0
                    ? Optional.empty()
                    : Optional.of(IntStream.of(rows)
                            .mapToObj(row -> new BigDecimal(table.raw("fare", row)))
                            .reduce(BigDecimal.ZERO, BigDecimal::add)
                            .divide(BigDecimal.valueOf(rows.length), MathContext.DECIMAL64));
        }
    }
}
