package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * So many hours back from the moment of reading or sending, whichever days those lie in.
 *
 * @param count 1 to {@link CalendarPeriod#MOST}
 * @param withThis whether they are counted back from the very minute, rather than from the last full hour
 */
public record HoursPeriod(int count, boolean withThis) implements Period {
    private static final Pattern FORM = Pattern.compile("last-([1-9]\\d{0,2})-hours(-with-this)?");

    /** Reads a code; empty where it is none. */
    static Optional<HoursPeriod> read(String code) {
        Matcher hours = FORM.matcher(code);
        return hours.matches()
                ? Optional.of(new HoursPeriod(Integer.parseInt(hours.group(1)), hours.group(2) != null))
                : Optional.empty();
    }

    /** Hours that pass: over a change of the clocks, 24 of them are not the same time of the day before. */
    @Override
    public Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        ZonedDateTime end = now.truncatedTo(withThis ? ChronoUnit.MINUTES : ChronoUnit.HOURS);
        return Window.timed(end.minusHours(count).toLocalDateTime(), end.toLocalDateTime(), now.getZone());
    }

    @Override
    public Window beforeThat(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return on(now.minusHours(count), firstDayOfWeek);
    }

    @Override
    public Window yearAgo(Window window) {
        return window.weeksAgo(CalendarPeriod.WEEKS_OF_YEAR);
    }

    @Override
    public boolean isByTime() {
        return true;
    }

    @Override
    public String code() {
        return "last-" + count + "-hours" + (withThis ? "-with-this" : "");
    }
}
