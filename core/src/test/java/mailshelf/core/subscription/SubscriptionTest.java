package mailshelf.core.subscription;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;
import mailshelf.core.json.CoreJson;
import mailshelf.core.json.KeptTerms;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.report.CutId;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.Period;
import mailshelf.core.time.Recurrence;
import mailshelf.core.time.Schedule;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SubscriptionTest {
    private static final Instant WEDNESDAY = Instant.parse("2026-11-25T09:00:00Z");
    private static final PersonId IDA = new PersonId(1);
    private static final PersonId TOR = new PersonId(2);

    @Test
    void it_reads_as_one_plain_sentence() {
        Terms terms =
                terms(List.of("p1", "p2"), List.of(Filter.anyOf("route", List.of("1 Ness–Hovden"))), List.of(IDA, TOR));

        assertThat(Sentence.text(terms, facts(), Words.in(Locale.ENGLISH)))
                .isEqualTo("Every Monday and Thursday at 07:00 (Europe/Oslo), all 2 pages of Cancelled sailings for "
                        + "last week, only route 1 Ness–Hovden, as PDF with the first page in the mail, "
                        + "to me and Tor Egeland, unless there are no rows.");
    }

    @Test
    void who_may_not_know_the_others_is_told_how_many_there_are_and_no_values_that_rules_may_hide() {
        Terms terms =
                terms(List.of("p1", "p2"), List.of(Filter.anyOf("route", List.of("1 Ness–Hovden"))), List.of(IDA, TOR));

        assertThat(Sentence.text(terms, facts(List.of("Route"), SeenAs.RECIPIENT, false), Words.in(Locale.ENGLISH)))
                .contains("last week, with filters,")
                .contains("to me and one other")
                .doesNotContain("Hovden")
                .doesNotContain("Tor");
        assertThat(Sentence.fullText(
                        terms(List.of("p1"), List.of(), List.of(TOR)),
                        facts(List.of(), SeenAs.RECIPIENT, false),
                        Words.in(Locale.ENGLISH)))
                .contains("to one person")
                .doesNotContain("Tor");
    }

    @Test
    void what_is_still_missing_is_marked_in_the_sentence() {
        Terms terms = terms(List.of("p1"), List.of(), List.of());

        assertThat(Sentence.of(terms, facts(), Words.in(Locale.ENGLISH)))
                .filteredOn(Sentence.Phrase::missing)
                .extracting(phrase -> phrase.part().orElseThrow())
                .containsExactly(Part.TO_WHOM);
    }

    @Test
    void a_draft_without_recipients_does_not_start() {
        Subscription draft = draft(terms(List.of("p1"), List.of(), List.of()));

        assertThatThrownBy(() -> draft.start(WEDNESDAY))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("subscription.incomplete-TO_WHOM");
    }

    @Test
    void it_is_due_by_its_schedule_only_while_it_is_active() {
        Subscription active =
                draft(terms(List.of("p1"), List.of(), List.of(IDA))).start(WEDNESDAY);
        Subscription paused = active.pause("holidays");

        assertThat(active.nextDue()).contains(Instant.parse("2026-11-26T06:00:00Z"));
        assertThat(paused.nextDue()).isEmpty();
        assertThat(paused.resume(WEDNESDAY.plusSeconds(86400 * 3)).nextDue())
                .contains(Instant.parse("2026-11-30T06:00:00Z"));
        assertThat(active.end().state()).isEqualTo(State.ENDED);
        assertThatThrownBy(() -> active.end().change(active.terms(), WEDNESDAY)).isInstanceOf(Problem.class);
    }

    @Test
    void the_sentence_says_whose_rows_are_shown_where_rows_are_ruled() {
        Terms terms = terms(List.of("p1"), List.of(), List.of(IDA, TOR));

        assertThat(Sentence.text(terms, facts(List.of("route"), SeenAs.RECIPIENT), Words.in(Locale.ENGLISH)))
                .contains(", each recipient’s own route, as PDF");
        assertThat(Sentence.text(terms, facts(List.of("route"), SeenAs.OWNER), Words.in(Locale.ENGLISH)))
                .contains(", all as Tor Egeland may see it, as PDF");
        assertThat(Sentence.text(terms, facts(), Words.in(Locale.ENGLISH))).doesNotContain("own route");
    }

    @Test
    void terms_of_before_there_were_row_rules_show_each_recipient_his_own_rows() {
        String kept =
                CoreJson.write(terms(List.of("p1"), List.of(), List.of(IDA))).replace("\"seenAs\":\"RECIPIENT\",", "");

        assertThat(kept).doesNotContain("seenAs");
        assertThat(KeptTerms.read(kept).seenAs()).isEqualTo(SeenAs.RECIPIENT);
    }

    @Test
    void terms_kept_as_json_come_back_equal() {
        Terms terms = terms(List.of("p1"), List.of(Filter.anyOf("cause", List.of("wind"))), List.of(IDA));

        assertThat(KeptTerms.read(CoreJson.write(terms))).isEqualTo(terms);
    }

    @Test
    void terms_of_before_there_were_several_reports_have_one() {
        String kept = """
                {"name":"Cancelled","report":7,"pages":["p1"],"follows":3,"period":"last-week","firstDayOfWeek":"MONDAY",
                 "filters":[],"seenAs":"OWNER","recipients":[1],"output":{"pdf":true,"picture":false},
                 "schedule":{"recurrence":"FREQ=DAILY","at":"07:00:00","zone":"Europe/Oslo"},"locale":"en"}""";

        Terms terms = KeptTerms.read(kept);

        assertThat(terms.content())
                .containsExactly(new Content(
                        new ReportId(7),
                        List.of("p1"),
                        List.of(),
                        Optional.of(new CutId(3)),
                        CalendarPeriod.LAST_WEEK,
                        List.of()));
        assertThat(terms.standsOnOwnPage()).isFalse();
        assertThat(KeptTerms.read(CoreJson.write(terms))).isEqualTo(terms);
    }

    @Test
    void blocks_of_several_reports_read_as_one_page_of_its_own() {
        Clip first = new Clip(new ReportId(1), "p1", "b1", CalendarPeriod.LAST_WEEK, List.of());
        Clip second = new Clip(new ReportId(1), "p1", "b2", CalendarPeriod.LAST_WEEK, List.of());
        Clip longer = new Clip(
                new ReportId(1), "p1", "b2", Period.parse("last-4-weeks").orElseThrow(), List.of());
        Terms terms = terms(List.of("p1"), List.of(), List.of(IDA))
                .asIn(new ClippingId(4), Content.of(List.of(first, second, longer)));
        Sentence.Facts facts = new Sentence.Facts(
                Map.of(new ReportId(1), Ferries.definition()),
                "",
                "Morning look",
                List.of(),
                SeenAs.RECIPIENT,
                TOR,
                Map.of(),
                Optional.of(IDA),
                true);

        assertThat(terms.content()).extracting(Content::blocks).containsExactly(List.of("b1", "b2"), List.of("b2"));
        assertThat(Sentence.text(terms, facts, Words.in(Locale.ENGLISH)))
                .contains(", the clipping “Morning look” (3 blocks of Cancelled sailings), as PDF");
        assertThat(terms.windowAt(WEDNESDAY))
                .isEqualTo(new Window(LocalDate.of(2026, 10, 26), LocalDate.of(2026, 11, 22)));
        assertThat(terms.periodAt(WEDNESDAY).code()).isEqualTo("2026-10-26/2026-11-22");
        assertThat(terms.onItsOwn().clipping()).isEmpty();
    }

    @Test
    void what_is_new_begins_where_the_issue_before_ended_and_never_after_it_was_sent() {
        Content news = Content.ofPages(
                new ReportId(1), List.of("p1"), Period.parse("since-last-issue").orElseThrow(), List.of());
        Terms terms = terms(List.of("p1"), List.of(), List.of(IDA));
        Terms asked = new Terms(
                terms.name(),
                List.of(news, terms.content().get(0)),
                Optional.empty(),
                terms.firstDayOfWeek(),
                terms.seenAs(),
                terms.recipients(),
                terms.output(),
                terms.schedule(),
                Optional.empty(),
                Optional.empty(),
                terms.locale());
        Window wholeMonth = new Window(LocalDate.of(2026, 11, 1), LocalDate.of(2026, 11, 30));
        Window lastWeek = new Window(LocalDate.of(2026, 11, 16), LocalDate.of(2026, 11, 22));

        assertThat(asked.goOnFromLastIssue()).isTrue();
        assertThat(terms.goOnFromLastIssue()).isFalse();
        assertThat(asked.firstNewDay(wholeMonth, WEDNESDAY)).isEqualTo(LocalDate.of(2026, 11, 25));
        assertThat(asked.firstNewDay(lastWeek, WEDNESDAY)).isEqualTo(LocalDate.of(2026, 11, 23));
        Terms going = asked.continuing(Optional.of(LocalDate.of(2026, 11, 23)));
        assertThat(going.content().get(0).on(going.inZone(WEDNESDAY), DayOfWeek.MONDAY))
                .isEqualTo(new Window(LocalDate.of(2026, 11, 23), LocalDate.of(2026, 11, 24)));
        assertThat(going.content().get(1)).isEqualTo(terms.content().get(0));
        assertThat(Seam.first(asked, news, terms.schedule().upcoming(WEDNESDAY, Seam.LOOKED_AT)))
                .isEmpty();
    }

    private static Subscription draft(Terms terms) {
        return new Subscription(new SubscriptionId(1), IDA, State.DRAFT, "", 1, terms, Optional.empty());
    }

    @ParameterizedTest
    @CsvSource({
        "FREQ=WEEKLY;BYDAY=MO, last-week, , , ",
        "FREQ=DAILY, yesterday, , , ",
        "FREQ=MONTHLY;BYMONTHDAY=1, last-month, , , ",
        "FREQ=WEEKLY;BYDAY=MO, last-7-days, , , ",
        "FREQ=WEEKLY;BYDAY=MO, yesterday, GAP, 2026-11-30, 2026-12-05",
        "FREQ=WEEKLY;BYDAY=MO, last-4-weeks, OVERLAP, 2026-11-09, 2026-11-29",
        "'FREQ=WEEKLY;BYDAY=MO,TH', last-week, SAME, 2026-11-23, 2026-11-29",
        "FREQ=MONTHLY;BYMONTHDAY=1, last-week, GAP, 2026-11-30, 2026-12-20",
        "FREQ=DAILY, this-month, OVERLAP, 2026-11-01, 2026-11-26",
        "FREQ=DAILY, 2026-11-01/2026-11-02, , , ",
    })
    void issues_that_do_not_meet_day_by_day_are_pointed_out(
            String rule, String period, Seam.Kind kind, LocalDate from, LocalDate to) {
        Terms terms = terms(List.of("p1"), List.of(), List.of(IDA));
        Content content = Content.ofPages(
                new ReportId(1), List.of("p1"), Period.parse(period).orElseThrow(), List.of());
        Terms asked = new Terms(
                terms.name(),
                List.of(content),
                Optional.empty(),
                terms.firstDayOfWeek(),
                terms.seenAs(),
                terms.recipients(),
                terms.output(),
                new Schedule(Recurrence.parse(rule), LocalTime.of(7, 0), ZoneId.of("Europe/Oslo")),
                Optional.empty(),
                Optional.empty(),
                terms.locale());

        Optional<Seam> seam = Seam.first(asked, content, asked.schedule().upcoming(WEDNESDAY, Seam.LOOKED_AT));

        assertThat(seam.map(Seam::kind)).isEqualTo(Optional.ofNullable(kind));
        seam.ifPresent(found -> assertThat(found.days()).isEqualTo(new Window(from, to)));
    }

    private static Sentence.Facts facts() {
        return facts(List.of(), SeenAs.RECIPIENT);
    }

    private static Sentence.Facts facts(List<String> ruled, SeenAs seenAs) {
        return facts(ruled, seenAs, true);
    }

    private static Sentence.Facts facts(List<String> ruled, SeenAs seenAs, boolean whole) {
        return new Sentence.Facts(
                Map.of(new ReportId(1), Ferries.definition()),
                "",
                "",
                ruled,
                seenAs,
                TOR,
                Map.of(IDA, "Ida Solvang", TOR, "Tor Egeland"),
                Optional.of(IDA),
                whole);
    }

    private static Terms terms(List<String> pages, List<Filter> filters, List<PersonId> recipients) {
        var mondayAndThursday = new Recurrence.Weekly(Set.of(DayOfWeek.MONDAY, DayOfWeek.THURSDAY));
        return new Terms(
                "Cancelled, weekly",
                List.of(Content.ofPages(new ReportId(1), pages, CalendarPeriod.LAST_WEEK, filters)),
                Optional.empty(),
                DayOfWeek.MONDAY,
                SeenAs.RECIPIENT,
                recipients,
                new Output(true, false),
                new Schedule(mondayAndThursday, LocalTime.of(7, 0), ZoneId.of("Europe/Oslo")),
                Optional.empty(),
                Optional.empty(),
                Locale.ENGLISH);
    }

    @Test
    void what_is_due_stays_due_when_it_is_changed_before_it_is_booked() {
        Terms terms = terms(List.of("p1"), List.of(), List.of(IDA));
        Subscription active = Subscription.draft(IDA, terms).start(WEDNESDAY);
        Instant due = active.nextDue().orElseThrow();
        Instant justAfter = due.plusSeconds(20);

        Subscription changed = active.change(terms(List.of("p2"), List.of(), List.of(IDA)), justAfter);

        assertThat(changed.nextDue()).contains(due);
        assertThat(changed.isDue(justAfter)).isTrue();
        assertThat(changed.booked(due).nextDue())
                .hasValueSatisfying(next -> assertThat(next).isAfter(justAfter));
        assertThat(active.change(terms, due.minusSeconds(20)).isDue(due.minusSeconds(20)))
                .isFalse();
    }
}
