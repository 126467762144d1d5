package mailshelf.core.time;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;

/** A run of calendar days, both ends belonging to it; never empty. */
public record Window(LocalDate fromInclusive, LocalDate toInclusive) {
    public Window {
        if (toInclusive.isBefore(fromInclusive)) {
            throw new IllegalArgumentException("Window ends " + toInclusive + " before it starts " + fromInclusive);
        }
    }

    /** Number of days, at least 1. */
    public long days() {
        return ChronoUnit.DAYS.between(fromInclusive, toInclusive) + 1;
    }

    public boolean contains(LocalDate day) {
        return !day.isBefore(fromInclusive) && !day.isAfter(toInclusive);
    }

    /** The window of as many days that ends on the day before this one starts. */
    public Window before() {
        return new Window(fromInclusive.minusDays(days()), fromInclusive.minusDays(1));
    }

    /** The same dates a year earlier; where that year lacks the day, or the month has one more, to the month's end. */
    public Window yearAgo() {
        LocalDate to = toInclusive.minusYears(1);
        boolean isMonthEnd = toInclusive.plusDays(1).getDayOfMonth() == 1;
        return new Window(fromInclusive.minusYears(1), isMonthEnd ? to.withDayOfMonth(to.lengthOfMonth()) : to);
    }

    /** All days from the first of either to the last of either. */
    public Window andUpTo(Window other) {
        boolean earlier = other.fromInclusive.isBefore(fromInclusive);
        boolean later = other.toInclusive.isAfter(toInclusive);
        return new Window(earlier ? other.fromInclusive : fromInclusive, later ? other.toInclusive : toInclusive);
    }

    /** So many weeks earlier. */
    public Window weeksAgo(int weeks) {
        return new Window(fromInclusive.minusWeeks(weeks), toInclusive.minusWeeks(weeks));
    }
}
