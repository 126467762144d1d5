package mailshelf.core.time;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class PeriodTest {
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

    private static ZonedDateTime at(LocalDate day) {
        return day.atTime(7, 0).atZone(OSLO);
    }

    @ParameterizedTest
    @CsvSource({
        "today, 2026-11-25, MONDAY, 2026-11-25, 2026-11-25, 2026-11-24, 2026-11-24",
        "yesterday, 2026-11-25, MONDAY, 2026-11-24, 2026-11-24, 2026-11-23, 2026-11-23",
        "last-week, 2026-11-25, MONDAY, 2026-11-16, 2026-11-22, 2026-11-09, 2026-11-15",
        "last-week, 2026-11-25, SUNDAY, 2026-11-15, 2026-11-21, 2026-11-08, 2026-11-14",
        "last-week, 2026-11-25, SATURDAY, 2026-11-14, 2026-11-20, 2026-11-07, 2026-11-13",
        "this-week, 2026-11-25, MONDAY, 2026-11-23, 2026-11-25, 2026-11-16, 2026-11-18",
        "whole-week, 2026-11-25, MONDAY, 2026-11-23, 2026-11-29, 2026-11-16, 2026-11-22",
        "last-4-weeks, 2026-11-23, MONDAY, 2026-10-26, 2026-11-22, 2026-09-28, 2026-10-25",
        "last-7-days, 2026-11-25, MONDAY, 2026-11-18, 2026-11-24, 2026-11-11, 2026-11-17",
        "last-7-days-with-this, 2026-11-25, MONDAY, 2026-11-19, 2026-11-25, 2026-11-12, 2026-11-18",
        "this-month, 2026-11-25, MONDAY, 2026-11-01, 2026-11-25, 2026-10-01, 2026-10-25",
        "this-month, 2026-03-31, MONDAY, 2026-03-01, 2026-03-31, 2026-02-01, 2026-02-28",
        "last-month, 2026-03-31, MONDAY, 2026-02-01, 2026-02-28, 2026-01-01, 2026-01-31",
        "last-3-months-with-this, 2026-11-25, MONDAY, 2026-09-01, 2026-11-25, 2026-06-01, 2026-08-25",
        "last-quarter, 2026-01-01, MONDAY, 2025-10-01, 2025-12-31, 2025-07-01, 2025-09-30",
        "this-half-year, 2026-08-31, MONDAY, 2026-07-01, 2026-08-31, 2026-01-01, 2026-02-28",
        "last-half-year, 2026-08-31, MONDAY, 2026-01-01, 2026-06-30, 2025-07-01, 2025-12-31",
        "whole-year, 2026-08-31, MONDAY, 2026-01-01, 2026-12-31, 2025-01-01, 2025-12-31",
        "past-12-months, 2026-11-25, MONDAY, 2025-11-25, 2026-11-24, 2024-11-25, 2025-11-24",
        "past-1-months, 2026-03-31, MONDAY, 2026-02-28, 2026-03-30, 2026-01-28, 2026-02-27",
    })
    void means_these_days(
            String code,
            LocalDate day,
            DayOfWeek first,
            LocalDate from,
            LocalDate to,
            LocalDate fromBefore,
            LocalDate toBefore) {
        Period period = Period.parse(code).orElseThrow();
        assertThat(period.on(at(day), first)).isEqualTo(new Window(from, to));
        assertThat(period.beforeThat(at(day), first)).isEqualTo(new Window(fromBefore, toBefore));
    }

    static Stream<CalendarPeriod> all() {
        return Stream.of(CalendarPeriod.Reach.values())
                .flatMap(reach -> Stream.of(Grain.values())
                        .flatMap(grain -> IntStream.of(1, 2, 13).boxed().flatMap(count -> of(reach, count, grain))));
    }

    private static Stream<CalendarPeriod> of(CalendarPeriod.Reach reach, int count, Grain grain) {
        try {
            return Stream.of(new CalendarPeriod(reach, count, grain));
        } catch (IllegalArgumentException e) {
            return Stream.empty();
        }
    }

    @ParameterizedTest
    @MethodSource("all")
    void whatever_the_day_it_is_read_back_and_what_it_is_compared_with_lies_before_it(CalendarPeriod period) {
        assertThat(Period.parse(period.code())).contains(period);
        for (int offset = 0; offset < 1500; offset++) {
            LocalDate day = LocalDate.of(2023, 12, 1).plusDays(offset);
            Window window = period.on(at(day), DayOfWeek.SUNDAY);
            Window before = period.beforeThat(at(day), DayOfWeek.SUNDAY);
            assertThat(before.toInclusive()).as("%s on %s", period, day).isBefore(window.fromInclusive());
            assertThat(window.contains(day) || window.toInclusive().isEqual(day.minusDays(1)) || isCut(period))
                    .isTrue();
        }
    }

    /** Complete spans may end long before the day. */
    private static boolean isCut(CalendarPeriod period) {
        return period.reach() == CalendarPeriod.Reach.COMPLETE;
    }

    @Property(seed = "20261125")
    void last_weeks_and_last_months_tile_the_calendar(
            @ForAll @IntRange(min = 0, max = 20000) int offset, @ForAll DayOfWeek first) {
        LocalDate day = LocalDate.of(1990, 1, 1).plusDays(offset);
        Window week = CalendarPeriod.LAST_WEEK.on(at(day), first);
        Window nextWeek = CalendarPeriod.LAST_WEEK.on(at(day.plusWeeks(1)), first);
        Window month = Period.parse("last-month").orElseThrow().on(at(day), first);
        Window nextMonth = Period.parse("last-month")
                .orElseThrow()
                .on(at(day.withDayOfMonth(1).plusMonths(1)), first);

        assertThat(week.days()).isEqualTo(7);
        assertThat(nextWeek.fromInclusive()).isEqualTo(week.toInclusive().plusDays(1));
        assertThat(nextMonth.fromInclusive()).isEqualTo(month.toInclusive().plusDays(1));
    }

    @Test
    void codes_are_read_back() {
        Period fixed = new FixedPeriod(LocalDate.of(2026, 1, 1), LocalDate.of(2026, 1, 31));

        assertThat(Period.parse(fixed.code())).contains(fixed);
    }

    @ParameterizedTest
    @CsvSource({
        "last-24-hours, 2026-11-25T07:20:30, 2026-11-24T07:00, 2026-11-25T07:00, 2026-11-23T07:00",
        "last-1-hours-with-this, 2026-11-25T07:20:30, 2026-11-25T06:20, 2026-11-25T07:20, 2026-11-25T05:20",
        "last-7-hours, 2026-11-25T07:20, 2026-11-25T00:00, 2026-11-25T07:00, 2026-11-24T17:00",
        "yesterday@04:00, 2026-11-25T07:00, 2026-11-24T04:00, 2026-11-25T04:00, 2026-11-23T04:00",
        // at two in the night it is still the day before
        "yesterday@04:00, 2026-11-25T02:00, 2026-11-23T04:00, 2026-11-24T04:00, 2026-11-22T04:00",
        "last-week@22:30, 2026-11-25T07:00, 2026-11-16T22:30, 2026-11-23T22:30, 2026-11-09T22:30",
        "2026-11-01T06:00/2026-11-02T00:00, 2026-11-25T07:00, 2026-11-01T06:00, 2026-11-02T00:00, 2026-10-31T12:00",
        // clocks went back at three, so that the day before had 25 hours
        "last-24-hours, 2026-10-25T12:00, 2026-10-24T13:00, 2026-10-25T12:00, 2026-10-23T13:00",
        // and the hour before the last began and ended at a clock's two
        "last-1-hours, 2026-10-25T03:00, 2026-10-25T02:00, 2026-10-25T03:00, 2026-10-25T01:00",
    })
    void may_begin_and_end_within_a_day(
            String code, LocalDateTime now, LocalDateTime from, LocalDateTime end, LocalDateTime fromBefore) {
        Period period = Period.parse(code).orElseThrow();
        Window window = period.on(now.atZone(OSLO), DayOfWeek.MONDAY);

        assertThat(window.start()).isEqualTo(from);
        assertThat(window.end()).isEqualTo(end);
        assertThat(period.beforeThat(now.atZone(OSLO), DayOfWeek.MONDAY).start())
                .isEqualTo(fromBefore);
        assertThat(period.yearAgo(window).end().getDayOfWeek()).isEqualTo(yearAgo(period, end));
        assertThat(period.code()).isEqualTo(code);
        assertThat(period.isByTime()).isTrue();
    }

    /** Mondays are compared with Mondays, but fixed dates with the same dates. */
    private static DayOfWeek yearAgo(Period period, LocalDateTime end) {
        return period instanceof FixedPeriod ? end.minusYears(1).getDayOfWeek() : end.getDayOfWeek();
    }

    @Test
    void the_same_time_reads_otherwise_elsewhere_and_whole_days_do_not() {
        Window night =
                Window.between(LocalDateTime.parse("2026-11-24T23:00"), LocalDateTime.parse("2026-11-25T04:00"), OSLO);
        Window inLondon = night.in(ZoneId.of("Europe/London"));
        Window day = new Window(LocalDate.of(2026, 11, 24), LocalDate.of(2026, 11, 24));

        assertThat(inLondon.start()).isEqualTo(LocalDateTime.parse("2026-11-24T22:00"));
        assertThat(inLondon.in(OSLO)).isEqualTo(night);
        assertThat(day.in(ZoneId.of("Asia/Tokyo"))).isEqualTo(day);
        assertThat(Period.parse("last-week@00:00")).contains(CalendarPeriod.LAST_WEEK);
        assertThat(Period.parse("2026-11-01T00:00/2026-11-03T00:00")
                        .orElseThrow()
                        .code())
                .isEqualTo("2026-11-01/2026-11-02");
    }

    @ParameterizedTest
    @CsvSource({
        "since-last-issue, 2026-11-19, 2026-11-25",
        "since-last-issue/2026-11-23, 2026-11-23, 2026-11-25",
        "since-last-issue/2026-11-26, 2026-11-26, 2026-11-26",
        "since-last-issue/2026-12-24, 2026-11-26, 2026-11-26",
    })
    void what_is_new_ends_the_day_before_sending(String code, LocalDate from, LocalDate to) {
        Period period = Period.parse(code).orElseThrow();

        assertThat(period.on(at(LocalDate.of(2026, 11, 26)), DayOfWeek.MONDAY)).isEqualTo(new Window(from, to));
        assertThat(period.code()).isEqualTo(code);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "since-last-issue/yesterday",
                "since-last-issues",
                "yesterday-ish",
                "last-0-weeks",
                "last-1-weeks",
                "last-1000-days",
                "whole-day",
                "past-12-weeks",
                "this-4-weeks",
                "last-0-hours",
                "last-24-hours@04:00",
                "yesterday@24:00",
                "since-last-issue@04:00",
                "2026-03-02T06:00/2026-03-02T06:00",
                "2026-03-02T06:00/2026-03-03",
                "2026-03-02T06:00:00Z/2026-03-03T06:00:00Z",
                "2026-02-30/2026-03-01",
                "2026-03-02/2026-03-01",
                "/"
            })
    void what_is_no_period_is_refused(String code) {
        assertThat(Period.parse(code)).isEmpty();
    }

    /** Whole days are the same days everywhere; hours that begin and end at midnight are not. */
    @Test
    void hours_go_by_ones_own_clocks_at_midnight_too() {
        ZonedDateTime now = ZonedDateTime.parse("2026-11-25T00:20:00+01:00[Europe/Oslo]");
        Window hours = Period.parse("last-24-hours").orElseThrow().on(now, DayOfWeek.MONDAY);
        ZoneId london = ZoneId.of("Europe/London");

        assertThat(hours.in(london).start()).isEqualTo(LocalDateTime.parse("2026-11-23T23:00"));
        assertThat(hours.before().in(london).end()).isEqualTo(LocalDateTime.parse("2026-11-23T23:00"));
    }
}
