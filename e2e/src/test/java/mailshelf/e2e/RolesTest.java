package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Publishers publish in their folders and nowhere else; auditors read everything and change nothing. */
class RolesTest {
    private static final long TRAFFIC = 1;
    private static final long PASSENGERS = 2;
    private static final String REPORT = """
            report: Landings
            about: How many landed.
            data: %s
            measures:
              landed: {title: Landings, count: rows, good: more}
            pages:
              - page: All
                id: all
                blocks:
                  - {figure: landed}
            """;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("roles");

    private static Api sunniva;
    private static Api pia;

    @BeforeAll
    static void people() {
        sunniva = DEMO.as("Sunniva Rein");
        Staff.granted(sunniva, Staff.hired(sunniva, "Pia Publisher"), PASSENGERS, "PUBLISH");
        Staff.hired(sunniva, "Arne Auditor", "AUDITOR");
        pia = DEMO.as("Pia Publisher");
    }

    @Test
    void a_publisher_brings_in_data_and_makes_a_report_of_it_in_her_folder() {
        long data = pia.post("data-sets", Wishes.dataSet(PASSENGERS, "landings", "day DATE"))
                .get("id")
                .asLong();
        assertThat(pia.upload("data-sets/" + data + "/loads", "day\n2026-11-24\n")
                        .statusCode())
                .isEqualTo(201);

        pia.post("reports", Map.of("folder", PASSENGERS, "yaml", REPORT.formatted("landings")));

        assertThat(pia.get("library").toString()).contains("Landings");
        assertThat(pia.get("data-sets")
                        .valueStream()
                        .map(each -> each.get("folder").asLong()))
                .containsOnly(PASSENGERS);
    }

    @Test
    void what_she_may_not_see_is_not_there_for_her_reports_either() {
        Api.Refusal hidden =
                pia.refused("POST", "reports", Map.of("folder", PASSENGERS, "yaml", REPORT.formatted("sailings")));
        Api.Refusal none =
                pia.refused("POST", "reports", Map.of("folder", PASSENGERS, "yaml", REPORT.formatted("nothing")));

        assertThat(hidden.code()).isEqualTo(none.code()).isEqualTo("report.no-data-set");
        assertThat(pia.refused("POST", "reports", Map.of("folder", TRAFFIC, "yaml", "x"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whoever_sees_a_folder_without_publishing_there_is_told_so() {
        Api.Refusal refusal = DEMO.as("Ida Solvang")
                .refused("POST", "reports", Map.of("folder", TRAFFIC, "yaml", REPORT.formatted("sailings")));

        assertThat(refusal.says()).contains("You may not publish in Traffic.");
    }

    @Test
    void an_auditor_reads_the_house_and_others_issues_and_each_opening_is_kept() {
        Api arne = DEMO.as("Arne Auditor");
        JsonNode subscription = arne.get("subscriptions/1");
        long issue = subscription.get("line").get("spines").get(0).get("id").asLong();

        assertThat(arne.get("issues/" + issue).get("pages").isEmpty()).isFalse();

        assertThat(arne.get("audit?words=opened").get("lines").get(0).get("who").asString())
                .isEqualTo("Arne Auditor");
        assertThat(arne.refused("POST", "groups", Map.of("name", "His own")).code())
                .isEqualTo("house.administrators-only");
        assertThat(arne.refused("DELETE", "subscriptions/1/recipients/2", null).code())
                .isEqualTo("subscription.not-yours");
    }

    @Test
    void an_auditor_finds_the_controls_of_the_house_standing_still() {
        Reader reader = DEMO.reader().signInAs("Arne Auditor");
        reader.open("House");

        PlaywrightAssertions.assertThat(reader.page.getByText("You read this as an auditor; administrators change it."))
                .isVisible();
        PlaywrightAssertions.assertThat(reader.button("Route leads in Traffic: for myself"))
                .isDisabled();
    }

    @Test
    void new_reports_are_offered_to_those_alone_who_can_publish_them() {
        Reader auditor = libraryOf("Arne Auditor");
        PlaywrightAssertions.assertThat(auditor.link("Data sets")).isVisible();
        PlaywrightAssertions.assertThat(auditor.link("New report")).hasCount(0);

        PlaywrightAssertions.assertThat(libraryOf("Pia Publisher").link("New report"))
                .isVisible();
        PlaywrightAssertions.assertThat(libraryOf("Sunniva Rein").link("New report"))
                .isVisible();
    }

    private static Reader libraryOf(String name) {
        Reader reader = DEMO.reader().signInAs(name);
        reader.page.navigate("/library");
        return reader;
    }
}
