package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Sessions and passwords: where one is signed in is known, and ends when it should. */
class AccountTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("account");

    private static final String ADDRESS = "vera.lind@brinewater.example";
    private static final String PASSWORD = "a ferry leaves at nine";

    private static long vera;

    @BeforeAll
    static void vera_has_a_password() {
        Api administrator = DEMO.as("Sunniva Rein");
        vera = administrator
                .post(
                        "people",
                        Map.of("name", "Vera Lind", "address", ADDRESS, "zone", "Europe/Oslo", "roles", List.of()))
                .get("id")
                .asLong();
        Invitations.accept(DEMO.server(), ADDRESS, PASSWORD);
    }

    @Test
    void a_new_password_ends_the_sessions_everywhere_else_and_is_the_only_one_that_counts() {
        Api desk = signedIn(PASSWORD);
        Api phone = signedIn(PASSWORD);
        assertThat(desk.get("account/sessions").size()).isGreaterThanOrEqualTo(2);

        Api.Refusal wrong = desk.refused("PUT", "account/password", change("a guess or two", "the tide turns twice"));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.code()).isEqualTo("account.wrong-password");
        assertThat(phone.status("account/sessions")).isEqualTo(200);

        desk.put("account/password", change(PASSWORD, "the tide turns twice"));
        assertThat(desk.status("account/sessions")).isEqualTo(200);
        assertThat(phone.status("account/sessions")).isEqualTo(401);
        Map<String, String> old = Map.of("address", ADDRESS, "password", PASSWORD);
        assertThat(Api.stranger(DEMO.server()).refused("POST", "session", old).status())
                .isEqualTo(401);

        desk.put("account/password", change("the tide turns twice", PASSWORD));
    }

    @Test
    void weeks_are_ones_own_for_what_one_reads_and_begins_and_what_runs_keeps_those_it_had() {
        Api jon = DEMO.as("Jon Aasen");
        long before = jon.post("subscriptions", Map.of("terms", Wishes.terms(5), "start", true))
                .get("id")
                .asLong();
        String mondays = lastWeek(jon);
        Reader reader = DEMO.reader().signInAs("Jon Aasen");
        reader.page.navigate("/account");

        reader.page.getByLabel("A week begins on").selectOption("Sunday");
        reader.button("Keep these").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("Days are told by these clocks and weeks"))
                .isVisible();
        reader.page.navigate("/compose?report=1");
        reader.button("Keep as draft").click();
        Wait.until("the draft is kept", () -> drafts(jon).size() == 1);

        assertThat(lastWeek(jon)).isNotEqualTo(mondays);
        assertThat(jon.get("periods/last-week?weeks=MONDAY").get("days").asString())
                .as("of what keeps its own weeks")
                .isEqualTo(mondays);
        assertThat(jon.get("periods?weeks=MONDAY").toString()).contains(mondays);
        assertThat(firstDay(jon, before)).isEqualTo("MONDAY");
        assertThat(firstDay(jon, drafts(jon).get(0))).isEqualTo("SUNDAY");
        assertThat(jon.refused("PUT", "account/calendar", Map.of("zone", "Europe/Oslo", "firstDayOfWeek", "FRIDAY"))
                        .code())
                .isEqualTo("account.first-day");
    }

    private static List<Long> drafts(Api who) {
        return who.get("subscriptions")
                .valueStream()
                .filter(line -> line.get("state").asString().equals("DRAFT"))
                .map(line -> line.get("id").asLong())
                .toList();
    }

    private static String lastWeek(Api who) {
        return who.get("reports/1?period=last-week").get("period").get("days").asString();
    }

    private static String firstDay(Api who, long subscription) {
        return who.get("subscriptions/" + subscription)
                .get("terms")
                .get("firstDayOfWeek")
                .asString();
    }

    @Test
    void one_session_is_ended_from_another_and_nobody_elses_can_be() {
        Api desk = signedIn(PASSWORD);
        Api phone = signedIn(PASSWORD);
        long phones = phone.get("account/sessions")
                .valueStream()
                .filter(session -> session.get("current").asBoolean())
                .findFirst()
                .map(session -> session.get("id").asLong())
                .orElseThrow();

        assertThat(DEMO.as("Ida Solvang")
                        .refused("DELETE", "account/sessions/" + phones, null)
                        .status())
                .isEqualTo(404);
        assertThat(phone.status("account/sessions")).isEqualTo(200);

        desk.delete("account/sessions/" + phones);
        assertThat(phone.status("account/sessions")).isEqualTo(401);
        assertThat(desk.get("account/sessions")
                        .valueStream()
                        .map(session -> session.get("id").asLong()))
                .doesNotContain(phones);
    }

    @Test
    void an_administrator_signs_somebody_out_everywhere_and_the_audit_trail_tells() {
        Api desk = signedIn(PASSWORD);
        Api administrator = DEMO.as("Sunniva Rein");
        Reader reader = DEMO.reader();
        reader.page.navigate("/library");
        reader.page.getByLabel("Address").fill(ADDRESS);
        reader.page.getByLabel("Password").fill(PASSWORD);
        reader.page.getByLabel("Password").press("Enter");
        PlaywrightAssertions.assertThat(reader.page).hasURL(Pattern.compile("/library"));

        JsonNode ended = administrator.send("DELETE", "people/" + vera + "/sessions", null, Map.of());

        assertThat(ended.get("ended").asInt()).isPositive();
        assertThat(desk.status("account/sessions")).isEqualTo(401);
        JsonNode newest = administrator.get("audit").get("lines").get(0);
        assertThat(newest.toString()).contains("Sunniva Rein", "ended sessions of", "Vera Lind");
        // the page asks every twenty seconds who is signed in
        PlaywrightAssertions.assertThat(reader.page.getByText("Your session has ended"))
                .isVisible(new IsVisibleOptions().setTimeout(30_000));
    }

    @Test
    void a_session_outlives_a_restart_of_the_server() {
        Api desk = signedIn(PASSWORD);

        DEMO.server().stop();
        DEMO.server().start();

        assertThat(desk.get("session").get("me").get("name").asString()).isEqualTo("Vera Lind");
    }

    @Test
    void no_secret_stands_in_what_the_server_says_or_keeps_in_clear() {
        signedIn(PASSWORD);
        Api.stranger(DEMO.server())
                .refused("POST", "session", Map.of("address", ADDRESS, "password", "typed in the wrong place"));
        String token = signedIn(PASSWORD).cookie("MAILSHELF").orElseThrow();

        DEMO.server().stop();
        String said = DEMO.server().said();
        String kept = DEMO.server().read("mailshelf.mv.db");
        DEMO.server().start();

        for (String secret : new String[] {PASSWORD, "typed in the wrong place", token}) {
            assertThat(said).doesNotContain(secret);
            assertThat(kept).doesNotContain(secret);
        }
        assertThat(kept).contains(ADDRESS); // what is not secret would be found
    }

    private static Map<String, String> change(String current, String wanted) {
        return Map.of("current", current, "wanted", wanted);
    }

    private static Api signedIn(String password) {
        return Api.withPassword(DEMO.server(), ADDRESS, password);
    }
}
