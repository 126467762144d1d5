package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What goes wrong, and what is done about it: mail servers, leaving, and an owner's lost right. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class FaultsTest {
    private static final String NAME = "Passengers for the board";
    private static final Pattern LEAVE = Pattern.compile("(?m)^List-Unsubscribe: <([^>]+)>");

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("faults");

    private static Reader reader;

    @BeforeAll
    static void start() {
        reader = DEMO.reader().signInAs("Marit Lunde");
    }

    @Test
    @Order(1)
    void what_is_refused_for_good_is_said_and_sent_again_by_hand() {
        treat("kirsti.vale", "refuses for good");
        sendNow();
        assertThat(reader.heading("2 of 3 delivered.")).isVisible();
        assertThat(row("Kirsti Vale")).containsText("refused for good");

        behave("kirsti.vale", "NONE");
        reader.button("Send to 1 missing").click();
        assertThat(reader.heading("3 of 3 delivered.")).isVisible();
    }

    @Test
    @Order(2)
    void an_answer_lost_after_the_final_dot_is_sent_again_with_the_same_id_and_recorded() {
        behave("anders.moe", "DROP_AFTER_FINAL_DOT");
        int before = inbox("anders.moe").size();
        sendNow();
        assertThat(row("Anders Moe")).containsText("the answer was lost");
        assertThat(inbox("anders.moe").size()).isGreaterThan(before);
        behave("anders.moe", "NONE");
    }

    @Test
    @Order(2)
    void servers_that_hang_up_fall_silent_or_put_off_hold_up_nobody_else_and_lose_nothing() {
        behave("anders.moe", "DROP_BEFORE_FINAL_DOT");
        behave("kirsti.vale", "GREYLIST");
        behave("marit.lunde", "SILENT");
        sendNow();
        assertThat(row("Anders Moe")).containsText("the connection broke before the mail was handed over");
        assertThat(row("Kirsti Vale")).containsText("refused for now");
        assertThat(row("Marit Lunde")).containsText("waiting");

        behave("anders.moe", "NONE");
        Api marit = DEMO.as("Marit Lunde");
        Instant now = Instant.parse(marit.get("clock").get("now").asString());
        marit.post("clock/move", Map.of("to", now.plusSeconds(90).toString()));
        // the silent one takes a minute
        Wait.until("all have it", () -> reader.heading("3 of 3 delivered.").isVisible());
        assertThat(row("Kirsti Vale")).containsText("accepted");
        List.of("kirsti.vale", "marit.lunde").forEach(who -> behave(who, "NONE"));
    }

    @Test
    @Order(3)
    void a_recipient_leaves_by_the_link_in_the_mail_without_an_account_and_alone() throws Exception {
        String mail = new String(
                source("anders.moe", inbox("anders.moe").get(0).get("id").asString()));
        Matcher link = LEAVE.matcher(mail);
        assertThat(link.find()).isTrue();

        assertThat(http("GET", link.group(1)).body()).contains("<button>");
        assertThat(recipient("Anders Moe").get("inclusion").asString()).isEqualTo("INCLUDED");
        HttpResponse<String> left = http("POST", link.group(1));
        assertThat(left.statusCode()).isEqualTo(200);
        assertThat(recipient("Anders Moe").get("inclusion").asString()).isEqualTo("LEFT");
        assertThat(recipient("Kirsti Vale").get("inclusion").asString()).isEqualTo("INCLUDED");
        assertThat(http("POST", link.group(1) + "x").statusCode()).isEqualTo(404);
    }

    @Test
    @Order(4)
    void a_recipient_is_taken_off_in_two_actions_and_put_back_by_undo() {
        openSubscription();
        reader.button("take off Kirsti Vale").click();
        assertThat(reader.page.getByText("Kirsti Vale is off “" + NAME + "”.")).isVisible();
        assertThat(reader.button("take off Kirsti Vale")).hasCount(0);
        long rita = DEMO.as("Marit Lunde")
                .get("demo/people")
                .valueStream()
                .filter(person -> person.get("name").asString().equals("Rita Bø"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        DEMO.as("Marit Lunde").put(path() + "/recipients/" + rita, null);
        reader.button("Undo").click();
        assertThat(reader.button("take off Kirsti Vale")).isVisible();
        assertThat(recipient("Rita Bø").get("inclusion").asString())
                .as("what was done in between stays")
                .isEqualTo("INCLUDED");
        assertThat(recipient("Anders Moe").get("inclusion").asString())
                .as("who has left is not put back")
                .isEqualTo("LEFT");
        DEMO.as("Marit Lunde").delete(path() + "/recipients/" + rita);
    }

    @Test
    @Order(4)
    void who_has_left_is_not_said_to_get_it_and_comes_back_in_one_act() {
        assertThat(line().get("sentence").asString())
                .doesNotContain("Anders Moe")
                .contains("Kirsti Vale");

        openSubscription();
        reader.button("put Anders Moe back").click();

        assertThat(reader.page.getByText("Anders Moe gets “" + NAME + "” again"))
                .isVisible();
        assertThat(recipient("Anders Moe").get("inclusion").asString()).isEqualTo("INCLUDED");
        Api anders = DEMO.as("Anders Moe");
        long own = recipient("Anders Moe").get("id").asLong();
        anders.delete(path() + "/recipients/" + own);
        assertThat(recipient("Anders Moe").get("inclusion").asString()).isEqualTo("LEFT");
        reader.page.navigate("/compose?change=" + line().get("id").asLong());
        reader.button("me and Kirsti Vale").click();
        assertThat(reader.page.getByText("has left")).isVisible();
        anders.put(path() + "/recipients/" + own, null);
        assertThat(recipient("Anders Moe").get("inclusion").asString()).isEqualTo("INCLUDED");
        long kirsti = recipient("Kirsti Vale").get("id").asLong();
        assertThat(anders.refused("PUT", path() + "/recipients/" + kirsti, null).status())
                .as("nobody else's place on the list is theirs to change")
                .isEqualTo(403);
    }

    @Test
    @Order(5)
    void a_trial_goes_to_me_alone_and_uses_no_number() {
        int others = inbox("kirsti.vale").size();
        openSubscription();
        reader.button("try it on myself").click();
        assertThat(reader.heading("1 of 1 delivered.")).isVisible();
        assertThat(inbox("marit.lunde").get(0).get("subject").asString()).startsWith(NAME + ": Trial");
        assertThat(inbox("kirsti.vale")).hasSize(others);
    }

    @Test
    @Order(6)
    void pausing_gives_a_reason_and_resuming_tells_the_next_send() {
        openSubscription();
        reader.button("pause…").click();
        reader.field("Because (shown wherever it is listed; may be empty)").fill("the board is away");
        reader.button("Pause subscription").click();
        assertThat(reader.page.getByText("the board is away").first()).isVisible();
        assertThat(reader.page.getByLabel("What was changed").getByText("the board is away"))
                .isVisible();
        reader.button("resume").click();
        assertThat(reader.page
                        .getByText(Pattern.compile("^Tue \\d+ \\w+, 07:30$"))
                        .first())
                .isVisible();
    }

    @Test
    @Order(7)
    void an_owner_who_may_no_longer_subscribe_teammates_has_it_paused_and_is_told() {
        reader.signInAs("Sunniva Rein");
        reader.open("House");
        reader.button("Operations in Passengers: for the team").click();
        reader.button("see").click();
        reader.button("Change it").click();
        assertThat(reader.button("Operations in Passengers: see")).isVisible();

        Api marit = DEMO.as("Marit Lunde");
        String due = subscription(marit).get("line").get("nextDue").asString();
        marit.post("clock/move", Map.of("to", due.replace("Z", ".500Z").replace(":00.500Z", ":05Z")));
        Wait.until(
                "it is paused",
                () -> subscription(marit).get("line").get("state").asString().equals("PAUSED"));
        assertThat(subscription(marit).get("line").get("pausedBecause").asString())
                .isEqualTo("Marit Lunde may no longer subscribe teammates to this report.");
        Wait.until(
                "the owner is told",
                () -> inbox("marit.lunde")
                        .valueStream()
                        .anyMatch(mail -> mail.get("subject").asString().equals("“" + NAME + "” is paused")));
    }

    private static void openSubscription() {
        reader.open("Subscriptions");
        reader.link(NAME).click();
        assertThat(reader.heading("Who gets it")).isVisible();
    }

    private static void sendNow() {
        openSubscription();
        reader.button("send now…").click();
        Locator sheet = reader.page.getByRole(AriaRole.DIALOG);
        assertThat(sheet).containsText("It goes to 3 people.");
        sheet.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send to 3 people"))
                .click();
        assertThat(reader.page).hasURL(Pattern.compile("/runs/\\d+$"));
    }

    private static Locator row(String name) {
        return reader.page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(name));
    }

    private static void treat(String who, String how) {
        reader.page.navigate("/mail-room/" + who + "@brinewater.example");
        reader.page.getByLabel("a mail to this address: the server").selectOption(how);
        assertThat(reader.page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Inboxes")))
                .containsText(how);
    }

    private static void behave(String who, String how) {
        DEMO.as("Marit Lunde")
                .send("PUT", "mail-room/" + who + "@brinewater.example/behaviour", Map.of("behaviour", how), Map.of());
    }

    private static JsonNode inbox(String who) {
        return DEMO.as("Marit Lunde").get("mail-room/" + who + "@brinewater.example");
    }

    private static byte[] source(String who, String id) {
        return DEMO.as("Marit Lunde").bytes("mail-room/" + who + "@brinewater.example/mails/" + id + "/source");
    }

    private static JsonNode subscription(Api api) {
        long id = api.get("subscriptions")
                .valueStream()
                .filter(line -> line.get("name").asString().equals(NAME))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        return api.get("subscriptions/" + id);
    }

    private static JsonNode line() {
        return subscription(DEMO.as("Marit Lunde")).get("line");
    }

    private static String path() {
        return "subscriptions/" + line().get("id").asLong();
    }

    private static JsonNode recipient(String name) {
        return subscription(DEMO.as("Marit Lunde"))
                .get("recipients")
                .valueStream()
                .filter(recipient -> recipient.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private static HttpResponse<String> http(String method, String url) throws IOException, InterruptedException {
        HttpRequest request = HttpRequest.newBuilder(URI.create(url))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .method(method, HttpRequest.BodyPublishers.ofString("List-Unsubscribe=One-Click"))
                .build();
        return HttpClient.newHttpClient().send(request, HttpResponse.BodyHandlers.ofString());
    }
}
