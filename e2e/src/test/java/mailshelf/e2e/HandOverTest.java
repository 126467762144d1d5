package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** A subscription gets another owner: by its owner in the browser, and all of a person's by an administrator. */
class HandOverTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("hand-over");

    private static final long MARIT = 2;
    private static final long IDA = 3;
    private static final int CREW_HOURS = 10;
    private static final int TRAFFIC = 1;
    private static final int CREW = 5;

    private final Api marit = DEMO.as("Marit Lunde");
    private final Api ida = DEMO.as("Ida Solvang");
    private final Api sunniva = DEMO.as("Sunniva Rein");
    private static int made;

    private String name;
    private long id;

    @BeforeEach
    void a_subscription_of_marits() {
        mayHaveOthersSubscribed(IDA, TRAFFIC);
        mayHaveOthersSubscribed(IDA, CREW);
        name = "To be handed over " + ++made;
        id = started(Wishes.with(Wishes.terms(MARIT, IDA), "name", name));
    }

    private void mayHaveOthersSubscribed(long person, int folder) {
        sunniva.put("grants/" + folder + "/people/" + person, Map.of("verbs", List.of("SUBSCRIBE_TEAMMATES")));
    }

    private long started(Map<String, Object> terms) {
        return marit.post("subscriptions", Map.of("terms", new HashMap<>(terms), "start", true))
                .get("id")
                .asLong();
    }

    private static JsonNode line(Api who, long subscription) {
        return who.get("subscriptions/" + subscription).get("line");
    }

    @Test
    void its_owner_hands_it_over_and_both_are_where_they_should_be() {
        String due = line(marit, id).get("nextDue").asString();
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.navigate("/subscriptions/" + id);
        reader.button("hand over…").click();
        reader.field("Name or address").fill("Ida");
        reader.button("choose Ida Solvang").click();
        assertThat(reader.page.getByText("Ida Solvang becomes the owner")).isVisible();
        reader.button("Hand over").click();
        assertThat(reader.page.getByText("Ida Solvang now owns “" + name + "”, and has been told by mail."))
                .isVisible();
        assertThat(reader.page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("hand over…")))
                .hasCount(0);
        assertThat(reader.region("Who gets it")).containsText("Marit Lunde");
        JsonNode line = line(ida, id);
        assertThat(line.get("owner").asString()).isEqualTo("Ida Solvang");
        assertThat(line.get("mayChange").asBoolean()).isTrue();
        assertThat(line.get("nextDue").asString()).as("what is due stays due").isEqualTo(due);
        assertThat(line(marit, id).get("mayChange").asBoolean()).isFalse();
        assertThat(ida.get("subscriptions/" + id)
                        .get("history")
                        .get(0)
                        .get("what")
                        .asString())
                .isEqualTo("handed it over");
        Wait.until("Ida hears of it", () -> Inbox.list(sunniva, "ida.solvang").contains(name + "” is yours now"));
        ida.put("subscriptions/" + id + "/recipients/" + MARIT, null);
        assertThat(marit.refused("POST", "subscriptions/" + id + "/pause", Map.of("because", ""))
                        .code())
                .isEqualTo("subscription.not-yours");
    }

    @Test
    void nobody_becomes_the_owner_of_what_they_may_not_do_themselves() {
        long nora = Staff.hired(sunniva, "Nora Reader " + made);
        Staff.granted(sunniva, nora, 1, "SEE");
        long rolf = Staff.hired(sunniva, "Rolf Outside " + made);
        assertThat(marit.get("subscriptions/" + id + "/handover?to=" + nora)
                        .get("hindrance")
                        .asString())
                .contains("may not subscribe to what it sends");
        assertThat(marit.get("subscriptions/" + id + "/handover?to=" + rolf)
                        .get("hindrance")
                        .asString())
                .contains("may not see all that it sends");
        Api.Refusal refusal = marit.refused("PUT", "subscriptions/" + id + "/owner", Map.of("person", nora));
        assertThat(refusal.code()).isEqualTo("handover.hindered");
        assertThat(line(marit, id).get("owner").asString()).isEqualTo("Marit Lunde");
    }

    @Test
    void what_was_approved_of_one_owner_is_asked_again_of_the_next() {
        JsonNode crewHours = sunniva.get("data-sets/5");
        sunniva.put("data-sets/5/row-rules", Map.of("rules", crewHours.get("rules"), "ownerView", true));
        sunniva.put("house-rules", Map.of("personal", "APPROVE"));
        Map<String, Object> terms =
                Wishes.of(Wishes.of(Wishes.terms(MARIT, IDA), "report", CREW_HOURS), "pages", List.of("duties"));
        long held = started(Wishes.with(terms, "seenAs", "OWNER"));
        JsonNode asked = sunniva.get("approvals").get(0);
        sunniva.post(
                "approvals/" + asked.get("id").asLong() + "/answer",
                Map.of("approve", true, "reply", "", "columns", asked.get("columns")));
        assertThat(line(marit, held).get("state").asString()).isEqualTo("ACTIVE");

        sunniva.put("subscriptions/" + held + "/owner", Map.of("person", IDA));

        JsonNode line = line(ida, held);
        sunniva.put("house-rules", Map.of("personal", "WARN"));
        assertThat(line.get("state").asString()).isEqualTo("PAUSED");
        assertThat(line.get("waits").asBoolean()).isTrue();
    }

    @Test
    void all_that_somebody_owns_goes_to_a_colleague_and_what_cannot_stays_with_its_reason() {
        long leaver = Staff.hired(sunniva, "Lars Leaver");
        mayHaveOthersSubscribed(leaver, TRAFFIC);
        mayHaveOthersSubscribed(leaver, CREW);
        long colleague = Staff.hired(sunniva, "Kari Colleague");
        mayHaveOthersSubscribed(colleague, TRAFFIC);
        long crew = started(Wishes.of(Wishes.of(Wishes.terms(MARIT), "report", CREW_HOURS), "pages", List.of("hours")));
        sunniva.put("subscriptions/" + id + "/owner", Map.of("person", leaver));
        sunniva.put("subscriptions/" + crew + "/owner", Map.of("person", leaver));

        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/house/people");
        reader.button("Change Lars Leaver").click();
        reader.button("hand them all over…").click();
        reader.field("Name or address").fill("kari");
        reader.button("choose Kari Colleague").click();
        assertThat(reader.region("Subscriptions owned")).containsText("Kari Colleague may not see all that it sends.");
        reader.button("Hand 1 over to Kari Colleague").click();
        assertThat(reader.page.getByText("Kari Colleague now owns 1 more. 1 could not be handed over."))
                .isVisible();
        assertThat(line(sunniva, id).get("owner").asString()).isEqualTo("Kari Colleague");
        assertThat(line(sunniva, crew).get("owner").asString()).isEqualTo("Lars Leaver");
    }
}
