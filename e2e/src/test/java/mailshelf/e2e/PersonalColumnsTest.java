package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Columns that say something of a person, where others are shown a page as its owner sees it. */
class PersonalColumnsTest {
    private static final long MARIT = 2;
    private static final long IDA = 3;
    private static final long TOR = 4;
    private static final int CREW_HOURS = 10;
    private static final String MASK = "•••";

    /** One who is in charge in the demo's data. */
    private static final String SOMEBODY = "Aslak Moen";

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("personal");

    private static Api sunniva;
    private static Api marit;
    private static Api ida;

    @BeforeAll
    static void sign_in() {
        sunniva = DEMO.as("Sunniva Rein");
        marit = DEMO.as("Marit Lunde");
        ida = DEMO.as("Ida Solvang");
        JsonNode crewHours = sunniva.get("data-sets/5");
        sunniva.put("data-sets/5/row-rules", Map.of("rules", crewHours.get("rules"), "ownerView", true));
    }

    @AfterEach
    void as_before() {
        rule("WARN");
    }

    private static void rule(String personal) {
        sunniva.put("house-rules", Map.of("personal", personal));
    }

    /** As Marit sees it, for four weeks. */
    private static Map<String, Object> terms(String page, String seenAs, long... recipients) {
        Map<String, Object> terms = Wishes.of(Wishes.terms(recipients), "report", CREW_HOURS);
        terms = Wishes.of(Wishes.of(terms, "pages", List.of(page)), "period", "last-4-weeks");
        return Wishes.with(terms, "seenAs", seenAs);
    }

    private static long started(Map<String, Object> terms) {
        return marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    private static String notes(Map<String, Object> terms) {
        return marit.post("compositions", Wishes.draft(terms)).get("notes").toString();
    }

    @Test
    void it_is_said_while_one_subscribes_and_only_where_it_is_so() {
        assertThat(notes(terms("duties", "OWNER", MARIT, IDA)))
                .contains("Personal, and others would see it as Marit Lunde does: In charge.");
        assertThat(notes(terms("duties", "RECIPIENT", MARIT, IDA))).doesNotContain("Personal");
        assertThat(notes(terms("duties", "OWNER", MARIT))).doesNotContain("Personal");
        assertThat(notes(terms("hours", "OWNER", MARIT, IDA))).doesNotContain("Personal");
        rule("MASK");
        assertThat(notes(terms("duties", "OWNER", MARIT, IDA)))
                .contains("so others than Marit Lunde get it masked: In charge.");
    }

    @Test
    void others_get_them_masked_in_mail_and_files_and_the_owner_does_not() {
        rule("MASK");
        Map<String, Object> terms = terms("duties", "OWNER", MARIT, IDA, TOR);
        Map<String, Object> preview = Wishes.draft(terms);
        preview.put("as", IDA);
        JsonNode composed = marit.post("compositions", preview);

        long issue = Sends.issue(marit, started(terms));

        assertThat(composed.get("mail").get("text").asString()).contains(MASK).doesNotContain(SOMEBODY);
        JsonNode own = marit.get("issues/" + issue);
        JsonNode others = ida.get("issues/" + issue);
        assertThat(own.toString()).contains(SOMEBODY).doesNotContain(MASK);
        assertThat(others.toString()).contains(MASK).doesNotContain(SOMEBODY);
        assertThat(others.get("shown").get("page").get("showing").asString()).endsWith("In charge not shown");
        assertThat(others.get("shown").get("page").get("figures").get(0).get("value"))
                .isEqualTo(own.get("shown").get("page").get("figures").get(0).get("value"));
        assertThat(ida.get("issues/" + issue + "/mail").toString())
                .contains(MASK)
                .doesNotContain(SOMEBODY);
        assertThat(DEMO.as("Tor Egeland").get("issues/" + issue).get("copy"))
                .as("who gets the same gets the same copy")
                .isEqualTo(others.get("copy"))
                .isNotEqualTo(own.get("copy"));
    }

    @Test
    void named_values_that_are_taken_from_them_are_minded_alike() {
        Map<String, Object> inCharge = Wishes.named("in charge", "");
        inCharge.putAll(Map.of("kind", "DISTINCT", "dataSet", 5, "column", "who"));
        sunniva.post("named-values", Map.of("folder", 5, "named", inCharge));
        Map<String, Object> terms = Wishes.with(
                terms("hours", "OWNER", MARIT, IDA),
                "letter",
                Map.of("subject", "Hours", "text", "In charge: {value of in charge}."));
        assertThat(notes(terms)).contains("others would see it as Marit Lunde does: “in charge”.");
        rule("MASK");
        Map<String, Object> preview = Wishes.draft(terms);
        preview.put("as", IDA);

        assertThat(marit.post("compositions", preview).get("mail").get("text").asString())
                .contains("In charge: " + MASK + ".")
                .doesNotContain(SOMEBODY);
        long sent = started(terms);
        long issue = Sends.issue(marit, sent);
        assertThat(ida.get("issues/" + issue + "/mail").get("text").asString())
                .contains("In charge: " + MASK + ".")
                .doesNotContain(SOMEBODY);
        assertThat(marit.get("issues/" + issue + "/mail").get("text").asString())
                .contains(SOMEBODY);
        rule("APPROVE");
        long waiting = started(Wishes.with(terms, "name", "Hours with names"));
        assertThat(state(waiting)).isEqualTo("PAUSED");
        marit.post("subscriptions/" + waiting + "/end", null);
        marit.post("subscriptions/" + sent + "/end", null);
    }

    @Test
    void it_waits_until_another_administrator_approves_it() {
        rule("APPROVE");
        Map<String, Object> terms = Wishes.with(terms("duties", "OWNER", MARIT, IDA), "name", "Duties for the leads");
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");

        long id = started(terms);

        assertThat(state(id)).isEqualTo("PAUSED");
        assertThat(marit.get("subscriptions/" + id).get("line").get("waits").asBoolean())
                .isTrue();
        assertThat(marit.get("subscriptions/" + id).toString()).contains("an administrator has to approve that");
        assertThat(marit.refused("POST", "subscriptions/" + id + "/resume", null)
                        .code())
                .isEqualTo("subscription.waits-for-approval");
        assertThat(marit.refused("POST", "subscriptions/" + id + "/send", null).code())
                .isEqualTo("subscription.needs-approval");
        assertThat(marit.refused("POST", "sendings", Wishes.with(terms, "schedule", Wishes.schedule("", "07:00")))
                        .code())
                .isEqualTo("subscription.needs-approval");
        reader.page.navigate("/house/requests");
        Locator waiting = reader.page
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Marit Lunde asks to send Duties for the leads"));
        assertThat(waiting).containsText("1 other sees it as Marit Lunde does, with what is personal: In charge.");
        waiting.getByLabel("Said to Marit Lunde (may be empty)").fill("Until May.");
        waiting.getByText("Approve it").click();
        assertThat(reader.page.getByText("approved by Sunniva Rein: Until May."))
                .isVisible();
        assertThat(state(id)).isEqualTo("ACTIVE");
        assertThat(ida.get("issues/" + Sends.issue(marit, id)).toString()).contains(SOMEBODY);

        // a longer period is something else, and so is what was marked anew
        change(id, Wishes.of(terms("duties", "OWNER", MARIT, IDA), "period", "last-26-weeks"));
        assertThat(state(id)).as("26 weeks were not approved").isEqualTo("PAUSED");
        change(id, terms);
        assertThat(state(id)).as("but these 4 are").isEqualTo("ACTIVE");
        // fewer get the same, then somebody else does
        change(id, terms("duties", "OWNER", MARIT));
        change(id, Wishes.with(terms, "name", "Duties"));
        assertThat(state(id)).isEqualTo("ACTIVE");
        change(id, terms("duties", "OWNER", MARIT, IDA, TOR));
        assertThat(state(id)).isEqualTo("PAUSED");
        change(id, terms("duties", "RECIPIENT", MARIT, IDA, TOR));
        assertThat(state(id)).as("each sees their own, so it goes on").isEqualTo("ACTIVE");
        assertThat(approvals("OPEN")).as("nothing waits any more").isZero();
        String trail = new String(sunniva.bytes("audit.csv"), StandardCharsets.UTF_8);
        assertThat(trail).contains("approved").contains("Until May.").contains("changed the house rule on");
    }

    private static long approvals(String state) {
        return sunniva.get("approvals")
                .valueStream()
                .filter(approval -> approval.get("state").asString().equals(state))
                .count();
    }

    private static void change(long id, Map<String, Object> terms) {
        String version = marit.get("subscriptions/" + id).get("version").asString();
        marit.send("PUT", "subscriptions/" + id, terms, Map.of("If-Match", "\"" + version + "\""));
    }

    private static String state(long id) {
        return marit.get("subscriptions/" + id).get("line").get("state").asString();
    }

    @Test
    void what_runs_already_waits_before_its_next_issue_and_may_be_declined() {
        long id = started(terms("duties", "OWNER", MARIT, IDA));
        rule("APPROVE");
        assertThat(sunniva.get("house-rules")
                        .get("concerned")
                        .valueStream()
                        .map(each -> each.get("id").asLong()))
                .contains(id);
        Instant due = Instant.parse(
                marit.get("subscriptions/" + id).get("line").get("nextDue").asString());
        marit.post("clock/move", Map.of("to", due.plusSeconds(5).toString()));
        Wait.until("it is held back", () -> state(id).equals("PAUSED"));
        JsonNode waiting = sunniva.get("approvals").get(0);

        sunniva.post(
                "approvals/" + waiting.get("id").asLong() + "/answer",
                Map.of("approve", false, "reply", "Send each his own.", "columns", List.of()));

        assertThat(state(id)).isEqualTo("PAUSED");
        assertThat(sunniva.refused(
                                "POST",
                                "approvals/" + waiting.get("id").asLong() + "/answer",
                                Map.of("approve", true, "reply", "", "columns", List.of("In charge")))
                        .code())
                .isEqualTo("request.answered-already");
        Wait.until(
                "Marit is told",
                () -> marit.get("mail-room/marit.lunde@brinewater.example")
                        .toString()
                        .contains("was not approved"));
    }

    @Test
    void an_approval_ends_when_its_columns_are_marked_anew() {
        rule("APPROVE");
        long id = started(terms("duties", "OWNER", MARIT, IDA));
        long asked = sunniva.get("approvals").get(0).get("id").asLong();
        Map<String, Object> yes = Map.of("approve", true, "reply", "", "columns", List.of("In charge"));
        Map<String, Object> other = Map.of("approve", true, "reply", "", "columns", List.of("Phone"));
        assertThat(sunniva.refused("POST", "approvals/" + asked + "/answer", other)
                        .code())
                .isEqualTo("approval.changed");
        sunniva.post("approvals/" + asked + "/answer", yes);
        assertThat(state(id)).isEqualTo("ACTIVE");
        List<String> marked = sunniva.get("data-sets/5")
                .get("personal")
                .valueStream()
                .map(JsonNode::asString)
                .toList();

        sunniva.put("data-sets/5/personal", Map.of("columns", List.of()));
        sunniva.put("data-sets/5/personal", Map.of("columns", marked));

        assertThat(marit.refused("POST", "subscriptions/" + id + "/send", null).code())
                .isEqualTo("subscription.needs-approval");
        marit.post("subscriptions/" + id + "/end", null);
    }

    @Test
    void where_the_house_gives_it_up_whoever_waits_may_go_on() {
        rule("APPROVE");
        long id = started(terms("duties", "OWNER", MARIT, IDA));
        assertThat(state(id)).isEqualTo("PAUSED");

        rule("WARN");
        marit.post("subscriptions/" + id + "/resume", null);

        assertThat(state(id)).isEqualTo("ACTIVE");
    }

    @Test
    void nobody_approves_his_own() {
        rule("APPROVE");
        long id = sunniva.post("subscriptions", Map.of("terms", terms("duties", "OWNER", 1, IDA), "start", true))
                .get("id")
                .asLong();
        JsonNode own = sunniva.get("approvals")
                .valueStream()
                .filter(approval -> approval.get("subscription").asLong() == id)
                .findFirst()
                .orElseThrow();

        assertThat(own.get("mayAnswer").asBoolean()).isFalse();
        assertThat(sunniva.refused(
                                "POST",
                                "approvals/" + own.get("id").asLong() + "/answer",
                                Map.of("approve", true, "reply", "", "columns", List.of("In charge")))
                        .code())
                .isEqualTo("approval.own");
    }

    @Test
    void a_publisher_says_which_they_are() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/data/1");
        reader.button("change which").click();
        reader.page
                .getByLabel("vessel", new Page.GetByLabelOptions().setExact(true))
                .check();
        reader.button("Keep these").click();

        assertThat(reader.page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Personal columns")))
                .containsText("vessel. change which");
        assertThat(sunniva.refused("PUT", "data-sets/1/personal", Map.of("columns", List.of("captain")))
                        .says())
                .contains("There is no column “captain” in sailings");
        sunniva.put("data-sets/1/personal", Map.of("columns", List.of()));
    }
}
