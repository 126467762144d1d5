package mailshelf.core.time;

import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * A run of calendar days, both ends belonging to it; never empty.
 *
 * @param times where it begins and ends within them; empty for whole days
 */
public record Window(LocalDate fromInclusive, LocalDate toInclusive, Optional<Times> times) {
    /**
     * Times of day at both ends.
     *
     * @param since on the first day
     * @param until on the last day, and no longer in it; midnight is the end of that day
     * @param zone whose times these are
     */
    public record Times(LocalTime since, LocalTime until, ZoneId zone) {}

    public Window {
        times = times == null ? Optional.empty() : times; // there were none before schema 6 of page models
        boolean ends = toInclusive.isBefore(fromInclusive);
        if (ends
                || times.filter(some -> !start(fromInclusive, some).isBefore(end(toInclusive, some)))
                        .isPresent()) {
            throw new IllegalArgumentException("Window ends " + toInclusive + " before it starts " + fromInclusive);
        }
    }

    /** Whole days. */
    public Window(LocalDate fromInclusive, LocalDate toInclusive) {
        this(fromInclusive, toInclusive, Optional.empty());
    }

    /**
     * From one moment up to another, which is no longer in it; whole days where both are midnight. Where clocks went back
     * in between, both may read the same: then it is the hour that they went back.
     */
    public static Window between(LocalDateTime first, LocalDateTime before, ZoneId zone) {
        Window window = timed(first, before, zone);
        boolean isWhole = window.start().toLocalTime().equals(LocalTime.MIDNIGHT)
                && before.toLocalTime().equals(LocalTime.MIDNIGHT);
        return isWhole ? new Window(window.fromInclusive(), window.toInclusive()) : window;
    }

    /** The same, but by the clocks of its zone even where it happens to begin and end at midnight. */
    static Window timed(LocalDateTime first, LocalDateTime before, ZoneId zone) {
        LocalDateTime from = first.isBefore(before) ? first : before.minusHours(1);
        LocalTime until = before.toLocalTime();
        LocalDate last = until.equals(LocalTime.MIDNIGHT) ? before.toLocalDate().minusDays(1) : before.toLocalDate();
        return new Window(from.toLocalDate(), last, Optional.of(new Times(from.toLocalTime(), until, zone)));
    }

    private static LocalDateTime start(LocalDate first, Times times) {
        return first.atTime(times.since());
    }

    private static LocalDateTime end(LocalDate last, Times times) {
        boolean isDaysEnd = times.until().equals(LocalTime.MIDNIGHT);
        return isDaysEnd ? last.plusDays(1).atStartOfDay() : last.atTime(times.until());
    }

    /** When it begins. */
    public LocalDateTime start() {
        return times.map(some -> start(fromInclusive, some)).orElseGet(fromInclusive::atStartOfDay);
    }

    /** The first moment behind it. */
    public LocalDateTime end() {
        return times.map(some -> end(toInclusive, some))
                .orElseGet(() -> toInclusive.plusDays(1).atStartOfDay());
    }

    /** The same in another zone's times; whole days are the same days everywhere. */
    public Window in(ZoneId zone) {
        return times.filter(some -> !some.zone().equals(zone))
                .map(some -> between(
                        start().atZone(some.zone()).withZoneSameInstant(zone).toLocalDateTime(),
                        end().atZone(some.zone()).withZoneSameInstant(zone).toLocalDateTime(),
                        zone))
                .orElse(this);
    }

    /** Number of days that it touches, at least 1. */
    public long days() {
        return ChronoUnit.DAYS.between(fromInclusive, toInclusive) + 1;
    }

    public boolean contains(LocalDate day) {
        return !day.isBefore(fromInclusive) && !day.isAfter(toInclusive);
    }

    /** As much time, ending where this begins. */
    public Window before() {
        Duration length = Duration.between(start(), end());
        return moved(start -> start.minus(length));
    }

    private Window moved(UnaryOperator<LocalDateTime> to) {
        return spanning(to.apply(start()), to.apply(end()));
    }

    private Window spanning(LocalDateTime from, LocalDateTime before) {
        return times.map(some -> timed(from, before, some.zone()))
                .orElseGet(() ->
                        new Window(from.toLocalDate(), before.toLocalDate().minusDays(1)));
    }

    /** From the beginning of a day on, to the same end. */
    public Window since(LocalDate first) {
        return spanning(first.atStartOfDay(), end());
    }

    /** To the end of a day, or its own where that is earlier. */
    public Window upTo(LocalDate last) {
        return last.isBefore(toInclusive) ? spanning(start(), last.plusDays(1).atStartOfDay()) : this;
    }

    /** The same dates a year earlier; where that year lacks the day, or the month has one more, to the month's end. */
    public Window yearAgo() {
        LocalDate to = toInclusive.minusYears(1);
        boolean isMonthEnd = toInclusive.plusDays(1).getDayOfMonth() == 1;
        return new Window(fromInclusive.minusYears(1), isMonthEnd ? to.withDayOfMonth(to.lengthOfMonth()) : to, times);
    }

    /** All days from the first of either to the last of either. */
    public Window andUpTo(Window other) {
        boolean earlier = other.start().isBefore(start());
        boolean later = other.end().isAfter(end());
        LocalDateTime from = earlier ? other.start() : start();
        LocalDateTime before = later ? other.end() : end();
        return times.or(other::times)
                .map(some -> timed(from, before, some.zone()))
                .orElseGet(() -> spanning(from, before));
    }

    /** So many weeks earlier. */
    public Window weeksAgo(int weeks) {
        return moved(at -> at.minusWeeks(weeks));
    }
}
