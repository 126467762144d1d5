package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What is on the screen, mailed a single time; and subscriptions that go when somebody sends them. */
class SendOnceTest {
    private static final long IDA = 3;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("send-once");

    @Test
    void what_is_on_the_screen_goes_out_stands_on_the_shelf_and_becomes_a_subscription() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/1?page=routes&period=last-month&contains=route:holm");
        reader.link("Send once").click();
        assertThat(reader.page.getByText("On demand").first()).isVisible();
        reader.button("Send once, now").click();
        reader.page.waitForURL(Pattern.compile("/runs/\\d+"));
        Api ida = DEMO.as("Ida Solvang");
        Wait.until("it is mailed", () -> mail(ida).contains("No. 1, " + lastMonth(ida)));

        JsonNode once = ida.get("subscriptions")
                .valueStream()
                .filter(line -> line.get("sentence").asString().startsWith("On demand"))
                .findFirst()
                .orElseThrow();
        assertThat(once.get("state").asString()).isEqualTo("ENDED");
        reader.page.navigate("/subscriptions/" + once.get("id").asLong());
        reader.link("subscribe like this").click();
        reader.button("Start subscription").click();
        reader.page.waitForURL(Pattern.compile("/subscriptions/\\d+$"));

        assertThat(ida.get("subscriptions")
                        .valueStream()
                        .map(line -> line.get("sentence").asString()))
                .anyMatch(sentence -> sentence.startsWith("Every Monday at 07:00")
                        && sentence.contains("last month")
                        && sentence.contains("route with “holm” in it"));
    }

    @Test
    void a_subscription_on_demand_waits_for_somebody_to_send_it() {
        Api ida = DEMO.as("Ida Solvang");
        Map<String, Object> terms = Wishes.with(Wishes.terms(IDA), "schedule", Wishes.schedule("", "07:00"));
        long id = ida.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();

        assertThat(ida.get("subscriptions/" + id).get("line").get("nextDue").isNull())
                .isTrue();
        Sends.issue(ida, id);

        assertThat(ida.get("subscriptions/" + id).get("line").get("state").asString())
                .isEqualTo("ACTIVE");
        assertThat(ida.get("subscriptions/" + id).get("line").get("spines")).hasSize(1);
    }

    @Test
    void what_has_a_schedule_is_not_sent_once() {
        assertThat(DEMO.as("Ida Solvang")
                        .refused("POST", "sendings", Wishes.terms(IDA))
                        .code())
                .isEqualTo("subscription.not-on-demand");
    }

    private static String lastMonth(Api who) {
        return who.get("periods")
                .valueStream()
                .filter(period -> period.get("code").asString().equals("last-month"))
                .findFirst()
                .orElseThrow()
                .get("days")
                .asString();
    }

    private static String mail(Api who) {
        return new String(who.bytes("mail-room/ida.solvang@brinewater.example"), StandardCharsets.UTF_8);
    }
}
