package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Optional;

/**
 * What the issue before did not show yet: from where it ended up to the day before sending, or that day itself where
 * nothing else is new.
 *
 * @param from the first day that is new; empty where no issue is known to have been before, when it is {@link #FIRST} days
 */
public record SinceLastIssue(Optional<LocalDate> from) implements Period {
    /** How many days the first issue shows. */
    public static final int FIRST = 7;

    static final String CODE = "since-last-issue";

    @Override
    public Window on(LocalDate day, DayOfWeek firstDayOfWeek) {
        LocalDate first = from.orElse(day.minusDays(FIRST));
        LocalDate last = day.minusDays(1);
        if (first.isAfter(last)) {
            return new Window(day, day);
        }
        return new Window(first, last);
    }

    @Override
    public Window beforeThat(LocalDate day, DayOfWeek firstDayOfWeek) {
        return on(day, firstDayOfWeek).before();
    }

    @Override
    public Window yearAgo(Window window) {
        return window.weeksAgo(CalendarPeriod.WEEKS_OF_YEAR);
    }

    @Override
    public String code() {
        return from.map(day -> CODE + "/" + day).orElse(CODE);
    }
}
