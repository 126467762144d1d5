package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What there is to read, found and kept at hand. */
class LibraryTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("library");

    private static final String REPORT = """
            report: Vessels at sea
            about: Which boats go, and how far behind they are.
            data: sailings
            tags: [armada]
            measures:
              all: {title: Sailings, count: rows}
            pages:
              - page: Fleet
                blocks:
                  - {chart: bars, title: Sailings, measure: all, by: vessel}
            """;

    private static final int ROUTE_LEADS = 2;

    private static Api sunniva;
    private static Api ida;

    @BeforeAll
    static void publish() {
        sunniva = DEMO.as("Sunniva Rein");
        ida = DEMO.as("Ida Solvang");
        sunniva.post("reports", Map.of("folder", 1, "yaml", REPORT));
        long kept =
                sunniva.post("folders", Map.of("name", "Kept back")).get("id").asLong();
        sunniva.post("reports", Map.of("folder", kept, "yaml", REPORT.replace("Vessels at sea", "Secret fleet")));
        long shown = sunniva.post("folders", Map.of("name", "Harbour talk", "parent", kept))
                .get("id")
                .asLong();
        sunniva.put("grants/" + shown + "/" + ROUTE_LEADS, Map.of("verbs", List.of("SEE")));
        String pilots = REPORT.replace("Vessels at sea", "Pilots")
                .replace("boats", "pilots")
                .replace("armada", "guides");
        sunniva.post("reports", Map.of("folder", shown, "yaml", pilots));
    }

    @Test
    void the_best_answers_come_first_and_tell_where_they_were_found() {
        assertThat(titles(ida.get("library/hits?words=sail"))).startsWith("Cancelled sailings");
        JsonNode fleet = ida.get("library/hits?words=armad");
        assertThat(titles(fleet)).containsExactly("Vessels at sea");
        assertThat(fleet.get(0).get("foundIn").asString()).isEqualTo("armada");
        assertThat(titles(ida.get("library/hits?words=b%C3%B3ats"))).containsExactly("Vessels at sea");
        assertThat(ida.get("library/hits?words=")).isEmpty();
        assertThat(titles(sunniva.get("library/hits?words=secret"))).containsExactly("Secret fleet");
        assertThat(ida.get("library/hits?words=secret")).isEmpty();
    }

    @Test
    void a_folder_that_one_may_not_know_of_is_not_named_by_what_lies_in_it() {
        assertThat(titles(ida.get("library/hits?words=pilot"))).containsExactly("Pilots");
        assertThat(ida.get("library/hits?words=pilot").toString()).doesNotContain("Kept back");
        assertThat(ida.get("library/hits?words=kept+back")).isEmpty();
        assertThat(titles(sunniva.get("library/hits?words=kept+back"))).contains("Pilots");
    }

    @Test
    void favourites_are_each_ones_own() {
        ida.put("reports/1/favourite", null);
        ida.put("reports/1/favourite", null);

        assertThat(titles(ida.get("library?order=FAVOURITES").get("entries"))).containsExactly("Cancelled sailings");
        assertThat(ida.get("reports/1").get("favourite").asBoolean()).isTrue();
        assertThat(sunniva.get("library?order=FAVOURITES").get("entries")).isEmpty();

        ida.delete("reports/1/favourite");
        assertThat(ida.get("library?order=FAVOURITES").get("count").asInt()).isZero();
    }

    @Test
    void what_was_opened_last_or_has_the_newest_figures_comes_first() {
        Api jon = DEMO.as("Jon Aasen");
        assertThat(jon.get("library?order=OPENED").get("entries")).isEmpty();
        jon.get("reports/1");

        assertThat(titles(jon.get("library?order=OPENED").get("entries"))).containsExactly("Cancelled sailings");
        assertThat(titles(jon.get("library?order=FRESH").get("entries")))
                .hasSameSizeAs(titles(jon.get("library").get("entries")));
        assertThat(sunniva.get("library?most=1").get("entries")).hasSize(1);
        assertThat(sunniva.get("library?most=1").get("count").asInt()).isGreaterThan(1);
        assertThat(titles(sunniva.get("library?folder=1").get("entries")))
                .contains("Cancelled sailings", "Vessels at sea")
                .doesNotContain("Passengers carried", "Ticket sales");
        assertThat(sunniva.get("library?folder=999").get("entries")).isEmpty();
        assertThat(sunniva.status("library?order=RANDOM")).isEqualTo(400);
    }

    @Test
    void an_entry_says_what_it_answers_whose_it_is_how_fresh_and_who_gets_it() {
        JsonNode entry = ida.get("library?words=cancelled").get("entries").get(0);

        assertThat(entry.get("owner").asString()).isNotEmpty();
        assertThat(entry.get("freshness").asString()).matches("figures to \\d+ \\w{3}, loaded .*");
        assertThat(entry.get("pages").asInt()).isEqualTo(3);
        assertThat(ida.get("reports/1/drawing").get("chart").get("svg").asString())
                .startsWith("<svg");
    }

    @Test
    void beside_a_report_stand_its_subscriptions_that_one_may_see() {
        assertThat(names(ida, 1)).contains("Cancelled sailings, week by week", "Engine trouble on my route");
        assertThat(names(DEMO.as("Marit Lunde"), 1)).contains("Cancelled sailings, week by week");
        assertThat(names(DEMO.as("Kirsti Vale"), 1)).isEmpty();
        assertThat(names(ida, 2)).isEmpty();

        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/1");
        reader.link("Engine trouble on my route").click();
        reader.page.waitForURL("**/subscriptions/*");
        assertThat(reader.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .hasText("Engine trouble on my route");
    }

    private static List<String> names(Api who, long report) {
        return who.get("subscriptions?report=" + report)
                .valueStream()
                .map(line -> line.get("name").asString())
                .toList();
    }

    @Test
    void the_search_of_the_top_line_answers_while_one_types_and_opens_by_keys_alone() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        assertThat(reader.page.getByRole(AriaRole.COMBOBOX)).isVisible();
        reader.page.keyboard().press("/");
        reader.page.keyboard().type("vess");
        Locator answer = reader.page.getByRole(AriaRole.OPTION);
        assertThat(answer.first()).containsText("Vessels at sea");

        reader.page.keyboard().press("ArrowDown");
        assertThat(answer.first()).hasAttribute("aria-selected", "true");
        reader.page.keyboard().press("Enter");
        reader.page.waitForURL(Pattern.compile("/reports/\\d+$"));

        reader.button("Vessels at sea: favourite").click();
        assertThat(reader.button("Vessels at sea: favourite")).hasAttribute("aria-pressed", "true");
        reader.open("Library");
        reader.page.getByRole(AriaRole.SEARCHBOX).last().pressSequentially("no such word");
        assertThat(reader.page.getByText("No report that you may read contains “no such word”."))
                .isVisible();
        reader.page.getByRole(AriaRole.SEARCHBOX).last().fill("vessels at sea");
        assertThat(reader.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Vessels at sea")))
                .isVisible();
        reader.page.getByRole(AriaRole.SEARCHBOX).last().fill("");
        reader.button("my favourites").click();
        assertThat(reader.page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Vessels at sea")))
                .isVisible();
    }

    private static List<String> titles(JsonNode found) {
        return found.valueStream().map(each -> each.get("title").asString()).toList();
    }
}
