package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Who may know of a report asks for it, and an administrator answers where nobody manages its folder. */
class AskForAccessTest {
    private static final long PASSENGERS = 2;
    private static final Map<String, Object> WISH = Map.of("wants", "SEE", "because", "I plan the winter tables.");

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("ask");

    private static Api sunniva;

    @BeforeAll
    static void people() {
        sunniva = DEMO.as("Sunniva Rein");
        for (String name : new String[] {"Nora Knows", "Nils Knows", "Berit Knows"}) {
            Staff.granted(sunniva, Staff.hired(sunniva, name), PASSENGERS, "KNOW");
        }
    }

    @Test
    void what_one_knows_of_is_told_by_title_and_description_alone() {
        Api nora = DEMO.as("Nora Knows");

        JsonNode library = nora.get("library");

        assertThat(library.get("entries")).isEmpty();
        assertThat(library.get("known")).hasSize(2);
        assertThat(library.get("known").get(0).get("title").asString()).isEqualTo("Passengers carried");
        assertThat(library.get("folders").get(0).get("entries").asInt()).isZero();
        assertThat(nora.get("library?words=carried").get("known")).hasSize(1);
        assertThat(nora.get("library?words=vessel").get("known")).isEmpty();
        assertThat(nora.get("library/hits?words=carried")).isEmpty();
        assertThat(nora.refused("GET", "reports/2", null).status()).isEqualTo(404);
        assertThat(nora.refused("POST", "reports/1/requests", WISH).status()).isEqualTo(404);
    }

    @Test
    void it_is_asked_for_where_it_is_listed_and_granted_with_a_word() {
        Reader reader = DEMO.reader().signInAs("Nils Knows");
        reader.page.navigate("/library");
        reader.button("ask to read Passengers carried").click();
        reader.field("What for (may be empty)").fill("I plan the winter tables.");
        reader.button("Ask").click();
        assertThat(reader.page.getByText("Asked; the answer comes by mail.")).isVisible();
        Wait.until(
                "administrators are told",
                () -> Inbox.list(sunniva, "sunniva.rein").contains("Nils Knows asks for “Passengers carried”"));

        Reader administrator = DEMO.reader().signInAs("Sunniva Rein");
        administrator.page.navigate("/house/requests");
        administrator.field("Said to Nils Knows (may be empty)").fill("Until Easter.");
        administrator
                .page
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Nils Knows asks"))
                .getByText("Grant it")
                .click();
        assertThat(administrator.page.getByText("granted by Sunniva Rein: Until Easter."))
                .isVisible();

        Api nils = DEMO.as("Nils Knows");
        assertThat(nils.get("reports/2").get("title").asString()).isEqualTo("Passengers carried");
        Wait.until(
                "he is told", () -> Inbox.list(sunniva, "nils.knows").contains("“Passengers carried” is open to you"));
        administrator.page.navigate("/house");
        administrator.button("Nils Knows in Passengers").click();
        administrator.button("as their groups").click();
        administrator.button("Change it").click();
        Wait.until("it is taken back", () -> nils.get("library").get("known").size() == 2);
    }

    @Test
    void a_request_is_made_once_answered_once_and_may_be_declined() {
        Api berit = DEMO.as("Berit Knows");
        long id = berit.post("reports/2/requests", WISH).get("id").asLong();

        assertThat(berit.refused("POST", "reports/2/requests", WISH).code()).isEqualTo("request.asked-already");
        assertThat(berit.get("library").get("known").get(0).get("asked").asBoolean())
                .isTrue();
        assertThat(berit.refused("POST", "reports/2/requests", Map.of("wants", "PUBLISH", "because", ""))
                        .code())
                .isEqualTo("request.not-askable");
        sunniva.post("requests/" + id + "/answer", Map.of("grant", false, "reply", "Ask again in May."));
        assertThat(sunniva.refused("POST", "requests/" + id + "/answer", Map.of("grant", true, "reply", ""))
                        .code())
                .isEqualTo("request.answered-already");

        assertThat(berit.refused("GET", "reports/2", null).status()).isEqualTo(404);
        Wait.until("she is told", () -> Inbox.list(sunniva, "berit.knows").contains("was not opened to you"));
        assertThat(sunniva.get("audit").toString()).contains("declined access to");
    }

    @Test
    void who_reads_asks_for_a_subscription() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/2");
        reader.button("ask for a subscription Passengers carried").click();
        reader.button("Ask").click();
        assertThat(reader.page.getByText("Asked; the answer comes by mail.")).isVisible();

        long id = sunniva.get("requests").get(0).get("id").asLong();
        sunniva.post("requests/" + id + "/answer", Map.of("grant", true, "reply", ""));

        assertThat(DEMO.as("Ida Solvang").get("reports/2").get("maySubscribe").asBoolean())
                .isTrue();
    }
}
