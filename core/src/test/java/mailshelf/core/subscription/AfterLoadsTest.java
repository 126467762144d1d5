package mailshelf.core.subscription;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.condition.FreshData;
import mailshelf.core.json.CoreJson;
import mailshelf.core.json.KeptTerms;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.Recurrence;
import mailshelf.core.time.Schedule;
import mailshelf.core.wording.Words;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AfterLoadsTest {
    private static final Instant NOW = Instant.parse("2026-11-25T09:00:00Z");
    private static final Duration SIX_HOURS = Duration.ofHours(6);
    private static final PersonId IDA = new PersonId(1);

    @Test
    void nothing_is_due_until_its_data_are_loaded() {
        Subscription active = started(SIX_HOURS);

        assertThat(active.nextDue()).isEmpty();
        assertThat(active.loaded(NOW, Optional.empty()).nextDue()).contains(NOW);
        assertThat(active.loaded(NOW, Optional.empty()).booked(NOW).nextDue()).isEmpty();
    }

    @Test
    void a_load_within_the_span_waits_for_its_end_and_a_second_one_with_it() {
        Instant last = NOW.minus(Duration.ofHours(2));
        Subscription waiting = started(SIX_HOURS).loaded(NOW, Optional.of(last));

        assertThat(waiting.nextDue()).contains(last.plus(SIX_HOURS));
        assertThat(waiting.loaded(NOW.plusSeconds(600), Optional.of(last)).nextDue())
                .contains(last.plus(SIX_HOURS));
        assertThat(started(SIX_HOURS)
                        .loaded(NOW, Optional.of(NOW.minus(SIX_HOURS)))
                        .nextDue())
                .contains(NOW);
    }

    @Test
    void a_load_that_waits_is_not_forgotten_when_something_else_is_changed() {
        Subscription waiting = started(SIX_HOURS).loaded(NOW, Optional.of(NOW.minusSeconds(60)));
        Terms fewer = waiting.terms().withRecipients(List.of(new PersonId(2)));

        assertThat(waiting.change(fewer, NOW).nextDue()).isEqualTo(waiting.nextDue());
        assertThat(waiting.pause("holidays").resume(NOW).nextDue()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            PT0S  | After each load of its data, all 2 pages
            PT90M | After each load of its data, at least 90 minutes apart, all 2 pages
            PT6H  | After each load of its data, at least 6 hours apart, all 2 pages
            PT24H | After each load of its data, at least a day apart, all 2 pages
            """)
    void the_sentence_says_what_it_is_sent_after(Duration span, String said) {
        assertThat(sentence(terms(new Recurrence.AfterLoad(span), Optional.empty())))
                .startsWith(said);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            SEND | 0 | , unless there are no rows.
            SEND | 3 | , unless there are no rows, up to 3 hours later where a load has failed.
            SKIP | 0 | , unless there are no rows or their last load failed.
            SKIP | 1 | , unless there are no rows, or their last load failed and none succeeds within an hour.
            """)
    void the_sentence_says_what_becomes_of_it_where_a_load_fails(FreshData.IfStale ifStale, int hours, String said) {
        Terms terms = terms(new Recurrence.Daily(), Optional.of(new FreshData(true, hours, ifStale)));

        assertThat(sentence(terms))
                .startsWith("Every day at 07:00 (Europe/Oslo), its data loaded first, ")
                .endsWith(said);
        assertThat(KeptTerms.read(CoreJson.write(terms))).isEqualTo(terms);
    }

    @Test
    void data_of_which_nothing_is_asked_are_not_kept_as_asked() {
        Terms terms = terms(new Recurrence.Daily(), Optional.of(new FreshData(false, 0, FreshData.IfStale.SEND)));

        assertThat(terms.freshData()).isEmpty();
        assertThat(KeptTerms.read(CoreJson.write(terms).replace("\"freshData\":null,", "")))
                .isEqualTo(terms);
    }

    private static String sentence(Terms terms) {
        Sentence.Facts facts = new Sentence.Facts(
                Map.of(new ReportId(1), Ferries.definition()),
                "",
                "",
                List.of(),
                SeenAs.RECIPIENT,
                IDA,
                Map.of(IDA, "Ida Solvang"),
                Optional.of(IDA),
                true);
        return Sentence.text(terms, facts, Words.in(Locale.ENGLISH));
    }

    private static Subscription started(Duration span) {
        return Subscription.draft(IDA, terms(new Recurrence.AfterLoad(span), Optional.empty()))
                .start(NOW);
    }

    private static Terms terms(Recurrence recurrence, Optional<FreshData> freshData) {
        return new Terms(
                "Cancelled, weekly",
                List.of(Content.ofPages(new ReportId(1), List.of("p1", "p2"), CalendarPeriod.LAST_WEEK, List.of())),
                Optional.empty(),
                DayOfWeek.MONDAY,
                SeenAs.RECIPIENT,
                List.of(IDA),
                new Output(true, false),
                new Schedule(recurrence, LocalTime.of(7, 0), ZoneId.of("Europe/Oslo")),
                freshData,
                Optional.empty(),
                Locale.ENGLISH);
    }
}
