package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What can be done with a subscription, and what is refused, in words. */
class SubscriptionApiTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("subscriptions");

    private static Api marit;
    private static Api ida;
    private static long maritId;
    private static long idaId;
    private static long torId;

    @BeforeAll
    static void start() {
        marit = DEMO.as("Marit Lunde");
        ida = DEMO.as("Ida Solvang");
        maritId = marit.get("session").get("me").get("id").asLong();
        idaId = ida.get("session").get("me").get("id").asLong();
        torId = DEMO.as("Tor Egeland").get("session").get("me").get("id").asLong();
    }

    @Test
    void a_draft_sends_nothing_until_it_is_started() {
        long id = keep(Wishes.terms(maritId), false);
        assertThat(line(id).get("state").asString()).isEqualTo("DRAFT");
        assertThat(line(id).get("nextDue").isNull()).isTrue();

        marit.post("subscriptions/" + id + "/start", null);
        assertThat(line(id).get("state").asString()).isEqualTo("ACTIVE");
        assertThat(line(id).get("nextDue").asString()).endsWith(":00:00Z");
        assertThat(marit.refused("POST", "subscriptions/" + id + "/start", null).code())
                .isEqualTo("subscription.already-started");
    }

    @Test
    void what_is_missing_is_named_and_keeps_it_from_starting() {
        Map<String, Object> terms = Wishes.with(Wishes.of(Wishes.terms(), "pages", List.of()), "name", " ");
        JsonNode composed = marit.post("compositions", Wishes.draft(terms));
        assertThat(composed.get("missing").valueStream().map(JsonNode::asString))
                .containsExactly("WHAT", "TO_WHOM", "NAME");
        assertThat(composed.get("mail").isNull()).isTrue();

        Api.Refusal refusal = marit.refused("POST", "subscriptions", Map.of("terms", terms, "start", true));
        assertThat(refusal.status()).isEqualTo(422);
        assertThat(refusal.code()).startsWith("subscription.incomplete");
    }

    @Test
    void a_change_over_an_older_version_is_refused_and_loses_nothing() {
        long id = keep(Wishes.terms(maritId), true);
        change(id, 1, Wishes.with(Wishes.terms(maritId), "name", "Renamed"));
        Api.Refusal refusal = marit.refused(
                "PUT",
                "subscriptions/" + id,
                Wishes.with(Wishes.terms(maritId), "name", "Renamed otherwise"),
                Map.of("If-Match", "\"1\""));
        assertThat(refusal.status()).isEqualTo(412);
        assertThat(refusal.code()).isEqualTo("subscription.changed-meanwhile");

        JsonNode view = marit.get("subscriptions/" + id);
        assertThat(view.get("line").get("name").asString()).isEqualTo("Renamed");
        assertThat(view.get("version").asInt()).isEqualTo(2);
        assertThat(view.get("history").get(0).get("by").asString()).isEqualTo("Marit Lunde");
    }

    @Test
    void sentence_strip_and_next_send_agree() {
        Map<String, Object> terms = Wishes.with(
                Wishes.terms(maritId),
                "schedule",
                Wishes.schedule("FREQ=MONTHLY;BYMONTHDAY=28,29,30,31;BYSETPOS=-1", "06:30"));
        JsonNode composed = marit.post("compositions", Wishes.draft(terms));
        assertThat(composed.get("sends")).hasSize(12);
        assertThat(composed.get("sends")
                        .valueStream()
                        .map(send -> send.get("day").asString()))
                .contains("31 Mar", "30 Apr");

        long id = keep(terms, true);
        assertThat(line(id).get("nextDue").asString())
                .isEqualTo(composed.get("sends").get(0).get("at").asString());
        assertThat(line(id).get("sentence").asString()).contains("06:30 (Europe/Oslo)");
    }

    @Test
    void the_previewed_file_is_the_file_that_a_trial_sends() {
        long id = keep(Wishes.with(Wishes.terms(maritId), "name", "Preview"), false);
        byte[] previewed = marit.answer("POST", "compositions/pdf", Wishes.draft(terms(id)), Map.of())
                .body();
        long run = marit.post("subscriptions/" + id + "/try", null).get("id").asLong();
        Wait.until("the trial is out", () -> closed(run));
        long issue = marit.get("runs/" + run).get("issue").asLong();
        String sha =
                marit.get("issues/" + issue).get("files").get(0).get("sha256").asString();

        // both are made of the same minute's figures, unless the minute turned in between
        byte[] sent = marit.bytes("issues/" + issue + "/files/" + sha);
        byte[] after = marit.answer("POST", "compositions/pdf", Wishes.draft(terms(id)), Map.of())
                .body();
        assertThat(sent).isIn(previewed, after);
        assertThat(marit.get("issues/" + issue).get("trial").asBoolean()).isTrue();
        assertThat(line(id).get("spines")).isEmpty();
    }

    @Test
    void of_no_report_nobody_is_named_and_nothing_is_shown_to_others() {
        assertThat(ida.refused("GET", "candidates", null).code()).isEqualTo("candidates.of-nothing");
        long empty = ida.post("clippings", Map.of("name", "Nothing yet", "clips", List.of()))
                .get("id")
                .asLong();
        Map<String, Object> terms = Wishes.with(Wishes.terms(torId), "content", List.of());
        terms = Wishes.with(Wishes.with(terms, "clipping", empty), "letter", Map.of("subject", "Look", "text", "here"));

        Api.Refusal refusal = ida.refused("POST", "subscriptions", Map.of("terms", terms, "start", false));
        assertThat(refusal.code()).isEqualTo("subscription.no-content");
    }

    @Test
    void who_may_subscribe_only_himself_is_told_so() {
        Api.Refusal refusal =
                ida.refused("POST", "subscriptions", Map.of("terms", Wishes.terms(idaId, torId), "start", true));
        assertThat(refusal.status()).isEqualTo(403);
        assertThat(refusal.says()).contains("You may not subscribe others to this report.");
        assertThat(ida.get("candidates?report=1")).hasSize(1);

        Api.Refusal passengers = ida.refused(
                "POST",
                "subscriptions",
                Map.of(
                        "terms",
                        Wishes.of(Wishes.of(Wishes.terms(idaId), "report", 2), "pages", List.of("overview")),
                        "start",
                        true));
        assertThat(passengers.code()).isEqualTo("subscription.no-subscribing");
    }

    @Test
    void one_is_warned_of_doubles_and_of_days_that_never_move() {
        Map<String, Object> terms = Wishes.of(Wishes.terms(maritId), "period", "2026-10-01/2026-10-31");
        assertThat(marit.post("compositions", Wishes.draft(terms))
                        .get("notes")
                        .valueStream()
                        .map(note -> note.get("part").asString() + ": "
                                + note.get("text").asString()))
                .contains(
                        "TO_WHOM: “Cancelled sailings, week by week” already sends other pages, days or rows of this"
                                + " report to you.",
                        "PERIOD: These days never move: every issue will show the same ones.");
    }

    @Test
    void a_page_or_column_that_the_report_lacks_is_named() {
        Map<String, Object> page = Wishes.of(Wishes.terms(maritId), "pages", List.of("nowhere"));
        assertThat(refusedToKeep(page)).contains("The report has no page “nowhere”.");
        Map<String, Object> filter = Wishes.of(
                Wishes.terms(maritId),
                "filters",
                List.of(Map.of("column", "captain", "test", "ANY_OF", "values", List.of("Ahab"))));
        assertThat(refusedToKeep(filter)).contains("cannot be narrowed by “captain”");
        assertThat(refusedToKeep(Wishes.with(Wishes.terms(maritId), "name", "x".repeat(121))))
                .contains("A name has at most 120 characters");
        assertThat(refusedToKeep(Wishes.terms(maritId, 999_999))).contains("unknown or no longer active");
        assertThat(refusedToKeep(Wishes.of(Wishes.terms(maritId), "pages", List.of("overview", "overview"))))
                .contains("A page is chosen twice.");
    }

    @Test
    void what_cannot_be_read_at_all_is_a_bad_request() {
        Api.Refusal refusal = marit.refused(
                "POST",
                "compositions",
                Wishes.draft(
                        Wishes.with(Wishes.terms(maritId), "schedule", Wishes.schedule("FREQ=SOMETIMES", "07:00"))));
        assertThat(refusal.status()).isEqualTo(400);
        assertThat(refusal.says()).startsWith("The field “terms.schedule");
        assertThat(refusedToRead(Map.of("wants", "EVERYTHING", "because", "")))
                .contains("The field “wants” is missing");
        assertThat(refusedToRead(Map.of("because", ""))).contains("The field “wants” is missing");
        assertThat(Api.refusal(marit.postText("reports/1/requests", "{\"wants\": \n?}"))
                        .says())
                .startsWith("What was sent is not JSON from line 2, column ");
        assertThat(refusedToRead("much")).contains("The request brought nothing that can be read");
    }

    @Test
    void pausing_ending_and_their_order() {
        long id = keep(Wishes.terms(maritId), true);
        marit.post("subscriptions/" + id + "/pause", Map.of("because", "a holiday"));
        assertThat(line(id).get("pausedBecause").asString()).isEqualTo("a holiday");
        assertThat(marit.refused("POST", "subscriptions/" + id + "/pause", Map.of("because", ""))
                        .code())
                .isEqualTo("subscription.not-active");
        assertThat(marit.refused("POST", "subscriptions/" + id + "/pause", Map.of("because", "x".repeat(501)))
                        .code())
                .isEqualTo("subscription.reason-too-long");
        marit.post("subscriptions/" + id + "/resume", null);
        assertThat(line(id).get("nextDue").isNull()).isFalse();
        marit.post("subscriptions/" + id + "/end", null);
        assertThat(marit.refused("POST", "subscriptions/" + id + "/end", null).code())
                .isEqualTo("subscription.ended");
    }

    @Test
    void others_see_a_subscription_only_when_they_are_on_its_list_and_change_it_never() {
        long own = keep(Wishes.terms(maritId), true);
        assertThat(ida.status("subscriptions/" + own)).isEqualTo(404);
        long shared = keep(Wishes.terms(maritId, idaId), true);
        assertThat(ida.get("subscriptions/" + shared)
                        .get("line")
                        .get("mayChange")
                        .asBoolean())
                .isFalse();
        assertThat(ida.refused("POST", "subscriptions/" + shared + "/end", null).code())
                .isEqualTo("subscription.not-yours");
    }

    @Test
    void a_recipient_leaves_for_himself_and_the_list_stays() {
        long id = keep(Wishes.terms(maritId, idaId), true);
        assertThat(ida.refused("DELETE", "subscriptions/" + id + "/recipients/" + maritId, null)
                        .code())
                .isEqualTo("subscription.not-yours");
        ida.delete("subscriptions/" + id + "/recipients/" + idaId);
        JsonNode view = marit.get("subscriptions/" + id);
        assertThat(view.get("recipients").get(1).get("inclusion").asString()).isEqualTo("LEFT");
        assertThat(view.get("version").asInt()).isEqualTo(1);
    }

    @Test
    void sending_now_says_first_what_it_would_do() {
        long id = keep(Wishes.terms(maritId, idaId), true);
        JsonNode outlook = marit.get("subscriptions/" + id + "/outlook");
        assertThat(outlook.get("number").asInt()).isEqualTo(1);
        assertThat(outlook.get("recipients").asInt()).isEqualTo(2);
        assertThat(outlook.get("regular").asString()).startsWith("Mon ");

        long run = marit.post("subscriptions/" + id + "/send", null).get("id").asLong();
        Wait.until("it is out", () -> closed(run));
        assertThat(marit.get("runs/" + run).get("askedBy").asString()).isEqualTo("Marit Lunde");
        assertThat(line(id).get("spines")).hasSize(1);
        assertThat(marit.get("subscriptions/" + id + "/outlook").get("number").asInt())
                .isEqualTo(2);
    }

    private static long keep(Map<String, Object> terms, boolean start) {
        return marit.post("subscriptions", Map.of("terms", terms, "start", start))
                .get("id")
                .asLong();
    }

    private static void change(long id, int version, Map<String, Object> terms) {
        marit.send("PUT", "subscriptions/" + id, terms, Map.of("If-Match", "\"" + version + "\""));
    }

    private static String refusedToKeep(Map<String, Object> terms) {
        return marit.refused("POST", "subscriptions", Map.of("terms", terms, "start", false))
                .says();
    }

    private static String refusedToRead(Object wish) {
        return marit.refused("POST", "reports/1/requests", wish).says();
    }

    private static JsonNode line(long id) {
        return marit.get("subscriptions/" + id).get("line");
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> terms(long id) {
        return new tools.jackson.databind.ObjectMapper()
                .convertValue(marit.get("subscriptions/" + id).get("terms"), Map.class);
    }

    private static boolean closed(long run) {
        return marit.get("runs/" + run).get("state").asString().equals("CLOSED");
    }
}
