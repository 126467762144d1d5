package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Invitations, forgotten passwords, other addresses and roles: who gets in, how, and what it does to others. */
class GettingInTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("getting-in");

    private static final String NAME = "Name, as it stands on the shelf and opens the subject";
    private static final String FIRST = "a ferry leaves at nine";
    private static final String SECOND = "the tide turns twice";

    private static String address(String name) {
        return name + "@brinewater.example";
    }

    private static long invited(String name) {
        return DEMO.as("Sunniva Rein")
                .post(
                        "people",
                        Map.of("name", name, "address", address(name), "zone", "Europe/Oslo", "roles", List.of()))
                .get("id")
                .asLong();
    }

    @Test
    void a_new_invitation_takes_the_place_of_the_one_before() {
        long runa = invited("runa");
        Api administrator = DEMO.as("Sunniva Rein");
        String first = Invitations.mailed(DEMO.server(), address("runa"), "invitations");

        administrator.post("people/" + runa + "/invitations", Map.of());

        Wait.until(
                "another link is mailed",
                () -> !Invitations.mailed(DEMO.server(), address("runa"), "invitations")
                        .equals(first));
        Api stranger = Api.stranger(DEMO.server());
        Map<String, String> password = Map.of("password", FIRST);
        assertThat(stranger.refused("POST", "invitations/" + first, password).code())
                .isEqualTo("invitation.over");
        Invitations.accept(DEMO.server(), address("runa"), FIRST);
        assertThat(administrator
                        .refused("POST", "people/" + runa + "/invitations", null)
                        .code())
                .isEqualTo("person.has-password");
    }

    @Test
    void a_forgotten_password_is_set_anew_by_a_link_that_works_once() {
        invited("sigrid");
        Invitations.accept(DEMO.server(), address("sigrid"), FIRST);
        Api desk = Api.withPassword(DEMO.server(), address("sigrid"), FIRST);
        Reader reader = DEMO.reader();
        reader.page.context().clearCookies();
        reader.page.navigate("/sign-in");
        reader.page.getByText("Forgot your password?").click();
        reader.field("Address").fill(address("sigrid"));
        reader.button("Send a link").click();
        assertThat(reader.heading("Look into your mail")).isVisible();
        Wait.until(
                "the mail is there",
                () -> Inbox.list(DEMO.as("Sunniva Rein"), "sigrid").contains("Set a new password"));
        String token = Invitations.mailed(DEMO.server(), address("sigrid"), "invitations");

        reader.page.navigate("/invitations/" + token);
        assertThat(reader.heading("Set a new password")).isVisible();
        reader.field("Password, at least 10 characters").fill(SECOND);
        reader.button("Set password").click();

        reader.page.waitForURL("**/");
        assertThat(desk.status("account/sessions"))
                .as("signed out everywhere else")
                .isEqualTo(401);
        Api.withPassword(DEMO.server(), address("sigrid"), SECOND);
        assertThat(Api.stranger(DEMO.server()).status("invitations/" + token)).isEqualTo(404);
    }

    @Test
    void asking_for_a_password_tells_nothing_about_who_there_is() {
        Api stranger = Api.stranger(DEMO.server());
        var known = stranger.answer(
                "POST", "password-resets", Map.of("address", "ida.solvang@brinewater.example"), Map.of());
        var unknown =
                stranger.answer("POST", "password-resets", Map.of("address", "nobody@brinewater.example"), Map.of());

        assertThat(known.statusCode()).isEqualTo(202).isEqualTo(unknown.statusCode());
        assertThat(known.body()).isEqualTo(unknown.body()).isEmpty();
        Wait.until(
                "it is asked too often, however it is written",
                () -> isThrottled(stranger, "nobody@brinewater.example")
                        && isThrottled(stranger, "Nobody@brinewater.example"));
    }

    private static boolean isThrottled(Api stranger, String address) {
        return stranger.answer("POST", "password-resets", Map.of("address", address), Map.of())
                        .statusCode()
                == 429;
    }

    @Test
    void many_guesses_at_once_are_no_way_round_the_wait_and_another_start_is_none_either() {
        invited("tuva");
        Invitations.accept(DEMO.server(), address("tuva"), FIRST);
        Map<String, String> guess = Map.of("address", address("tuva"), "password", "guessed, and guessed");
        long judged = IntStream.range(0, 24)
                .parallel()
                .filter(i -> Api.stranger(DEMO.server())
                                .refused("POST", "session", guess)
                                .status()
                        == 401)
                .count();

        assertThat(judged).isLessThanOrEqualTo(8);
        DEMO.server().stop();
        DEMO.server().start();
        assertThat(Api.stranger(DEMO.server())
                        .answer("POST", "session", Map.of("address", address("tuva"), "password", FIRST), Map.of())
                        .statusCode())
                .isIn(429, 204); // the wait may be over by now
    }

    @Test
    void another_address_holds_from_when_its_owner_confirms_it() {
        long una = invited("una");
        Invitations.accept(DEMO.server(), address("una"), FIRST);
        Api administrator = DEMO.as("Sunniva Rein");
        String path = "people/" + una + "/address";
        assertThat(administrator
                        .refused("PUT", path, Map.of("address", "dot..dot@brinewater.example"))
                        .code())
                .isEqualTo("person.bad-address");
        assertThat(administrator
                        .refused("PUT", path, Map.of("address", "ida.solvang@brinewater.example"))
                        .code())
                .isEqualTo("person.address-taken");

        administrator.put(path, Map.of("address", "Una.Ness@brinewater.example"));

        String token = Invitations.mailed(DEMO.server(), "una.ness@brinewater.example", "address-changes");
        Api.withPassword(DEMO.server(), address("una"), FIRST);
        Reader reader = DEMO.reader();
        reader.page.context().clearCookies();
        reader.page.navigate("/address-changes/" + token);
        assertThat(reader.page.getByText("una.ness@brinewater.example")).isVisible();
        reader.button("Confirm this address").click();
        assertThat(reader.heading("Your mail address is changed")).isVisible();

        Api.withPassword(DEMO.server(), "una.ness@brinewater.example", FIRST);
        Map<String, String> old = Map.of("address", address("una"), "password", FIRST);
        assertThat(Api.stranger(DEMO.server()).refused("POST", "session", old).code())
                .isEqualTo("signin.wrong");
        Wait.until(
                "the old address is told",
                () -> Inbox.list(administrator, "una").contains("was changed"));
        assertThat(Api.stranger(DEMO.server()).status("address-changes/" + token))
                .isEqualTo(404);
    }

    @Test
    void what_becoming_inactive_or_leaving_a_group_does_is_told_before_and_undone_after() {
        Api administrator = DEMO.as("Sunniva Rein");
        JsonNode tor = administrator
                .get("people")
                .valueStream()
                .filter(person -> person.get("name").asString().equals("Tor Egeland"))
                .findFirst()
                .orElseThrow();
        String path = "people/" + tor.get("id").asLong();

        JsonNode inactive = administrator.get(path + "/effect?active=false");

        assertThat(inactive.toString()).contains("Tor Egeland");
        assertThat(administrator.get(path + "/effect?active=true").get("dropping"))
                .isEmpty();
        long group = tor.get("groups").get(0).asLong();
        List<Long> members = administrator
                .get("groups")
                .valueStream()
                .filter(each -> each.get("id").asLong() == group)
                .findFirst()
                .orElseThrow()
                .get("members")
                .valueStream()
                .map(JsonNode::asLong)
                .toList();
        List<Long> others =
                members.stream().filter(id -> id != tor.get("id").asLong()).toList();
        JsonNode without = administrator.post("groups/" + group + "/members/effect", Map.of("people", others));
        assertThat(without.get("dropping").toString()).contains("Tor Egeland");
        assertThat(administrator
                        .post("groups/" + group + "/members/effect", Map.of("people", members))
                        .get("dropping"))
                .isEmpty();

        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/house/people");
        reader.button("Change Tor Egeland").click();
        reader.page.getByLabel("May sign in and be sent issues").uncheck();
        assertThat(reader.page.getByText("Tor Egeland no longer gets").first()).isVisible();
        reader.button("Save changes").click();
        Wait.until("Tor is inactive", () -> !isActive(administrator, "Tor Egeland"));
        reader.button("Undo").click();
        Wait.until("Tor is active again", () -> isActive(administrator, "Tor Egeland"));
    }

    private static boolean isActive(Api administrator, String name) {
        return administrator
                .get("people")
                .valueStream()
                .filter(person -> person.get("name").asString().equals(name))
                .anyMatch(person -> person.get("active").asBoolean());
    }

    @Test
    void whoever_signs_in_next_in_a_tab_finds_nothing_of_the_one_before() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.navigate("/compose?report=1");
        reader.button("Cancelled sailings").click();
        reader.field(NAME).fill("Marit's own unfinished one");
        String kept = "() => JSON.stringify(sessionStorage)";
        assertThat(reader.page.evaluate(kept).toString()).contains("unfinished");

        // the session goes from under the tab, and somebody else signs in
        reader.page.context().clearCookies();
        reader.page.getByText("Sign in").first().waitFor();
        reader.button("Ida Solvang").click();
        reader.page.waitForURL("**/");
        assertThat(reader.page.getByText("Ida Solvang").first()).isVisible();

        Wait.until(
                "the tab is emptied",
                () -> !reader.page.evaluate(kept).toString().contains("unfinished"));
        reader.page.navigate("/compose?report=1");
        reader.button("Cancelled sailings").click();
        assertThat(reader.field(NAME)).not().hasValue("Marit's own unfinished one");
        assertThat(reader.page.evaluate(kept).toString()).doesNotContain("unfinished");

        reader.field(NAME).fill("Ida's own unfinished one");
        reader.page.getByText("Ida Solvang").first().click();
        reader.button("Sign out").click();
        assertThat(reader.heading("Sign in")).isVisible();
        assertThat(reader.page.evaluate(kept).toString()).doesNotContain("unfinished");
    }
}
