package mailshelf.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class RecurrenceTest {
    static Stream<Recurrence> all() {
        return Stream.of(
                        Stream.of(
                                new Recurrence.Daily(),
                                new Recurrence.OnDemand(),
                                new Recurrence.AfterLoad(Duration.ZERO),
                                new Recurrence.AfterLoad(Duration.ofHours(36))),
                        Stream.of(
                                new Recurrence.Weekly(Set.of(DayOfWeek.MONDAY)),
                                new Recurrence.Weekly(Set.of(DayOfWeek.SUNDAY, DayOfWeek.THURSDAY)),
                                new Recurrence.Weekly(Set.of(DayOfWeek.values()))),
                        IntStream.rangeClosed(1, 31).mapToObj(Recurrence.Monthly::new))
                .flatMap(each -> each);
    }

    @ParameterizedTest
    @MethodSource("all")
    void what_is_written_is_read_back(Recurrence recurrence) {
        assertThat(Recurrence.parse(recurrence.rule())).isEqualTo(recurrence);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    FREQ=WEEKLY;INTERVAL=2;BYDAY=MO         | INTERVAL=2
                    FREQ=DAILY;COUNT=5                      | COUNT=5
                    FREQ=DAILY;UNTIL=20271231T000000Z       | UNTIL=20271231T000000Z
                    FREQ=MONTHLY;BYMONTHDAY=15,1            | BYMONTHDAY=
                    FREQ=MONTHLY;BYMONTHDAY=31              | BYMONTHDAY=31
                    FREQ=MONTHLY;BYMONTHDAY=-1              | -1
                    FREQ=MONTHLY;BYDAY=1MO                  | BYMONTHDAY
                    FREQ=WEEKLY;BYDAY=MO;BYHOUR=9           | BYHOUR=9
                    FREQ=WEEKLY;BYDAY=MO;BYMONTH=4          | BYMONTH=4
                    FREQ=WEEKLY                             | BYDAY
                    FREQ=YEARLY                             | FREQ=YEARLY
                    """)
    void a_rule_that_says_more_than_is_kept_is_refused_with_the_part_rather_than_changed(String rule, String part) {
        assertThatThrownBy(() -> Recurrence.parse(rule))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(part);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    freq=weekly;byday=th,mo;interval=1;wkst=su        | FREQ=WEEKLY;BYDAY=MO,TH
                    BYMONTHDAY=31,30,29,28;FREQ=MONTHLY;BYSETPOS=-1   | FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1
                    """)
    void one_that_means_the_same_is_taken(String rule, String written) {
        assertThat(Recurrence.parse(rule).rule()).isEqualTo(written);
    }

    @ParameterizedTest
    @CsvSource({
        "FREQ=DAILY, yesterday",
        "FREQ=WEEKLY;BYDAY=TH, last-week",
        "'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR,SA,SU', yesterday",
        "'FREQ=WEEKLY;BYDAY=MO,TH', ",
        "FREQ=MONTHLY;BYMONTHDAY=1, last-month",
        "AFTER-LOAD, "
    })
    void the_period_that_is_as_long(String rule, String period) {
        assertThat(Recurrence.parse(rule).matchingPeriod().map(Period::code)).isEqualTo(Optional.ofNullable(period));
    }

    @Test
    void days_are_written_in_the_order_of_the_week() {
        assertThat(new Recurrence.Weekly(Set.of(DayOfWeek.FRIDAY, DayOfWeek.MONDAY)).rule())
                .isEqualTo("FREQ=WEEKLY;BYDAY=MO,FR");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                " ",
                "FREQ=SOMETIMES",
                "FREQ=YEARLY",
                "FREQ=HOURLY",
                "BYDAY=MO",
                "every Monday",
                "AFTER-LOAD;",
                "AFTER-LOAD;SPAN=6",
                "AFTER-LOAD;SPAN=PT30S",
                "AFTER-LOAD;SPAN=-PT1H",
                "AFTER-LOAD;SPAN=PT800H"
            })
    void what_is_no_rule_that_is_kept_is_refused(String rule) {
        assertThatThrownBy(() -> Recurrence.parse(rule)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void a_week_without_a_day_and_a_month_with_a_32nd_do_not_exist() {
        assertThatThrownBy(() -> new Recurrence.Weekly(Set.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Recurrence.Monthly(0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Recurrence.Monthly(32)).isInstanceOf(IllegalArgumentException.class);
    }
}
