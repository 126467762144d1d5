package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What a change of rights would do is told before it is made, and is what it does. */
class GrantEffectTest {
    private static final String TRAFFIC_FOR_ROUTE_LEADS = "grants/1/2";
    private static final String PASSENGERS_FOR_OPERATIONS = "grants/2/1";

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("effect");

    @Test
    void who_would_be_left_out_and_what_would_leave_shelves_is_told_and_comes_true() {
        Api sunniva = DEMO.as("Sunniva Rein");
        Api tor = DEMO.as("Tor Egeland");
        JsonNode grid = sunniva.get("grants");
        int before = issues(tor);

        JsonNode effect = sunniva.get(TRAFFIC_FOR_ROUTE_LEADS + "/effect?own=true");

        assertThat(sunniva.get("grants")).isEqualTo(grid);
        assertThat(issues(tor)).isEqualTo(before);
        assertThat(named(effect.get("dropping"), "Tor Egeland")
                        .get("subscriptions")
                        .toString())
                .contains("Cancelled sailings, week by week");
        int losing = named(effect.get("losing"), "Tor Egeland").get("issues").asInt();

        sunniva.put(TRAFFIC_FOR_ROUTE_LEADS, Map.of("verbs", List.of()));

        assertThat(issues(tor)).isEqualTo(before - losing);
        String inclusion = sunniva.get("subscriptions/1")
                .get("recipients")
                .valueStream()
                .filter(recipient -> recipient.get("name").asString().equals("Tor Egeland"))
                .findFirst()
                .orElseThrow()
                .get("inclusion")
                .asString();
        assertThat(inclusion).isEqualTo("MAY_NOT_SEE");
    }

    @Test
    void a_subscription_that_would_pause_is_told_with_the_right_that_its_owner_would_lack() {
        JsonNode effect = DEMO.as("Sunniva Rein").get(PASSENGERS_FOR_OPERATIONS + "/effect?own=true&verbs=SEE");

        assertThat(effect.get("pausing")
                        .valueStream()
                        .map(each -> each.get("because").asString()))
                .containsExactly("Marit Lunde may no longer subscribe teammates to this report.");
    }

    private static JsonNode named(JsonNode list, String person) {
        return list.valueStream()
                .filter(each -> each.get("person").asString().equals(person))
                .findFirst()
                .orElseThrow();
    }

    /** Those that were put there for me and made; what was skipped stands on no shelf of mine. */
    private static int issues(Api api) {
        return (int) api.get("shelf?scope=PUT_FOR_ME&days=3660")
                .get("rows")
                .valueStream()
                .flatMap(row -> row.get("spines").valueStream())
                .filter(spine -> !spine.get("state").asString().equals("SKIPPED"))
                .count();
    }
}
