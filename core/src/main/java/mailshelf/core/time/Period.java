package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Optional;

/**
 * Which days a page is about, said in a way that can move: resolved to dates only at the moment of reading or sending.
 * Its code is what addresses and stored terms hold: {@code last-week}, or an ISO 8601 interval
 * {@code 2026-11-01/2026-11-30} for fixed dates; {@code since-last-issue} goes on where the issue before ended.
 */
public sealed interface Period permits CalendarPeriod, FixedPeriod, SinceLastIssue {
    /** The days meant on {@code day} (the day of reading or sending, in the subscription's zone). */
    Window on(LocalDate day, DayOfWeek firstDayOfWeek);

    /** The days that the period is compared with. */
    Window beforeThat(LocalDate day, DayOfWeek firstDayOfWeek);

    /**
     * The same days a year ago; periods of days or weeks go back 52 weeks, so that Mondays are compared with Mondays.
     *
     * @param window what it resolves to
     */
    default Window yearAgo(Window window) {
        return window.yearAgo();
    }

    /** Stable text form, read back by {@link #parse}. */
    String code();

    /** Reads a code; empty where it is none. */
    static Optional<Period> parse(String code) {
        Optional<CalendarPeriod> moving = CalendarPeriod.read(code);
        if (moving.isPresent()) {
            return Optional.of(moving.get());
        }
        if (code.equals(SinceLastIssue.CODE)) {
            return Optional.of(new SinceLastIssue(Optional.empty()));
        }
        int slash = code.indexOf('/');
        if (slash < 0) {
            return Optional.empty();
        }
        Optional<LocalDate> to = IsoDay.read(code.substring(slash + 1));
        if (code.substring(0, slash).equals(SinceLastIssue.CODE)) {
            return to.map(day -> new SinceLastIssue(Optional.of(day)));
        }
        return IsoDay.read(code.substring(0, slash))
                .flatMap(from -> to.filter(day -> !day.isBefore(from)).map(day -> new FixedPeriod(from, day)));
    }
}
