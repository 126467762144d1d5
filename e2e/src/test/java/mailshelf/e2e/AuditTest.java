package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What people do is in the audit trail, with how it was before, and nothing that is secret. */
class AuditTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("audit");

    private static Api sunniva;

    @BeforeAll
    static void sign_in() {
        sunniva = DEMO.as("Sunniva Rein");
    }

    @Test
    void a_changed_grant_stands_there_with_what_it_was_before() {
        sunniva.put("grants/2/3", Map.of("verbs", List.of("SEE")));

        JsonNode line = newest("words=Passengers");
        assertThat(line.get("who").asString()).isEqualTo("Sunniva Rein");
        assertThat(line.get("act").asString()).isEqualTo("changed the rights in");
        assertThat(line.get("thing").asString()).isEqualTo("Passengers");
        assertThat(line.get("after").asString()).isEqualTo("Board: see");
        assertThat(line.get("before").asString()).isEqualTo("Board: subscribe self");
        assertThat(line.get("from").asString()).isNotEmpty();
    }

    @Test
    void a_changed_subscription_stands_there_with_what_differs() {
        Api marit = DEMO.as("Marit Lunde");
        JsonNode before = marit.get("subscriptions/1");
        marit.delete("subscriptions/1/recipients/"
                + before.get("recipients").get(0).get("id").asLong());

        JsonNode line = newest("words=changed the subscription&person=2");
        assertThat(line.get("act").asString()).isEqualTo("changed the subscription");
        assertThat(line.get("before").asString()).matches("recipients: .*, .* and .*");
        assertThat(line.get("after").asString())
                .startsWith("recipients: ")
                .isNotEqualTo(line.get("before").asString())
                .doesNotContain(" me,", ";");
    }

    @Test
    void a_refused_sign_in_is_kept_without_what_was_typed() {
        String typed = "correct horse battery";
        sunniva.refused("POST", "session", Map.of("address", typed, "password", typed));

        assertThat(newest("words=nobody has").get("act").asString()).isEqualTo("was refused at sign-in");
        assertThat(sunniva.get("audit?words=battery").get("lines")).isEmpty();
    }

    @Test
    void an_issue_that_was_not_sent_to_me_is_told_when_i_open_it_and_my_own_is_not() {
        JsonNode spine =
                sunniva.get("subscriptions/1").get("line").get("spines").get(0);
        String address = "issues/" + spine.get("id").asLong();
        DEMO.as("Marit Lunde").get(address);
        assertThat(sunniva.get("audit?words=opened").get("lines")).isEmpty();
        sunniva.get(address);
        sunniva.get(address);

        assertThat(sunniva.get("audit?words=opened").get("lines")).hasSize(1);
        JsonNode line = newest("person=1");
        assertThat(line.get("act").asString()).isEqualTo("opened somebody else\u2019s issue");
    }

    @Test
    void reading_who_gets_somebody_elses_subscription_is_told_once_and_ones_own_is_not() {
        String run = "runs/"
                + sunniva.get("subscriptions/1").get("runs").get(0).get("id").asLong();
        sunniva.get(run);
        DEMO.as("Marit Lunde").get(run);
        DEMO.as("Ida Solvang").get(run);

        JsonNode lines = sunniva.get("audit?words=read%20who%20gets").get("lines");
        assertThat(lines.valueStream().map(line -> line.get("who").asString())).containsExactly("Sunniva Rein");
    }

    @Test
    void it_is_read_page_by_page_and_exported_as_found() {
        JsonNode first = sunniva.get("audit").get("lines");
        long last = first.get(first.size() - 1).get("id").asLong();
        JsonNode second = sunniva.get("audit?olderThan=" + last).get("lines");
        assertThat(second.get(0).get("id").asLong()).isLessThan(last);

        String csv = new String(sunniva.bytes("audit.csv?words=Passengers+carried"), StandardCharsets.UTF_8);
        assertThat(csv.lines().findFirst()).contains("at,who,from,what,kind,thing,before,after");
        assertThat(csv.lines().filter(line -> !line.startsWith("at,")))
                .isNotEmpty()
                .allMatch(line -> line.contains("Passengers carried"));
    }

    @Test
    void a_name_that_looks_like_a_formula_is_none_in_the_export() {
        sunniva.post("groups", Map.of("name", "=1+1"));

        String csv = new String(sunniva.bytes("audit.csv?words=1%2B1"), StandardCharsets.UTF_8);
        assertThat(csv).contains("'=1+1");
    }

    private static JsonNode newest(String search) {
        return sunniva.get("audit?" + search.replace(" ", "%20")).get("lines").path(0);
    }
}
