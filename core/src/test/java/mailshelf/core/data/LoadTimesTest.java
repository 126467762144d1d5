package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;
import mailshelf.core.Problem;
import org.junit.jupiter.api.Test;

class LoadTimesTest {
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

    @Test
    void a_daily_load_falls_due_at_its_time_of_day_strictly_after_the_last() {
        LoadTimes daily = daily("05:40");

        assertThat(daily.nextAfter(Instant.parse("2026-11-25T04:39:59Z")))
                .contains(Instant.parse("2026-11-25T04:40:00Z"));
        assertThat(daily.nextAfter(Instant.parse("2026-11-25T04:40:00Z")))
                .contains(Instant.parse("2026-11-26T04:40:00Z"));
    }

    @Test
    void a_time_of_day_that_the_clocks_leave_out_moves_forward_and_one_that_comes_twice_is_the_first() {
        assertThat(daily("02:30").nextAfter(Instant.parse("2026-03-28T12:00:00Z")))
                .contains(Instant.parse("2026-03-29T01:30:00Z"));
        assertThat(daily("02:30").nextAfter(Instant.parse("2026-10-24T12:00:00Z")))
                .contains(Instant.parse("2026-10-25T00:30:00Z"));
    }

    @Test
    void loads_by_hand_and_on_arrival_do_not_fall_due_by_time() {
        assertThat(LoadTimes.BY_HAND.nextAfter(Instant.EPOCH)).isEmpty();
        assertThat(new LoadTimes(LoadTimes.Kind.ON_ARRIVAL, Optional.empty(), Optional.empty(), 0)
                        .nextAfter(Instant.EPOCH))
                .isEmpty();
    }

    @Test
    void a_plan_says_all_that_its_kind_needs_and_nothing_else() {
        Origin query = new Origin(Origin.Kind.QUERY, Optional.of(new SourceId(1)), "SELECT 1");

        plan(query, daily("05:40"), LoadMode.REPLACE).requireWhole();
        refused(plan(query, daily("05:40"), LoadMode.APPEND));
        refused(plan(Origin.SENT, daily("05:40"), LoadMode.REPLACE));
        refused(plan(query, every(0), LoadMode.REPLACE));
        refused(plan(query, every(1441), LoadMode.REPLACE));
        refused(plan(new Origin(Origin.Kind.QUERY, Optional.empty(), "SELECT 1"), LoadTimes.BY_HAND, LoadMode.REPLACE));
        refused(plan(
                query, new LoadTimes(LoadTimes.Kind.DAILY, Optional.empty(), Optional.of(OSLO), 0), LoadMode.REPLACE));
    }

    private static LoadTimes daily(String at) {
        return new LoadTimes(LoadTimes.Kind.DAILY, Optional.of(LocalTime.parse(at)), Optional.of(OSLO), 0);
    }

    private static LoadTimes every(int minutes) {
        return new LoadTimes(LoadTimes.Kind.EVERY, Optional.empty(), Optional.empty(), minutes);
    }

    private static LoadPlan plan(Origin origin, LoadTimes times, LoadMode mode) {
        return new LoadPlan(origin, times, mode, Optional.empty(), Optional.empty(), Optional.empty());
    }

    private static void refused(LoadPlan plan) {
        assertThatThrownBy(plan::requireWhole)
                .isInstanceOfSatisfying(
                        Problem.class, problem -> assertThat(problem.code()).isEqualTo("data.bad-plan"));
    }
}
