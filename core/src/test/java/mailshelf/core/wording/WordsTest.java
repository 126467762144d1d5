package mailshelf.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.audience.Recipient;
import mailshelf.core.data.Filter;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.time.Period;
import mailshelf.core.time.Window;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class WordsTest {
    private final Words words = Words.in(Locale.ENGLISH);
    private final Dates oslo = words.dates(ZoneId.of("Europe/Oslo"));

    static Stream<String> problems() {
        ResourceBundle bundle = ResourceBundle.getBundle("mailshelf.core.wording.words", Locale.ROOT);
        return bundle.keySet().stream()
                .filter(key -> key.startsWith("problem."))
                .sorted();
    }

    @ParameterizedTest
    @MethodSource("problems")
    void a_problem_says_what_happened_what_it_means_and_what_to_do(String key) {
        List<String> sentences = Problem.invalid(key.substring("problem.".length()), "A", "B", "C")
                .sentences(words);

        assertThat(sentences)
                .hasSize(3)
                .allSatisfy(sentence ->
                        assertThat(sentence).isNotBlank().doesNotContain("|").doesNotContain("!"));
    }

    static Stream<String> choices() {
        return Stream.of(
                        keys("trigger.", Trigger.Kind.values()),
                        keys("inclusion.", Recipient.Inclusion.values()),
                        keys("delivery.", DeliveryState.values()),
                        keys("filter.", Filter.Test.values()))
                .flatMap(keys -> keys);
    }

    private static Stream<String> keys(String before, Enum<?>[] values) {
        return Arrays.stream(values).map(value -> before + value.name());
    }

    @ParameterizedTest
    @MethodSource("choices")
    void every_choice_that_people_read_has_words(String key) {
        assertThat(words.has(key)).as(key).isTrue();
        assertThat(words.say(key, "A", "B")).isNotBlank();
    }

    @Test
    void lists_read_as_people_write_them() {
        assertThat(words.list(List.of())).isEmpty();
        assertThat(words.list(List.of("wind"))).isEqualTo("wind");
        assertThat(words.list(List.of("wind", "crew"))).isEqualTo("wind and crew");
        assertThat(words.list(List.of("wind", "crew", "engine"))).isEqualTo("wind, crew and engine");
        assertThat(words.shortList(List.of("a", "b", "c", "d", "e"), 3)).isEqualTo("a, b, c and 2 more");
        assertThat(words.shortList(List.of("a", "b", "c"), 3)).isEqualTo("a, b and c");
    }

    @Test
    void moments_are_told_in_the_zone_of_who_reads_them() {
        Instant monday = Instant.parse("2026-11-23T06:00:00Z");
        assertThat(oslo.moment(monday)).isEqualTo("Mon 23 Nov, 07:00");
        assertThat(oslo.fullMoment(monday)).isEqualTo("Mon 23 Nov 2026, 07:00");
        assertThat(words.dates(ZoneId.of("Asia/Kolkata")).moment(monday)).isEqualTo("Mon 23 Nov, 11:30");
        assertThat(oslo.time(LocalTime.of(6, 5))).isEqualTo("06:05");
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-16, 2026-11-22, 16–22 Nov, 16–22 Nov 2026",
        "2026-10-26, 2026-11-01, 26 Oct – 1 Nov, 26 Oct – 1 Nov 2026",
        "2026-11-30, 2026-11-30, 30 Nov, 30 Nov 2026",
        "2026-12-28, 2027-01-03, 28 Dec 2026 – 3 Jan 2027, 28 Dec 2026 – 3 Jan 2027",
    })
    void a_span_of_days_says_each_month_and_year_once(LocalDate from, LocalDate to, String inShort, String inFull) {
        Window window = new Window(from, to);
        assertThat(oslo.window(window)).isEqualTo(inShort);
        assertThat(oslo.fullWindow(window)).isEqualTo(inFull);
    }

    @Test
    void a_language_that_is_not_there_yet_reads_english() {
        assertThat(Words.in(Locale.FRENCH).say("period.COMPLETE.WEEK", 1)).isEqualTo("last week");
    }

    @ParameterizedTest
    @CsvSource({
        "yesterday, yesterday, the day before",
        "today, today so far, yesterday",
        "last-week, last week, the week before",
        "last-4-weeks, the last 4 weeks, the 4 weeks before",
        "last-4-weeks-with-this, the last 4 weeks with this one to date, the same days of the 4 weeks before",
        "this-half-year, this half-year to date, the same days of the half-year before",
        "whole-quarter, the whole of this quarter, the quarter before",
        "past-12-months, the past 12 months, the 12 months before",
    })
    void a_period_is_called_as_people_call_it(String code, String said, String before) {
        Period period = Period.parse(code).orElseThrow();
        assertThat(PeriodWords.of(period, words)).contains(said);
        assertThat(PeriodWords.before(period, false, words)).isEqualTo(before);
    }
}
