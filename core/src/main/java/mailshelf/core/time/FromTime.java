package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A period whose days begin at a time other than midnight, and end at the same on the day after: yesterday from 04:00 is
 * the 24 hours up to four o'clock this morning.
 */
public record FromTime(CalendarPeriod days, LocalTime at) implements Period {
    private static final Pattern FORM = Pattern.compile("(.+)@([01]\\d|2[0-3]):([0-5]\\d)");

    /** Reads a code; empty where it is none. Days that begin at midnight are days. */
    static Optional<Period> read(String code) {
        Matcher form = FORM.matcher(code);
        return form.matches()
                ? CalendarPeriod.read(form.group(1))
                        .map(days -> of(
                                days, LocalTime.of(Integer.parseInt(form.group(2)), Integer.parseInt(form.group(3)))))
                : Optional.empty();
    }

    private static Period of(CalendarPeriod days, LocalTime at) {
        return at.equals(LocalTime.MIDNIGHT) ? days : new FromTime(days, at);
    }

    @Override
    public Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return timed(days.on(dayOf(now), firstDayOfWeek), now);
    }

    @Override
    public Window beforeThat(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return timed(days.beforeThat(dayOf(now), firstDayOfWeek), now);
    }

    /** Before the time comes, it is still the day before. */
    private ZonedDateTime dayOf(ZonedDateTime now) {
        return now.toLocalTime().isBefore(at) ? now.minusDays(1) : now;
    }

    private Window timed(Window whole, ZonedDateTime now) {
        return Window.between(
                whole.fromInclusive().atTime(at),
                whole.toInclusive().plusDays(1).atTime(at),
                now.getZone());
    }

    @Override
    public Window yearAgo(Window window) {
        Window whole = new Window(window.fromInclusive(), window.toInclusive().minusDays(1));
        Window then = days.yearAgo(whole);
        return Window.between(
                then.fromInclusive().atTime(at),
                then.toInclusive().plusDays(1).atTime(at),
                window.times().orElseThrow().zone());
    }

    @Override
    public boolean isByTime() {
        return true;
    }

    @Override
    public String code() {
        return days.code() + "@" + at;
    }
}
