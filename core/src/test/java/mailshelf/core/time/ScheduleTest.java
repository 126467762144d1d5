package mailshelf.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TimeZone;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import net.jqwik.api.constraints.IntRange;
import org.dmfs.rfc5545.DateTime;
import org.dmfs.rfc5545.recur.RecurrenceRule;
import org.dmfs.rfc5545.recur.RecurrenceRuleIterator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScheduleTest {
    private static final Recurrence MONDAYS = new Recurrence.Weekly(Set.of(DayOfWeek.MONDAY));

    @Test
    void a_monday_send_keeps_its_local_hour_when_clocks_change() {
        var schedule = new Schedule(MONDAYS, LocalTime.of(8, 0), ZoneId.of("Europe/Rome"));

        var next = schedule.next(Instant.parse("2026-03-23T07:00:00Z")).orElseThrow();

        assertThat(next.at()).isEqualTo("2026-03-30T06:00:00Z");
        assertThat(next.shift()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        // zone, day of the gap, time asked, time it really is, day of the overlap, first instant of 01:30 or 02:30
        "Europe/Oslo, 2026-03-29, 02:30, 03:30, 2026-10-25, 02:30, 2026-10-25T00:30:00Z",
        "America/New_York, 2026-03-08, 02:30, 03:30, 2026-11-01, 01:30, 2026-11-01T05:30:00Z",
        "Australia/Lord_Howe, 2026-10-04, 02:10, 02:40, 2026-04-05, 01:45, 2026-04-04T14:45:00Z"
    })
    void gaps_move_forward_by_the_gap_and_overlaps_take_the_first(
            String zone,
            LocalDate gap,
            LocalTime asked,
            LocalTime real,
            LocalDate overlap,
            LocalTime twice,
            Instant first) {
        var inGap = new Schedule(new Recurrence.Daily(), asked, ZoneId.of(zone));
        var inOverlap = new Schedule(new Recurrence.Daily(), twice, ZoneId.of(zone));

        var shifted = onDay(inGap, gap);
        var once = inOverlap.upcoming(
                overlap.minusDays(1).atTime(12, 0).atZone(ZoneId.of(zone)).toInstant(), 2);

        assertThat(shifted.local()).isEqualTo(LocalDateTime.of(gap, real));
        assertThat(shifted.shift()).contains(Occurrence.Shift.CLOCKS_GO_FORWARD);
        assertThat(once.get(0).at()).isEqualTo(first);
        assertThat(once.get(1).local().toLocalDate()).isEqualTo(overlap.plusDays(1));
    }

    @Test
    void a_date_that_the_month_lacks_is_its_last_day_and_says_so() {
        var schedule = new Schedule(new Recurrence.Monthly(31), LocalTime.of(7, 0), ZoneId.of("UTC"));

        var sends = schedule.upcoming(Instant.parse("2027-12-31T07:00:00Z"), 4);

        assertThat(sends)
                .extracting(o -> o.local().toLocalDate().toString())
                .containsExactly("2028-01-31", "2028-02-29", "2028-03-31", "2028-04-30");
        assertThat(sends).extracting(o -> o.shift().isPresent()).containsExactly(false, true, false, true);
    }

    @Property(tries = 300, seed = "20261125")
    void days_agree_with_the_plain_expansion_of_the_rule(
            @ForAll("recurrences") Recurrence recurrence,
            @ForAll("zones") String zone,
            @ForAll @IntRange(min = 0, max = 1439) int minute,
            @ForAll @IntRange(min = 0, max = 3000) int dayOffset)
            throws Exception {
        ZoneId at = ZoneId.of(zone);
        LocalTime time = LocalTime.ofSecondOfDay(minute * 60L);
        LocalDate start = LocalDate.of(2024, 1, 1).plusDays(dayOffset);
        var schedule = new Schedule(recurrence, time, at);

        var ours = schedule.upcoming(start.atStartOfDay(at).toInstant().minusMillis(1), 40);

        assertThat(ours).extracting(o -> o.local().toLocalDate()).isEqualTo(plain(recurrence.rule(), start, 40));
        for (int i = 1; i < ours.size(); i++) {
            assertThat(ours.get(i).at()).isAfter(ours.get(i - 1).at());
        }
    }

    @Property(seed = "20261125")
    void a_rule_that_was_written_is_read_back(@ForAll("recurrences") Recurrence recurrence) {
        assertThat(Recurrence.parse(recurrence.rule())).isEqualTo(recurrence);
    }

    private static List<LocalDate> plain(String rule, LocalDate start, int count) throws Exception {
        RecurrenceRuleIterator days = new RecurrenceRule(rule)
                .iterator(new DateTime(
                        TimeZone.getTimeZone("UTC"),
                        start.getYear(),
                        start.getMonthValue() - 1,
                        start.getDayOfMonth(),
                        12,
                        0,
                        0));
        List<LocalDate> found = new ArrayList<>();
        while (found.size() < count) {
            DateTime day = days.nextDateTime();
            found.add(LocalDate.of(day.getYear(), day.getMonth() + 1, day.getDayOfMonth()));
        }
        return found;
    }

    private static Occurrence onDay(Schedule schedule, LocalDate day) {
        return schedule.next(day.atStartOfDay(schedule.zone()).toInstant()).orElseThrow();
    }

    @Provide
    Arbitrary<Recurrence> recurrences() {
        Arbitrary<Recurrence> weekly =
                Arbitraries.of(DayOfWeek.class).set().ofMinSize(1).map(Recurrence.Weekly::new);
        Arbitrary<Recurrence> monthly = Arbitraries.integers().between(1, 31).map(Recurrence.Monthly::new);
        return Arbitraries.oneOf(Arbitraries.just(new Recurrence.Daily()), weekly, monthly);
    }

    /** Zones whose clocks change by day, so that local midnight always exists. */
    @Provide
    Arbitrary<String> zones() {
        return Arbitraries.of("Europe/Oslo", "America/New_York", "Australia/Lord_Howe", "UTC");
    }
}
