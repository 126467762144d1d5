package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * Which days a page is about, said in a way that can move: resolved to dates only at the moment of reading or sending.
 * Its code is what addresses and stored terms hold: {@code last-week}, {@code last-24-hours}, {@code yesterday@04:00}, or an
 * ISO 8601 interval {@code 2026-11-01/2026-11-30} for fixed dates; {@code since-last-issue} goes on where the issue before
 * ended.
 */
public sealed interface Period permits CalendarPeriod, FixedPeriod, FromTime, HoursPeriod, SinceLastIssue {
    /** What is meant at a moment of reading or sending, in the subscription's zone. */
    Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek);

    /** The days that the period is compared with. */
    Window beforeThat(ZonedDateTime now, DayOfWeek firstDayOfWeek);

    /**
     * The same days a year ago; periods of days or weeks go back 52 weeks, so that Mondays are compared with Mondays.
     *
     * @param window what it resolves to
     */
    default Window yearAgo(Window window) {
        return window.yearAgo();
    }

    /** Whether it begins or ends within a day, which figures of whole days cannot show. */
    default boolean isByTime() {
        return false;
    }

    /** Stable text form, read back by {@link #parse}. */
    String code();

    /** Reads a code; empty where it is none. */
    static Optional<Period> parse(String code) {
        return Stream.<Function<String, Optional<? extends Period>>>of(
                        CalendarPeriod::read,
                        HoursPeriod::read,
                        FromTime::read,
                        SinceLastIssue::read,
                        FixedPeriod::read)
                .flatMap(kind -> kind.apply(code).stream())
                .<Period>map(period -> period)
                .findFirst();
    }
}
