package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** "Why may Ida see this?" is answered with the chain that the gate goes along. */
class WhyMayTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("why");

    private final Api sunniva = DEMO.as("Sunniva Rein");

    @Test
    void a_right_is_told_with_the_group_and_the_folder_that_it_comes_from() {
        long storms = sunniva.post("folders", Map.of("name", "Storms", "parent", 1))
                .get("id")
                .asLong();

        JsonNode why = why(storms, "Ida Solvang");

        assertThat(why.get("sentence").asString()).isEqualTo("Ida Solvang may see reports and subscribe in Storms.");
        assertThat(why.get("chain").get(0).asString())
                .startsWith("Ida Solvang is in Route leads, which may")
                .endsWith("in Traffic. Storms says nothing of its own and takes it from Traffic.");

        sunniva.put("grants/" + storms + "/2", Map.of("verbs", List.of()));
        JsonNode no = why(storms, "Ida Solvang");
        assertThat(no.get("sentence").asString()).startsWith("Ida Solvang may do nothing in Storms");
        assertThat(no.get("chain").get(0).asString()).contains("do nothing, as is said on purpose, in Storms");
    }

    @Test
    void an_administrator_and_somebody_without_a_group_are_told_apart() {
        assertThat(why(2, "Sunniva Rein").get("chain").get(0).asString()).contains("is an administrator");

        Map<String, Object> nora =
                Map.of("name", "Nora", "address", "nora@brinewater.example", "zone", "Europe/Oslo", "roles", List.of());
        long id = sunniva.post("people", nora).get("id").asLong();
        assertThat(why(2, "Nora").get("chain").get(0).asString()).contains("is in no group");

        sunniva.put(
                "people/" + id,
                Map.of("name", "Nora", "zone", "Europe/Oslo", "roles", List.of("ADMINISTRATOR"), "active", false));
        assertThat(why(2, "Nora").get("chain").get(0).asString()).contains("is not active");
    }

    @Test
    void it_is_asked_for_on_the_page_of_rights() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.open("House");
        reader.field("Whom it is about").selectOption("Ida Solvang");
        reader.field("In which folder").selectOption("Traffic");

        assertThat(reader.region("Why may somebody see this?"))
                .containsText("Ida Solvang is in Route leads, which may see reports and subscribe in Traffic.");
    }

    private JsonNode why(long folder, String name) {
        long person = sunniva.get("people")
                .valueStream()
                .filter(one -> one.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        return sunniva.get("folders/" + folder + "/people/" + person + "/why");
    }
}
