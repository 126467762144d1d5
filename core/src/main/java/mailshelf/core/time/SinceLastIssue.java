package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZonedDateTime;
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

    private static final String CODE = "since-last-issue";
    private static final String FROM = CODE + "/";

    /** Reads a code; empty where it is none. */
    static Optional<SinceLastIssue> read(String code) {
        if (code.equals(CODE)) {
            return Optional.of(new SinceLastIssue(Optional.empty()));
        }
        return code.startsWith(FROM)
                ? IsoDay.read(code.substring(FROM.length())).map(day -> new SinceLastIssue(Optional.of(day)))
                : Optional.empty();
    }

    @Override
    public Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        LocalDate day = now.toLocalDate();
        LocalDate first = from.orElse(day.minusDays(FIRST));
        LocalDate last = day.minusDays(1);
        if (first.isAfter(last)) {
            return new Window(day, day);
        }
        return new Window(first, last);
    }

    @Override
    public Window beforeThat(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return on(now, firstDayOfWeek).before();
    }

    @Override
    public Window yearAgo(Window window) {
        return window.weeksAgo(CalendarPeriod.WEEKS_OF_YEAR);
    }

    @Override
    public String code() {
        return from.map(day -> FROM + day).orElse(CODE);
    }
}
