package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Route;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What reaches people is done once, however often its request comes: answers get lost. */
class OnceTest {

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("once");

    private static Api marit;
    private static long maritId;

    @BeforeAll
    static void start() {
        marit = DEMO.as("Marit Lunde");
        maritId = marit.get("session").get("me").get("id").asLong();
    }

    @Test
    void a_send_asked_again_with_its_key_is_the_run_that_is_there() {
        long id = kept("Asked again");
        String send = "subscriptions/" + id + "/send";
        long first = made(send, null, "k-send");

        assertThat(made(send, null, "k-send")).isEqualTo(first);
        assertThat(made("subscriptions/" + id + "/try", null, "k-try"))
                .isEqualTo(made("subscriptions/" + id + "/try", null, "k-try"))
                .isNotEqualTo(first);
        assertThat(made(send, null, "k-another")).isNotEqualTo(first);
        assertThat(marit.post(send, null).get("id").asLong()).isNotEqualTo(first);
        assertThat(runs(id)).isEqualTo(4);
    }

    @Test
    void what_is_sent_once_or_kept_is_there_once() {
        Map<String, Object> once = Wishes.with(terms("Only once"), "schedule", Wishes.schedule("", "07:00"));
        assertThat(made("sendings", once, "k-once")).isEqualTo(made("sendings", once, "k-once"));

        Map<String, Object> wish = Map.of("terms", terms("Kept once"), "start", false);
        assertThat(made("subscriptions", wish, "k-kept")).isEqualTo(made("subscriptions", wish, "k-kept"));
        assertThat(named("Only once")).isEqualTo(1);
        assertThat(named("Kept once")).isEqualTo(1);
    }

    @Test
    void a_key_stands_for_one_wish_of_one_person() {
        long id = kept("One wish");
        long run = made("subscriptions/" + id + "/try", null, "k-wish");

        Api.Refusal other = marit.refused("POST", "subscriptions/" + id + "/send", null, key("k-wish"));
        assertThat(other.status()).isEqualTo(422);
        assertThat(other.code()).isEqualTo("request.key-used");
        assertThat(marit.refused("POST", "subscriptions/" + id + "/send", null, key("k".repeat(101)))
                        .code())
                .isEqualTo("request.bad-key");
        Api ida = DEMO.as("Ida Solvang");
        long hers = ida.post("subscriptions", Map.of("terms", Wishes.terms(), "start", false))
                .get("id")
                .asLong();
        assertThat(ida.send("POST", "subscriptions/" + hers + "/try", null, key("k-wish"))
                        .get("id")
                        .asLong())
                .isNotEqualTo(run);
        assertThat(runs(id)).isEqualTo(1);
    }

    @Test
    void a_refused_wish_may_be_asked_again_with_its_key_when_it_can_be_done() {
        Map<String, Object> terms = terms("To nobody yet");
        Map<String, Object> wish = Map.of("terms", Wishes.with(terms, "recipients", List.of()), "start", false);
        long id = marit.post("subscriptions", wish).get("id").asLong();
        String send = "subscriptions/" + id + "/send";
        assertThat(marit.refused("POST", send, null, key("k-early")).status()).isEqualTo(422);

        marit.send("PUT", "subscriptions/" + id, terms, Map.of("If-Match", "\"1\""));
        made(send, null, "k-early");
        assertThat(runs(id)).isEqualTo(1);
    }

    @Test
    void of_many_at_the_same_moment_one_is_done() {
        long id = kept("At once");
        Set<Long> runs = ConcurrentHashMap.newKeySet();
        IntStream.range(0, 16).parallel().forEach(i -> runs.add(made("subscriptions/" + id + "/send", null, "k-many")));
        assertThat(runs).hasSize(1);
        assertThat(runs(id)).isEqualTo(1);
    }

    @Test
    void in_the_browser_a_send_whose_answer_was_lost_is_sent_again_and_made_once() {
        long id = kept("Answer lost");
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        AtomicBoolean lost = new AtomicBoolean();
        reader.page.route("**/subscriptions/" + id + "/send", route -> {
            if (lost.compareAndSet(false, true)) {
                route.fetch();
                route.abort();
            } else {
                route.resume();
            }
        });
        reader.page.navigate("/subscriptions/" + id);
        sendNow(reader);
        assertThat(reader.page
                        .getByText("What was asked may have arrived or not.")
                        .first())
                .isVisible();
        sendNow(reader);
        reader.page.waitForURL("**/runs/*");
        assertThat(runs(id)).isEqualTo(1);

        reader.page.navigate("/subscriptions/" + id);
        sendNow(reader);
        reader.page.waitForURL("**/runs/*");
        assertThat(runs(id)).as("meant to be sent a second time").isEqualTo(2);
    }

    @Test
    void in_the_browser_a_trial_that_fails_leaves_one_draft_to_go_on_with() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.route("**/subscriptions/*/try", Route::abort);
        reader.page.navigate("/compose?report=1");
        reader.button("Try it on myself").click();
        assertThat(reader.page.getByText("is kept, and was not tried")).isVisible();
        reader.page.unrouteAll();
        reader.page.waitForURL("**/compose?change=*");
        reader.button("Try it on myself").click();
        assertThat(reader.page.getByText("Your trial is on its way")).isVisible();
        assertThat(named("Cancelled sailings")).isEqualTo(1);
    }

    private static void sendNow(Reader reader) {
        reader.button("send now…").click();
        reader.button("Send to 1 person").click();
    }

    private static Map<String, Object> terms(String name) {
        return Wishes.with(Wishes.terms(maritId), "name", name);
    }

    private static long kept(String name) {
        return marit.post("subscriptions", Map.of("terms", terms(name), "start", true))
                .get("id")
                .asLong();
    }

    private static Map<String, String> key(String key) {
        return Map.of("Idempotency-Key", key);
    }

    private static long made(String path, Object body, String key) {
        return marit.send("POST", path, body, key(key)).get("id").asLong();
    }

    private static int runs(long subscription) {
        return marit.get("subscriptions/" + subscription).get("runs").size();
    }

    private static long named(String name) {
        return marit.get("subscriptions")
                .valueStream()
                .filter(line -> line.get("name").asString().equals(name))
                .count();
    }
}
