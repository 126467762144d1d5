package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Optional;

/**
 * The same days for ever, or the same time from one moment up to another.
 *
 * @param from on which it begins; at midnight for whole days
 * @param before when it is over; at midnight for whole days
 */
public record FixedPeriod(LocalDateTime from, LocalDateTime before) implements Period {
    private static final String TO = "/";

    public FixedPeriod {
        if (!from.isBefore(before)) {
            throw new IllegalArgumentException("A period ends " + before + " before it starts " + from);
        }
    }

    /** All of some days, both ends included. */
    public FixedPeriod(LocalDate fromInclusive, LocalDate toInclusive) {
        this(fromInclusive.atStartOfDay(), toInclusive.plusDays(1).atStartOfDay());
    }

    /** What a window is about, in the times of its zone. */
    public static FixedPeriod of(Window window) {
        return new FixedPeriod(window.start(), window.end());
    }

    /** Reads a code; empty where it is none. */
    static Optional<FixedPeriod> read(String code) {
        int slash = code.indexOf(TO);
        if (slash < 0) {
            return Optional.empty();
        }
        String first = code.substring(0, slash);
        String second = code.substring(slash + 1);
        Optional<LocalDateTime> from = IsoDay.read(first).map(LocalDate::atStartOfDay);
        Optional<LocalDateTime> before =
                IsoDay.read(second).map(day -> day.plusDays(1).atStartOfDay());
        return from.isPresent() && before.isPresent()
                ? ordered(from.get(), before.get())
                : IsoTime.read(first).flatMap(start -> IsoTime.read(second).flatMap(end -> ordered(start, end)));
    }

    private static Optional<FixedPeriod> ordered(LocalDateTime from, LocalDateTime before) {
        return from.isBefore(before) ? Optional.of(new FixedPeriod(from, before)) : Optional.empty();
    }

    @Override
    public Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return Window.between(from, before, now.getZone());
    }

    @Override
    public Window beforeThat(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return on(now, firstDayOfWeek).before();
    }

    @Override
    public boolean isByTime() {
        return Window.between(from, before, ZoneOffset.UTC).times().isPresent();
    }

    /** An ISO 8601 interval: of days with both ends in it, of times with the second behind it. */
    @Override
    public String code() {
        return isByTime()
                ? from + TO + before
                : from.toLocalDate() + TO + before.toLocalDate().minusDays(1);
    }
}
