package mailshelf.core.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
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
