package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class ExpectedLoadsTest {
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");
    private static final LoadTimes EARLY = new LoadTimes(
            LoadTimes.Kind.DAILY, Optional.of(LocalTime.of(5, 40)), Optional.of(ZoneId.of("Europe/Oslo")), 0);
    private static final LoadTimes QUARTERS =
            new LoadTimes(LoadTimes.Kind.EVERY, Optional.empty(), Optional.empty(), 15);
    private static final ExpectedLoads.Plan DAILY = plan(EARLY, "2026-11-26T04:40:00Z");

    @Test
    void what_is_loaded_daily_is_sent_daily() {
        assertThat(firings(Duration.ZERO, Optional.empty(), 2, DAILY))
                .containsExactly(Instant.parse("2026-11-26T04:40:00Z"), Instant.parse("2026-11-27T04:40:00Z"));
    }

    @Test
    void loads_within_the_span_wait_for_its_end() {
        Instant last = Instant.parse("2026-11-25T08:40:00Z");

        assertThat(firings(Duration.ofHours(1), Optional.of(last), 3, plan(QUARTERS, "2026-11-25T09:05:00Z")))
                .containsExactly(
                        Instant.parse("2026-11-25T09:40:00Z"),
                        Instant.parse("2026-11-25T10:40:00Z"),
                        Instant.parse("2026-11-25T11:40:00Z"));
        assertThat(firings(Duration.ofMinutes(20), Optional.empty(), 3, plan(QUARTERS, "2026-11-25T09:05:00Z")))
                .as("the load at 9:20 waits until 9:25, those at 9:35 and 9:50 until 9:45 and 10:05")
                .containsExactly(
                        Instant.parse("2026-11-25T09:05:00Z"),
                        Instant.parse("2026-11-25T09:25:00Z"),
                        Instant.parse("2026-11-25T09:45:00Z"));
    }

    @Test
    void each_load_of_any_counts() {
        assertThat(firings(Duration.ZERO, Optional.empty(), 3, DAILY, plan(EARLY, "2026-11-26T05:00:00Z")))
                .startsWith(Instant.parse("2026-11-26T04:40:00Z"), Instant.parse("2026-11-26T05:00:00Z"));
    }

    @Test
    void where_nothing_is_loaded_by_time_nothing_is_expected() {
        assertThat(firings(Duration.ZERO, Optional.empty(), 3)).isEmpty();
    }

    private static ExpectedLoads.Plan plan(LoadTimes times, String due) {
        return new ExpectedLoads.Plan(times, Instant.parse(due));
    }

    private static List<Instant> firings(
            Duration span, Optional<Instant> last, int count, ExpectedLoads.Plan... plans) {
        return new ExpectedLoads(List.of(plans)).firings(NOW, span, last, count);
    }
}
