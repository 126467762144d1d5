package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Pages of one's own that are sent: as one page, to others too, following the clipping that they came from. */
class ClippingSentTest {
    private static final long MARIT = 2;
    private static final long IDA = 3;
    private static final long TOR = 4;

    /** Over sailings; crew hours are of another data set, in which each route lead sees his own route. */
    private static final long CANCELLED = 1;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("clipping-sent");

    private static Api marit;
    private static Api sunniva;
    private static long crewHours;

    @BeforeAll
    static void signIn() {
        marit = DEMO.as("Marit Lunde");
        sunniva = DEMO.as("Sunniva Rein");
        crewHours = report("Crew hours");
    }

    private static long report(String title) {
        return marit.get("library")
                .get("entries")
                .valueStream()
                .filter(entry -> entry.get("title").asString().equals(title))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
    }

    @Test
    void one_that_follows_anothers_clipping_is_copied_with_its_blocks_as_ones_own() {
        long clipping = keep("Copied", clip(CANCELLED, "overview", "b1"));
        Reader marits = DEMO.reader().signInAs("Marit Lunde");
        marits.page.navigate("/compose?clipping=" + clipping);
        marits.button("Start subscription").click();
        Wait.until("it is started", () -> marit.get("subscriptions").toString().contains("\"name\":\"Copied\""));
        long id = marit.get("subscriptions")
                .valueStream()
                .filter(line -> line.get("name").asString().equals("Copied"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();

        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/compose?like=" + id);
        reader.button("Keep as draft").click();
        assertThat(reader.page).hasURL(Pattern.compile("/subscriptions/\\d+"));
    }

    @Test
    void it_is_subscribed_to_where_it_is_read_and_stands_on_the_shelf_as_one_page() {
        long clipping = keep(
                "Monday morning",
                clip(CANCELLED, "overview", "b1"),
                clip(2, "overview", "b1"),
                clip(2, "routes", "b1"));
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.navigate("/clippings/" + clipping);
        reader.link("Subscribe").click();
        reader.button("Start subscription").click();
        reader.page.waitForURL(Pattern.compile("/clippings/\\d+$"));
        assertThat(reader.page.getByText("Sent by Monday morning")).isVisible();

        JsonNode line = line("Monday morning");
        assertThat(line.get("sentence").asString())
                .contains(
                        "the clipping “Monday morning” (3 blocks of Cancelled sailings and Passengers carried), as PDF"
                                + " with the page in the mail, to me");
        long issue = Sends.issue(marit, line.get("id").asLong());
        reader.page.navigate("/issues/" + issue);

        assertThat(reader.page.getByText("page 1 of 1")).isVisible();
        JsonNode shown = marit.get("issues/" + issue).get("shown").get("page");
        assertThat(shown.get("sections")
                        .valueStream()
                        .map(each -> each.get("title").asString()))
                .containsExactly("Cancelled sailings", "Passengers carried", "Passengers carried");
        assertThat(shown.get("figures").get(0).get("value"))
                .isEqualTo(live(CANCELLED).get("figures").get(0).get("value"));
        assertThat(marit.get("issues/" + issue).get("colophon").toString())
                .contains("Cancelled sailings")
                .contains("Passengers carried");
        String text =
                marit.get("issues/" + issue + "/mail").get("text").asString().replace("\r", "");
        assertThat(text.indexOf("Cancelled sailings\n---")).isBetween(0, text.indexOf("Passengers carried\n---"));
    }

    @Test
    void others_get_the_page_as_far_as_they_may_see_all_its_reports_with_their_own_rows() {
        long clipping =
                keep("Crews and cancellations", clip(CANCELLED, "overview", "b1"), clip(crewHours, "hours", "b1"));
        long anders = 7;
        long subscription = subscribe("Crews", clipping, IDA, TOR, anders);

        long issue = Sends.issue(marit, subscription);

        assertThat(marit.get("subscriptions/" + subscription)
                        .get("fullSentence")
                        .asString())
                .contains("each recipient’s own route");
        JsonNode idas =
                DEMO.as("Ida Solvang").get("issues/" + issue).get("shown").get("page");
        JsonNode tors =
                DEMO.as("Tor Egeland").get("issues/" + issue).get("shown").get("page");
        assertThat(idas.get("figures").get(0)).isEqualTo(tors.get("figures").get(0));
        assertThat(idas.get("figures").get(1).get("value"))
                .isNotEqualTo(tors.get("figures").get(1).get("value"));
        assertThat(idas.get("sections").get(1).get("showing").asString()).contains("limited to");
        assertThat(DEMO.as("Anders Moe").status("issues/" + issue)).isEqualTo(404);
        assertThat(marit.get("candidates?report=" + CANCELLED + "&report=" + crewHours)
                        .valueStream()
                        .filter(person -> person.get("id").asLong() == anders)
                        .map(person -> person.get("maySee").asBoolean()))
                .containsExactly(false);
    }

    @Test
    void what_follows_it_changes_with_it_and_keeps_its_blocks_when_it_goes() {
        long clipping = keep("Followed", clip(CANCELLED, "overview", "b1"));
        long subscription = subscribe("Follows", clipping, MARIT);
        long before = Sends.issue(marit, subscription);

        marit.post("clippings/" + clipping + "/clips", Map.of("clips", List.of(clip(crewHours, "hours", "b1"))));

        assertThat(terms(subscription).get("content")).hasSize(2);
        assertThat(marit.get("clippings/" + clipping)
                        .get("followers")
                        .get(0)
                        .get("name")
                        .asString())
                .isEqualTo("Follows");
        Map<String, Object> emptied = Map.of("wish", Map.of("name", "Followed", "clips", List.of()), "version", 2);
        assertThat(marit.refused("PUT", "clippings/" + clipping, emptied).code())
                .isEqualTo("clipping.followed");

        marit.delete("clippings/" + clipping);

        assertThat(terms(subscription).get("clipping").isNull()).isTrue();
        assertThat(terms(subscription).get("content")).hasSize(2);
        long after = Sends.issue(marit, subscription);
        assertThat(marit.get("issues/" + before).get("shown").get("page").get("sections"))
                .hasSize(1);
        assertThat(marit.get("issues/" + after).get("shown").get("page").get("sections"))
                .hasSize(2);
        assertThat(marit.get("issues/" + after).get("previous").asLong()).isEqualTo(before);
    }

    @Test
    void an_issue_is_opened_by_who_may_see_all_that_it_is_of_whatever_the_subscription_sends_now() {
        Staff.granted(sunniva, Staff.hired(sunniva, "Leif Looks"), 1, "SEE");
        Api leif = DEMO.as("Leif Looks");
        long clipping = keep("Changing", clip(CANCELLED, "overview", "b1"), clip(crewHours, "hours", "b1"));
        long subscription = subscribe("Changes", clipping, MARIT);
        long ofBoth = Sends.issue(marit, subscription);
        marit.put(
                "clippings/" + clipping,
                Map.of(
                        "wish",
                        Map.of("name", "Changing", "clips", List.of(clip(CANCELLED, "overview", "b1"))),
                        "version",
                        1));
        long ofOne = Sends.issue(marit, subscription);

        assertThat(leif.status("issues/" + ofOne)).isEqualTo(200);
        assertThat(leif.status("issues/" + ofBoth)).isEqualTo(404);
        assertThat(leif.get("issues/" + ofOne).get("previous").isNull()).isTrue();
        assertThat(leif.get("issues/" + ofOne).get("neighbours")).hasSize(1);
        assertThat(leif.get("shelf?scope=ALL").get("rows").toString())
                .contains("\"id\":" + ofOne + ",")
                .doesNotContain("\"id\":" + ofBoth + ",");
    }

    @Test
    void content_that_makes_no_sense_is_refused() {
        long clipping = keep("Refused", clip(CANCELLED, "overview", "b1"));
        Map<String, Object> pages = Wishes.terms(MARIT);
        Map<String, Object> block = Wishes.of(pages, "blocks", List.of("b1"));

        assertThat(refused(Wishes.with(pages, "content", List.of()))).isEqualTo("subscription.mixed-content");
        assertThat(refused(Wishes.of(block, "blocks", List.of("b1", "b1")))).isEqualTo("subscription.block-twice");
        assertThat(refused(Wishes.of(block, "blocks", List.of("nowhere")))).isEqualTo("subscription.no-such-block");
        assertThat(refused(Wishes.of(block, "pages", List.of("overview", "routes"))))
                .isEqualTo("subscription.mixed-content");
        assertThat(DEMO.as("Ida Solvang")
                        .refused(
                                "POST",
                                "subscriptions",
                                Map.of("terms", Wishes.with(pages, "clipping", clipping), "start", true))
                        .code())
                .isEqualTo("subscription.no-such-clipping");
    }

    private static String refused(Map<String, Object> terms) {
        return marit.refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                .code();
    }

    private static JsonNode live(long report) {
        return marit.get("reports/" + report + "?period=last-month")
                .get("shown")
                .get("page");
    }

    private static JsonNode terms(long subscription) {
        return marit.get("subscriptions/" + subscription).get("terms");
    }

    private static JsonNode line(String name) {
        return marit.get("subscriptions")
                .valueStream()
                .filter(line -> line.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static long subscribe(String name, long clipping, long... recipients) {
        Map<String, Object> terms = Wishes.with(Wishes.terms(recipients), "name", name);
        terms = Wishes.with(Wishes.with(terms, "content", List.of()), "clipping", clipping);
        return marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    private static long keep(String name, Object... clips) {
        return marit.post("clippings", Map.of("name", name, "clips", List.of(clips)))
                .get("id")
                .asLong();
    }

    private static Map<String, Object> clip(long report, String page, String block) {
        return Map.of("report", report, "page", page, "block", block, "period", "last-month", "filters", List.of());
    }
}
