package mailshelf.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PeriodTest {
    @ParameterizedTest
    @CsvSource({
        "last-week, 2026-11-25, MONDAY, 2026-11-16, 2026-11-22",
        "last-week, 2026-11-25, SUNDAY, 2026-11-15, 2026-11-21",
        "last-4-weeks, 2026-11-23, MONDAY, 2026-10-26, 2026-11-22",
        "this-month, 2026-11-25, MONDAY, 2026-11-01, 2026-11-25",
        "last-month, 2026-03-31, MONDAY, 2026-02-01, 2026-02-28"
    })
    void means_these_days(String code, LocalDate day, DayOfWeek first, LocalDate from, LocalDate to) {
        assertThat(Period.parse(code).orElseThrow().on(day, first)).isEqualTo(new Window(from, to));
    }

    @Test
    void this_month_is_compared_with_the_same_days_of_a_shorter_month_as_far_as_it_goes() {
        assertThat(MovingPeriod.THIS_MONTH.beforeThat(LocalDate.of(2026, 3, 31), DayOfWeek.MONDAY))
                .isEqualTo(new Window(LocalDate.of(2026, 2, 1), LocalDate.of(2026, 2, 28)));
    }

    @Property(seed = "20261125")
    void last_weeks_and_last_months_tile_the_calendar(
            @ForAll @IntRange(min = 0, max = 20000) int offset, @ForAll DayOfWeek first) {
        LocalDate day = LocalDate.of(1990, 1, 1).plusDays(offset);
        Window week = MovingPeriod.LAST_WEEK.on(day, first);
        Window nextWeek = MovingPeriod.LAST_WEEK.on(day.plusWeeks(1), first);
        Window month = MovingPeriod.LAST_MONTH.on(day, first);
        Window nextMonth = MovingPeriod.LAST_MONTH.on(day.withDayOfMonth(1).plusMonths(1), first);

        assertThat(week.days()).isEqualTo(7);
        assertThat(nextWeek.fromInclusive()).isEqualTo(week.toInclusive().plusDays(1));
        assertThat(nextMonth.fromInclusive()).isEqualTo(month.toInclusive().plusDays(1));
    }

    @Property(seed = "20261125")
    void what_a_period_is_compared_with_ends_the_day_before_or_is_the_same_days_a_month_before(
            @ForAll MovingPeriod period, @ForAll @IntRange(min = 0, max = 20000) int offset) {
        LocalDate day = LocalDate.of(1990, 1, 1).plusDays(offset);
        Window window = period.on(day, DayOfWeek.MONDAY);
        Window before = period.beforeThat(day, DayOfWeek.MONDAY);

        if (period == MovingPeriod.THIS_MONTH) {
            assertThat(before.fromInclusive()).isEqualTo(window.fromInclusive().minusMonths(1));
            assertThat(before.days()).isLessThanOrEqualTo(window.days());
        } else {
            assertThat(before.toInclusive()).isEqualTo(window.fromInclusive().minusDays(1));
        }
    }

    @Test
    void codes_are_read_back() {
        Period fixed = new FixedPeriod(LocalDate.of(2026, 1, 1), LocalDate.of(2026, 1, 31));

        assertThat(Period.parse(fixed.code())).contains(fixed);
        assertThat(Period.parse("last-month")).contains(MovingPeriod.LAST_MONTH);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "yesterday-ish", "2026-02-30/2026-03-01", "2026-03-02/2026-03-01", "/"})
    void what_is_no_period_is_refused(String code) {
        assertThat(Period.parse(code)).isEmpty();
    }
}
