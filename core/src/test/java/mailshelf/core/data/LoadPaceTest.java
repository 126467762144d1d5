package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class LoadPaceTest {
    private static final Instant MONDAY = Instant.parse("2027-03-01T06:00:00Z");
    private static final LoadTimes DAILY = new LoadTimes(
            LoadTimes.Kind.DAILY, Optional.of(LocalTime.of(5, 40)), Optional.of(ZoneId.of("Europe/Oslo")), 0);

    private static List<Instant> every(Duration span, int count) {
        return IntStream.range(0, count)
                .mapToObj(i -> MONDAY.plus(span.multipliedBy(i)))
                .toList();
    }

    @Test
    void daily_sends_of_daily_loads_are_in_time_and_hourly_ones_are_not() {
        LoadPace pace = LoadPace.of(DAILY, List.of()).orElseThrow();

        assertThat(pace.isOutpacedBy(every(Duration.ofDays(1), 5))).isFalse();
        assertThat(pace.isOutpacedBy(every(Duration.ofHours(23), 2)))
                .as("the night in which the clocks go forward")
                .isFalse();
        assertThat(pace.isOutpacedBy(every(Duration.ofHours(1), 5))).isTrue();
        assertThat(pace.isOutpacedBy(List.of(MONDAY))).isFalse();
    }

    @Test
    void what_somebody_loads_each_week_is_outpaced_by_daily_sends() {
        List<Instant> lately = Stream.concat(
                        every(Duration.ofDays(7), 5).stream(),
                        Stream.of(MONDAY.plus(Duration.ofHours(1)))) // a second try, on the same day
                .toList();

        LoadPace pace = LoadPace.of(LoadTimes.BY_HAND, lately).orElseThrow();

        assertThat(pace.rounded()).isEqualTo(Duration.ofDays(7));
        assertThat(pace.isOutpacedBy(every(Duration.ofDays(1), 5))).isTrue();
        assertThat(pace.isOutpacedBy(every(Duration.ofDays(7), 5))).isFalse();
    }

    @Test
    void a_few_loads_by_hand_tell_no_pace() {
        assertThat(LoadPace.of(LoadTimes.BY_HAND, every(Duration.ofDays(7), 3))).isEmpty();
    }
}
