package mailshelf.core.data;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.Optional;

/**
 * When a data set is loaded by itself.
 *
 * @param at the time of day, for {@link Kind#DAILY} alone
 * @param zone in which that time is meant
 * @param minutes from one load to the next, for {@link Kind#EVERY} alone; 0 otherwise
 */
public record LoadTimes(Kind kind, Optional<LocalTime> at, Optional<ZoneId> zone, int minutes) {
    /** Only when somebody asks for it. */
    public static final LoadTimes BY_HAND = new LoadTimes(Kind.BY_HAND, Optional.empty(), Optional.empty(), 0);

    /** A day. */
    private static final int MOST_MINUTES = 24 * 60;

    /** What makes a load fall due. */
    public enum Kind {
        BY_HAND,
        /** Every day at a time of day. */
        DAILY,
        /** So many minutes after the load before. */
        EVERY,
        /** As soon as a file is there and no longer written to. */
        ON_ARRIVAL
    }

    /** Whether it says all that it must, and nothing that its kind does not use. */
    public boolean saysAll() {
        boolean isDaily = kind == Kind.DAILY;
        boolean isEvery = kind == Kind.EVERY;
        return at.isPresent() == isDaily
                && zone.isPresent() == isDaily
                && (isEvery ? minutes >= 1 && minutes <= MOST_MINUTES : minutes == 0);
    }

    /**
     * The first moment after another at which a load falls due; empty where none does by time. A time of day that the
     * clocks leave out moves forward by the gap, one that comes twice is the first (RFC 5545, section 3.3.5).
     */
    public Optional<Instant> nextAfter(Instant moment) {
        return switch (kind) {
            case BY_HAND, ON_ARRIVAL -> Optional.empty();
            case EVERY -> Optional.of(moment.plus(Duration.ofMinutes(minutes)));
            case DAILY -> Optional.of(nextDaily(moment.atZone(zone.orElseThrow())));
        };
    }

    /**
     * The first load after a moment by its time, as far as can be told now.
     *
     * @param due when the next falls due
     */
    public Instant following(Instant due, Instant moment) {
        if (moment.isBefore(due)) {
            return due;
        }
        if (kind != Kind.EVERY) {
            return nextAfter(moment).orElseThrow();
        }
        Duration every = Duration.ofMinutes(minutes);
        return due.plus(every.multipliedBy(Duration.between(due, moment).dividedBy(every) + 1));
    }

    private Instant nextDaily(ZonedDateTime moment) {
        ZonedDateTime today = moment.toLocalDate().atTime(at.orElseThrow()).atZone(moment.getZone());
        return today.isAfter(moment)
                ? today.toInstant()
                : moment.toLocalDate()
                        .plusDays(1)
                        .atTime(at.get())
                        .atZone(moment.getZone())
                        .toInstant();
    }
}
