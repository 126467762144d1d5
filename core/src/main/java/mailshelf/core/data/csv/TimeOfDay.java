package mailshelf.core.data.csv;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads days with a time as files write them: 2026-11-25T05:40:00+01:00, 25.11.2026 05:40, 11/25/2026 5:40 PM. */
final class TimeOfDay {
    private static final Pattern FORM = Pattern.compile(
            "(?<day>[0-9./-]{8,10})(?:T| +)(?<hour>\\d{1,2}):(?<minute>\\d{2})(?::(?<second>\\d{2})(?:[.,]\\d+)?)?"
                    + " ?(?<half>[AaPp][Mm])?(?<offset>Z|[+-]\\d{2}:?\\d{2})?");

    private static final int NOON = 12;

    private TimeOfDay() {}

    /**
     * As the clocks of a zone show it; a day alone is its first moment, and parts of seconds are left out.
     *
     * @param zone into which a time is turned that says how far it is from UTC; others are its own already
     */
    static Optional<LocalDateTime> read(String text, DateForm form, ZoneId zone) {
        // most texts are no times, and need not be matched to see it
        if (text.length() < 8 || !Character.isDigit(text.charAt(0))) {
            return Optional.empty();
        }
        Matcher parts = FORM.matcher(text);
        return parts.matches()
                ? form.read(parts.group("day")).flatMap(day -> at(day, parts, zone))
                : form.read(text).map(LocalDate::atStartOfDay);
    }

    private static Optional<LocalDateTime> at(LocalDate day, Matcher parts, ZoneId zone) {
        try {
            int second = parts.group("second") == null ? 0 : Integer.parseInt(parts.group("second"));
            LocalDateTime at = day.atTime(LocalTime.of(hour(parts), Integer.parseInt(parts.group("minute")), second));
            return Optional.of(Optional.ofNullable(parts.group("offset"))
                    .map(offset -> at.atOffset(ZoneOffset.of(offset))
                            .atZoneSameInstant(zone)
                            .toLocalDateTime())
                    .orElse(at));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** 12 AM is the hour after midnight, 12 PM that after noon. */
    private static int hour(Matcher parts) {
        int hour = Integer.parseInt(parts.group("hour"));
        if (parts.group("half") == null) {
            return hour;
        }
        if (hour < 1 || hour > NOON) {
            throw new DateTimeException("No hour of half a day: " + hour);
        }
        boolean isLate = parts.group("half").equalsIgnoreCase("pm");
        return hour % NOON + (isLate ? NOON : 0);
    }
}
