package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Subject and text of mails with fields: shown as they are written, sent as shown, each with what its reader may see. */
class LetterTest {
    private static final long IDA = 3;
    private static final long TOR = 4;
    private static final long CREW_HOURS = 5;
    private static final long CREW = 5;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("letter");

    private static Api sunniva;
    private static Api marit;

    @BeforeAll
    static void signIn() {
        sunniva = DEMO.as("Sunniva Rein");
        marit = DEMO.as("Marit Lunde");
    }

    @Test
    void it_is_written_with_fields_from_a_list_and_seen_as_each_recipient_gets_it() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.navigate("/compose?report=1");
        reader.button("Cancelled sailings: No. 1, " + lastWeek()).click();
        Locator subject = reader.field("Subject, with fields in braces");
        subject.fill("Sailings on ");
        reader.button("value of routes I lead").click();
        reader.field("Words before the figures (may be empty)").fill("Good morning ");
        reader.button("recipient").click();
        assertThat(reader.page.frameLocator("iframe[title*='mail']").getByText("Good morning Marit Lunde"))
                .isVisible();
        assertThat(reader.page.locator("main")).containsText("under a subject and after words of its own");

        subject.fill("{rout}");
        assertThat(reader.page.getByText("There is no field “rout”")).isVisible();
        reader.button("Start subscription").click();
        assertThat(reader.page.getByText("There is no field “rout” for a letter."))
                .isVisible();
        subject.fill("{days}, sailings");
        assertThat(reader.page.getByText("The subject begins with what changes"))
                .isVisible();
        subject.fill("Sailings: {figure of Cancelled sailings} cancelled");
        reader.button("Start subscription").click();
        assertThat(reader.page.getByText("is started. The first send is")).isVisible();

        long made = marit.get("subscriptions")
                .valueStream()
                .mapToLong(line -> line.get("id").asLong())
                .max()
                .orElseThrow();
        JsonNode shown = marit.get("issues/" + Sends.issue(marit, made));
        assertThat(Inbox.newest(sunniva, "marit.lunde").get("subject").asString())
                .isEqualTo("Sailings: " + firstFigure(shown) + " cancelled");
        assertThat(Inbox.source(sunniva, "marit.lunde")).contains("Good morning Marit Lunde");
    }

    private static String lastWeek() {
        return marit.post("compositions", Map.of("terms", Wishes.with(Wishes.terms(2), "name", "x")))
                .get("daysNow")
                .asString();
    }

    private static String firstFigure(JsonNode issue) {
        return issue.get("shown").get("page").get("figures").get(0).get("value").asString();
    }

    @Test
    void each_reads_what_named_values_come_to_in_the_rows_that_they_may_see() {
        long subscription = started(Wishes.with(
                Wishes.terms(IDA, TOR),
                "letter",
                letter("Sailings of {value of routes I lead}", "Yours: {value of routes I lead}.\n\n{recipient}")));

        long issue = Sends.issue(marit, subscription);

        assertThat(Inbox.newest(sunniva, "ida.solvang").get("subject").asString())
                .isEqualTo("Sailings of " + routes("Ida Solvang"));
        assertThat(Inbox.newest(sunniva, "tor.egeland").get("subject").asString())
                .isEqualTo("Sailings of " + routes("Tor Egeland"));
        assertThat(routes("Ida Solvang")).isNotEqualTo(routes("Tor Egeland"));
        assertThat(firstFigure(DEMO.as("Ida Solvang").get("issues/" + issue)))
                .isEqualTo(firstFigure(DEMO.as("Tor Egeland").get("issues/" + issue)));
        assertThat(DEMO.as("Ida Solvang").get("issues/" + issue).get("files").findValuesAsString("name"))
                .isNotEmpty()
                .doesNotContain("letter.json");
        assertThat(marit.get("subscriptions/" + subscription)
                        .get("fullSentence")
                        .asString())
                .contains("under the subject “Sailings of {value of routes I lead}” after the words"
                        + " “Yours: {value of routes I lead}. /  / {recipient}”");
        JsonNode kept = Wishes.namedValue(sunniva, "routes I lead");
        assertThat(kept.get("uses").asString()).contains("“A test”");
        assertThat(sunniva.refused("DELETE", "named-values/" + kept.get("id").asLong(), null)
                        .code())
                .isEqualTo("named.in-use");
    }

    private static String routes(String person) {
        return Wishes.namedValue(DEMO.as(person), "routes I lead")
                .get("outcome")
                .get("written")
                .asString();
    }

    @Test
    void nobody_finds_out_by_composing_what_others_read() {
        Api ida = DEMO.as("Ida Solvang");
        Map<String, Object> draft = Wishes.draft(
                Wishes.with(Wishes.terms(IDA, TOR), "letter", letter("Sailings of {value of routes I lead}", "")));
        draft.put("as", TOR);
        JsonNode asTor = ida.post("compositions", draft);
        draft.put("as", IDA);
        JsonNode asIda = ida.post("compositions", draft);

        assertThat(asTor.get("withheld").asString()).isNotEmpty();
        assertThat(asTor.toString()).doesNotContain(routes("Tor Egeland"));
        assertThat(asIda.get("mail").get("subject").asString()).contains(routes("Ida Solvang"));
        draft.put("own", 1);
        assertThat(ida.refused("POST", "compositions", draft).code()).isEqualTo("subscription.not-yours");
    }

    @Test
    void copies_that_say_the_same_of_rows_that_differ_are_made_side_by_side() {
        Map<String, Object> same = Wishes.named("always the same", "");
        same.put("kind", "FIRST");
        same.put("dataSet", CREW_HOURS);
        same.put("column", "duty");
        sunniva.post("named-values", Map.of("folder", CREW, "named", same));
        long subscription = started(
                Wishes.with(Wishes.terms(IDA, TOR), "letter", letter("First: {value of always the same; none}", "")));

        JsonNode issue = marit.get("issues/" + Sends.issue(marit, subscription));

        assertThat(issue.get("made").asBoolean()).isTrue();
        assertThat(Inbox.newest(sunniva, "ida.solvang").get("subject").asString())
                .isEqualTo(Inbox.newest(sunniva, "tor.egeland").get("subject").asString());
    }

    @Test
    void what_cannot_be_kept_is_refused_and_what_is_lost_later_says_what_stands_there_otherwise() {
        assertThat(refused(letter("two\nlines", ""))).isEqualTo("letter.unsound");
        assertThat(refused(letter("", "x".repeat(2001)))).isEqualTo("letter.unsound");
        assertThat(refused(letter("{figure of What nobody counts}", ""))).isEqualTo("letter.unknown-field");
        assertThat(refused(letter("", "{value of nobody knows}"))).isEqualTo("letter.unknown-field");
        Map<String, Object> asOwner = Wishes.with(Wishes.terms(2, IDA), "seenAs", "OWNER");
        assertThat(marit.refused(
                                "POST",
                                "subscriptions",
                                Map.of(
                                        "terms",
                                        Wishes.with(asOwner, "letter", letter("Of {value of routes I lead}", "")),
                                        "start",
                                        true))
                        .says())
                .contains("“crew hours” lets each see their own rows alone.");
        sunniva.post("named-values", Map.of("folder", CREW, "named", constant("of the crew")));
        Map<String, Object> ofCrew = Wishes.with(
                Wishes.of(Wishes.of(Wishes.terms(7), "report", 2), "pages", List.of("overview")),
                "letter",
                letter("Of {value of of the crew}", ""));
        assertThat(DEMO.as("Anders Moe")
                        .refused("POST", "subscriptions", Map.of("terms", ofCrew, "start", true))
                        .says())
                .contains("There is no field “value of of the crew”");
        JsonNode composed = DEMO.as("Anders Moe").post("compositions", Wishes.draft(ofCrew));
        assertThat(composed.get("mail").get("subject").asString()).isEqualTo("Of –");
        assertThat(composed.get("letter").toString()).doesNotContain("of the crew");

        long report = sunniva.post("reports", Map.of("folder", 1, "yaml", report("Piers used")))
                .get("id")
                .asLong();
        long subscription = started(Wishes.with(
                Wishes.of(Wishes.terms(2), "report", report),
                "letter",
                letter("Piers: {figure of Piers used; not said}", "")));
        JsonNode losing = sunniva.post("reports/" + report + "/losses", Map.of("yaml", report("Calls at piers")));
        assertThat(losing.get(0).get("lost").toString()).contains("{\"kind\":\"LETTER\",\"name\":\"Piers used\"}");
        assertThat(losing.get(0).get("pauses").asBoolean()).isFalse();
        sunniva.put("reports/" + report + "/definition", Map.of("yaml", report("Calls at piers"), "after", 1));
        Sends.issue(marit, subscription);
        assertThat(Inbox.newest(sunniva, "marit.lunde").get("subject").asString())
                .isEqualTo("Piers: not said");
    }

    private static String report(String figure) {
        return """
                report: Piers of late
                about: How many boats lay where.
                data: sailings
                measures:
                  all: {title: Sailings, count: rows}
                pages:
                  - page: Overview
                    id: overview
                    blocks:
                      - {figure: all, title: %s}
                """.formatted(figure);
    }

    private static Map<String, Object> constant(String name) {
        Map<String, Object> named = Wishes.named(name, "");
        named.put("kind", "CONSTANT");
        named.put("values", List.of("one"));
        return named;
    }

    private static Map<String, String> letter(String subject, String text) {
        return Map.of("subject", subject, "text", text);
    }

    private static String refused(Map<String, String> letter) {
        Map<String, Object> terms = Wishes.with(Wishes.terms(2), "letter", letter);
        return marit.refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                .code();
    }

    private static long started(Map<String, Object> terms) {
        return marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }
}
