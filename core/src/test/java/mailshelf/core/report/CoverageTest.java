package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.report.PageModel.ChartModel;
import mailshelf.core.report.PageModel.FigureModel;
import mailshelf.core.report.PageModel.TableModel;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** Data that end before the period does, or begin after it did: nothing is known of the other days, which is not 0. */
class CoverageTest {
    private static final List<String> PERIODS = List.of(
            "last-week", "this-week", "whole-week", "last-4-weeks", "this-month", "last-month", "today", "yesterday");

    /** TODAY is a Wednesday. */
    private static final LocalDate TODAY = Ferries.TODAY;

    /** One cancelled sailing a day. */
    private static Table sailings(LocalDate first, LocalDate last) {
        TableBuilder rows = new TableBuilder(Ferries.COLUMNS, Optional.of("date"));
        for (LocalDate day = first; !day.isAfter(last); day = day.plusDays(1)) {
            assertThat(rows.add(List.of(day.toString(), "1 Ness–Hovden", "yes", "wind", "100", "10.00")))
                    .isEqualTo(-1);
        }
        return rows.build();
    }

    private static PageModel page(String period, LocalDate first, LocalDate last) {
        Table table = sailings(first, last);
        return Evaluation.page(
                Ferries.definition(),
                Ferries.definition().pages().get(0),
                Ferries.all(table),
                Ferries.question(period, table, List.of()));
    }

    private static Written.Page written(PageModel model) {
        return Writing.page(model, Words.in(Locale.ENGLISH), ZoneOffset.UTC);
    }

    private static FigureModel cancelled(PageModel page) {
        return (FigureModel) page.blocks().get(0);
    }

    @Property(tries = 1000, seed = "20261130")
    void values_are_there_for_days_with_figures_alone_and_compared_only_with_as_many(
            @ForAll @IntRange(max = 7) int period,
            @ForAll @IntRange(max = 40) int missing,
            @ForAll @IntRange(min = 1, max = 90) int length) {
        LocalDate last = TODAY.minusDays(missing);
        LocalDate first = last.minusDays(length - 1);
        PageModel page = page(PERIODS.get(period), first, last);
        long known = days(page.window(), first, last);

        assertThat(cancelled(page).value())
                .isEqualTo(known == 0 ? Optional.empty() : Optional.of(BigDecimal.valueOf(known)));
        cancelled(page).before().ifPresent(before -> {
            assertThat(before.longValue()).isEqualTo(page.before().days());
            assertThat(page.before().days() >= known || page.before().days() == days(page.before(), first, last))
                    .isTrue();
            assertThat(page.before().fromInclusive()).isAfterOrEqualTo(first);
        });
        boolean isOver = page.window().toInclusive().isBefore(TODAY);
        if (isOver && last.isBefore(page.window().toInclusive())) {
            assertThat(cancelled(page).before()).isEmpty();
            assertThat(written(page).figures().get(0).verdictWords()).isEmpty();
            assertThat(written(page).figures().get(0).change()).startsWith("no figures yet for ");
        }
    }

    private static long days(Window window, LocalDate first, LocalDate last) {
        return first.datesUntil(last.plusDays(1)).filter(window::contains).count();
    }

    @Test
    void a_week_without_any_figures_is_not_a_week_in_which_nothing_happened() {
        PageModel page = page("last-week", TODAY.minusDays(200), LocalDate.parse("2026-11-15"));

        Written.Page words = written(page);
        assertThat(words.figures().get(0).value()).isEqualTo("–");
        assertThat(words.figures().get(0).change()).isEqualTo("no figures yet for 16–22 Nov 2026; they end on 15 Nov");
        assertThat(words.freshness())
                .isEqualTo("figures to 15 Nov, loaded Wed 25 Nov, 04:40; no figures yet for 16–22 Nov 2026");
        assertThat(((TableModel) page.blocks().get(5)).rows())
                .allMatch(row -> row.get(1).isEmpty());
        List<Optional<BigDecimal>> weeks =
                ((ChartModel) page.blocks().get(3)).series().get(0).values();
        assertThat(weeks.get(weeks.size() - 1)).isEmpty();
        assertThat(weeks.get(weeks.size() - 2)).contains(BigDecimal.valueOf(7));
    }

    @Test
    void a_week_with_figures_for_some_days_says_which_it_lacks_and_its_bar_is_partly_there() {
        PageModel page = page("last-week", TODAY.minusDays(200), LocalDate.parse("2026-11-18"));

        Written.Page words = written(page);
        assertThat(words.figures().get(0).value()).isEqualTo("3");
        assertThat(words.figures().get(0).change()).isEqualTo("no figures yet for 19–22 Nov 2026; they end on 18 Nov");
        Written.Chart chart = words.charts().get(0);
        assertThat(chart.partly()).isEqualTo(chart.categories().size() - 1);
        assertThat(chart.title()).endsWith("(the last one to 18 Nov)");
    }

    @Test
    void a_month_that_is_not_over_is_compared_day_by_day_as_far_as_its_figures_go() {
        PageModel page = page("this-month", TODAY.minusDays(200), LocalDate.parse("2026-11-22"));

        assertThat(page.before()).isEqualTo(new Window(LocalDate.parse("2026-10-01"), LocalDate.parse("2026-10-22")));
        assertThat(written(page).figures().get(0).change()).isEqualTo("the same as the same days of the month before");
        assertThat(written(page).freshness()).contains("no figures yet for 23–25 Nov 2026");
    }

    @Test
    void days_before_the_first_row_are_nothing_to_compare_with() {
        PageModel page = page("last-week", LocalDate.parse("2026-11-12"), TODAY.minusDays(1));

        assertThat(written(page).figures().get(0).value()).isEqualTo("7");
        assertThat(written(page).figures().get(0).change()).isEqualTo("nothing to compare with in the week before");
        List<Optional<BigDecimal>> weeks =
                ((ChartModel) page.blocks().get(3)).series().get(0).values();
        assertThat(weeks.get(0)).as("half a year ago").isEmpty();
    }

    @Test
    void a_chart_with_nothing_to_draw_says_why() {
        PageModel page = page("last-week", TODAY.minusDays(3), TODAY.minusDays(1));
        PageModel before = page("last-month", TODAY.minusDays(900), TODAY.minusDays(800));

        assertThat(written(page).charts().get(0).nothing()).isEmpty();
        assertThat(written(before).charts().get(0).nothing()).startsWith("no figures yet for ");
    }
}
