package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;

/** Spans of the calendar that periods, charts and trends go by. */
public enum Grain {
    DAY,
    WEEK,
    MONTH,
    QUARTER,
    HALF_YEAR,
    YEAR;

    private static final int MONTHS_OF_HALF_YEAR = 6;

    /** The first day of the span that a day lies in. */
    public LocalDate startOf(LocalDate day, DayOfWeek firstDayOfWeek) {
        return switch (this) {
            case DAY -> day;
            case WEEK -> day.with(TemporalAdjusters.previousOrSame(firstDayOfWeek));
            case MONTH -> day.withDayOfMonth(1);
            case QUARTER -> day.with(day.getMonth().firstMonthOfQuarter()).withDayOfMonth(1);
            case HALF_YEAR ->
                day.getMonthValue() > MONTHS_OF_HALF_YEAR
                        ? day.withDayOfMonth(1).withMonth(MONTHS_OF_HALF_YEAR + 1)
                        : day.withDayOfYear(1);
            case YEAR -> day.withDayOfYear(1);
        };
    }

    public LocalDate plus(LocalDate start, int spans) {
        return switch (this) {
            case DAY -> start.plusDays(spans);
            case WEEK -> start.plusWeeks(spans);
            case MONTH -> start.plusMonths(spans);
            case QUARTER -> start.plusMonths(3L * spans);
            case HALF_YEAR -> start.plusMonths((long) MONTHS_OF_HALF_YEAR * spans);
            case YEAR -> start.plusYears(spans);
        };
    }

    /** The first days of the last {@code count} spans up to the one that {@code lastDay} lies in, oldest first. */
    public List<LocalDate> last(int count, LocalDate lastDay, DayOfWeek firstDayOfWeek) {
        LocalDate newest = startOf(lastDay, firstDayOfWeek);
        List<LocalDate> starts = new ArrayList<>(count);
        for (int back = count - 1; back >= 0; back--) {
            starts.add(plus(newest, -back));
        }
        return starts;
    }

    /** The first days of all spans that touch a window, oldest first. */
    public List<LocalDate> covering(Window window, DayOfWeek firstDayOfWeek) {
        List<LocalDate> starts = new ArrayList<>();
        LocalDate start = startOf(window.fromInclusive(), firstDayOfWeek);
        while (!start.isAfter(window.toInclusive())) {
            starts.add(start);
            start = plus(start, 1);
        }
        return starts;
    }
}
