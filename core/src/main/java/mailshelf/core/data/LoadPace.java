package mailshelf.core.data;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** How often a data set gets new rows, so that nobody subscribes to the same figures twice unawares. */
public record LoadPace(Duration usual) {
    /** Fewer tell no pace. */
    private static final int LEAST_GAPS = 3;

    /** Clocks that go forward, and loads that come a little late, make no send too early. */
    private static final double TOLERANCE = 0.8;

    /**
     * As it is planned; where loads do not come by time, as they came lately.
     *
     * @param loaded when it was loaded, in any order
     */
    public static Optional<LoadPace> of(LoadTimes times, List<Instant> loaded) {
        return switch (times.kind()) {
            case DAILY -> Optional.of(new LoadPace(Duration.ofDays(1)));
            case EVERY -> Optional.of(new LoadPace(Duration.ofMinutes(times.minutes())));
            case BY_HAND, ON_ARRIVAL -> lately(loaded);
        };
    }

    /** The median from one to the next. */
    private static Optional<LoadPace> lately(List<Instant> loaded) {
        List<Duration> gaps = gaps(loaded);
        return gaps.size() < LEAST_GAPS ? Optional.empty() : Optional.of(new LoadPace(gaps.get(gaps.size() / 2)));
    }

    /** Whether two of these sends may come without new rows between them. */
    public boolean isOutpacedBy(List<Instant> sends) {
        List<Duration> gaps = gaps(sends);
        return !gaps.isEmpty() && gaps.get(0).toMillis() < usual.toMillis() * TOLERANCE;
    }

    /** From the shortest to the longest. */
    private static List<Duration> gaps(List<Instant> moments) {
        List<Instant> inOrder = moments.stream().sorted().toList();
        List<Duration> gaps = new ArrayList<>();
        for (int i = 1; i < inOrder.size(); i++) {
            gaps.add(Duration.between(inOrder.get(i - 1), inOrder.get(i)));
        }
        return gaps.stream().sorted().toList();
    }

    /** To the whole day from two days on, to the whole hour from two hours on. */
    public Duration rounded() {
        if (usual.toDays() >= 2) {
            return Duration.ofDays(Math.round(usual.toMinutes() / 60.0 / 24));
        }
        return usual.toHours() >= 2
                ? Duration.ofHours(Math.round(usual.toMinutes() / 60.0))
                : Duration.ofMinutes(Math.max(1, usual.toMinutes()));
    }
}
