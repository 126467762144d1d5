package mailshelf.core.wording;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import mailshelf.core.time.Window;

/** Writes dates and times for people in one zone: "Mon 23 Nov, 07:00", "16–22 Nov". */
public final class Dates {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    private final Locale locale;
    private final ZoneId zone;

    Dates(Locale locale, ZoneId zone) {
        this.locale = locale;
        this.zone = zone;
    }

    /** "Mon 23 Nov, 07:00". */
    public String moment(Instant at) {
        ZonedDateTime local = at.atZone(zone);
        return weekday(local.toLocalDate()) + ", " + TIME.format(local);
    }

    /** "Mon 23 Nov 2026, 07:00", for what is read long after. */
    public String fullMoment(Instant at) {
        ZonedDateTime local = at.atZone(zone);
        return fullWeekday(local.toLocalDate()) + ", " + TIME.format(local);
    }

    /** "07:00:03". */
    public String clock(Instant at) {
        return DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT).format(at.atZone(zone));
    }

    public String time(LocalTime at) {
        return TIME.format(at);
    }

    /** "23 Nov". */
    public String day(LocalDate day) {
        return pattern("d MMM", day);
    }

    /** "23 Nov 2026, 07:00", by whichever clocks it is meant. */
    public String fullTime(LocalDateTime at) {
        return fullDay(at.toLocalDate()) + ", " + TIME.format(at);
    }

    /** "23 Nov 2026". */
    public String fullDay(LocalDate day) {
        return pattern("d MMM uuuu", day);
    }

    /** "Mon 23 Nov". */
    public String weekday(LocalDate day) {
        return pattern("EEE d MMM", day);
    }

    /** "Mon 23 Nov 2026". */
    public String fullWeekday(LocalDate day) {
        return pattern("EEE d MMM uuuu", day);
    }

    /** "Nov 2026". */
    public String month(LocalDate day) {
        return pattern("MMM uuuu", day);
    }

    /** "23 Nov", "16–22 Nov", "28 Oct – 24 Nov", with years where they differ; "23 Nov, 04:00 – 24 Nov, 04:00". */
    public String window(Window window) {
        if (window.times().isPresent()) {
            return times(window, false);
        }
        LocalDate from = window.fromInclusive();
        LocalDate to = window.toInclusive();
        if (from.equals(to)) {
            return day(to);
        }
        if (from.getYear() != to.getYear()) {
            return fullDay(from) + " – " + fullDay(to);
        }
        if (from.getMonth() == to.getMonth()) {
            return from.getDayOfMonth() + "–" + day(to);
        }
        return day(from) + " – " + day(to);
    }

    /** As {@link #window}, with the year at the end. */
    public String fullWindow(Window window) {
        if (window.times().isPresent()) {
            return times(window, true);
        }
        boolean hasYears =
                window.fromInclusive().getYear() != window.toInclusive().getYear();
        return hasYears
                ? window(window)
                : window(window) + " " + window.toInclusive().getYear();
    }

    /**
     * The moment that it ends at is not in it any more; that is how times are read.
     *
     * @param isFull whether the year is said where both ends have the same
     */
    private String times(Window window, boolean isFull) {
        LocalDateTime from = window.start();
        LocalDateTime end = window.end();
        boolean hasYears = from.getYear() != end.getYear();
        String last = hasYears || isFull ? fullDay(end.toLocalDate()) : day(end.toLocalDate());
        if (from.toLocalDate().equals(end.toLocalDate())) {
            return last + ", " + TIME.format(from) + "–" + TIME.format(end);
        }
        String first = hasYears ? fullDay(from.toLocalDate()) : day(from.toLocalDate());
        return first + ", " + TIME.format(from) + " – " + last + ", " + TIME.format(end);
    }

    private String pattern(String pattern, LocalDate day) {
        return DateTimeFormatter.ofPattern(pattern, locale).format(day);
    }
}
