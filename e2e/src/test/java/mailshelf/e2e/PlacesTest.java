package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Reports, data sets, folders and groups get other names and places, and go, without anything breaking that goes by them. */
class PlacesTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("places");

    private static final long MARIT = 2;
    private static final long TOR = 4;
    private static final int TRAFFIC = 1;
    private static final int SALES = 3;
    private static final String CANCELLED = "Cancelled sailings";

    private static final String BUOYS = """
            report: The buoys
            about: Where they lie.
            data: buoys
            measures:
              many: {title: Buoys, sum: amount}
            pages:
              - page: All
                blocks:
                  - {figure: many}
            """;

    private final Api sunniva = DEMO.as("Sunniva Rein");
    private final Api marit = DEMO.as("Marit Lunde");

    private static List<String> titles(Api who) {
        return who.get("library?most=100")
                .get("entries")
                .valueStream()
                .map(entry -> entry.get("title").asString())
                .toList();
    }

    private static String state(Api who, long subscription) {
        return who.get("subscriptions/" + subscription).get("line").get("state").asString();
    }

    @Test
    void a_removed_report_leaves_the_library_pauses_what_sends_it_and_keeps_its_issues() {
        long id = marit.post("subscriptions", Map.of("terms", Wishes.terms(MARIT), "start", true))
                .get("id")
                .asLong();
        long issue = Sends.issue(marit, id);
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        Page page = reader.page;
        page.navigate("/reports/1/edit");
        reader.button("move or remove…").click();
        reader.button("remove it from the library…").click();
        assertThat(page.getByText("“A test” pauses, and its owner is told.")).isVisible();
        page.getByText("Remove report and pause").click();

        assertThat(page.getByText("“" + CANCELLED + "” is removed from the library."))
                .isVisible();
        assertThat(titles(marit)).doesNotContain(CANCELLED);
        assertThat(marit.status("reports/1")).isEqualTo(404);
        assertThat(marit.get("subscriptions/" + id)
                        .get("line")
                        .get("pausedBecause")
                        .asString())
                .isEqualTo("“" + CANCELLED + "” was removed from the library by Sunniva Rein.");
        assertThat(marit.get("issues/" + issue).get("shown").get("page").get("figures"))
                .isNotEmpty();
        assertThat(marit.get("shelf").get("rows")).isNotEmpty();
        assertThat(marit.refused("POST", "subscriptions/" + id + "/resume", null)
                        .code())
                .isEqualTo("subscription.report-removed");

        page.navigate("/library");
        reader.button("put back " + CANCELLED).click();
        assertThat(page.getByText("“" + CANCELLED + "” is in the library again."))
                .isVisible();
        marit.post("subscriptions/" + id + "/resume", null);
        assertThat(state(marit, id)).isEqualTo("ACTIVE");
    }

    @Test
    void moving_a_report_says_who_loses_it_and_then_they_do() {
        Api anders = DEMO.as("Anders Moe");
        Api tor = DEMO.as("Tor Egeland");
        marit.post("subscriptions", Map.of("terms", Wishes.terms(MARIT, TOR), "start", true));

        JsonNode effect = sunniva.get("reports/1/folder/effect?folder=" + SALES);
        assertThat(effect.get("dropping").toString()).contains("Tor Egeland");
        assertThat(titles(tor)).as("it has only been asked").contains(CANCELLED);

        sunniva.put("reports/1/folder", Map.of("folder", SALES));
        assertThat(titles(tor)).doesNotContain(CANCELLED);
        assertThat(titles(anders)).contains(CANCELLED);
        sunniva.put("reports/1/folder", Map.of("folder", TRAFFIC));
    }

    @Test
    void a_data_set_is_called_otherwise_and_reports_that_name_it_as_before_go_on() {
        sunniva.put("data-sets/1/place", Map.of("name", "departures", "folder", TRAFFIC));

        JsonNode text = sunniva.get("reports/1/definition");
        assertThat(text.get("yaml").asString()).contains("data: sailings");
        assertThat(sunniva.post(
                        "reports/1/losses", Map.of("yaml", text.get("yaml").asString())))
                .isEmpty();
        assertThat(sunniva.post(
                                "reports/1/losses",
                                Map.of(
                                        "yaml",
                                        text.get("yaml").asString().replace("data: sailings", "data: departures")))
                        .isArray())
                .isTrue();
        Api.Refusal taken = sunniva.refused(
                "POST",
                "data-sets",
                Map.of(
                        "folder",
                        TRAFFIC,
                        "name",
                        "sailings",
                        "columns",
                        List.of(Map.of("name", "a", "type", "TEXT", "decimals", 0))));
        assertThat(taken.code()).as("its former name stays its own").isEqualTo("data.name-taken");
        sunniva.put("data-sets/1/place", Map.of("name", "sailings", "folder", TRAFFIC));
    }

    @Test
    void what_reports_are_made_of_is_not_removed_and_what_nothing_is_made_of_is() {
        Api.Refusal used = sunniva.refused("DELETE", "data-sets/1", null);
        assertThat(used.code()).isEqualTo("data.used");
        assertThat(used.says()).contains("“" + CANCELLED + "”");
        long unused = sunniva.post(
                        "data-sets",
                        Map.of(
                                "folder",
                                TRAFFIC,
                                "name",
                                "unused",
                                "columns",
                                List.of(Map.of("name", "a", "type", "TEXT", "decimals", 0))))
                .get("id")
                .asLong();
        sunniva.delete("data-sets/" + unused);
        assertThat(sunniva.status("data-sets/" + unused)).isEqualTo(404);
        assertThat(sunniva.get("data-sets").toString()).doesNotContain("unused");
    }

    @Test
    void a_data_set_stays_while_a_removed_report_could_be_put_back_to_it() {
        long id = sunniva.post("data-sets", Wishes.dataSet(TRAFFIC, "buoys", "day DATE", "amount NUMBER"))
                .get("id")
                .asLong();
        assertThat(sunniva.upload("data-sets/" + id + "/loads", "day,amount\n2026-11-24,1.00\n")
                        .statusCode())
                .isEqualTo(201);
        long report = sunniva.post("reports", Map.of("folder", TRAFFIC, "yaml", BUOYS))
                .get("id")
                .asLong();
        sunniva.delete("reports/" + report);

        Api.Refusal kept = sunniva.refused("DELETE", "data-sets/" + id, null);

        assertThat(kept.code()).isEqualTo("data.used");
        assertThat(kept.says()).contains("“The buoys” (removed from the library, and could be put back)");
        sunniva.post("reports/" + report + "/restoration", null);
        assertThat(sunniva.status("reports/" + report)).isEqualTo(200);
    }

    @Test
    void folders_are_renamed_moved_and_removed_when_nothing_is_in_them() {
        long outer =
                sunniva.post("folders", Map.of("name", "Archive")).get("id").asLong();
        long inner = sunniva.post("folders", Map.of("name", "Old", "parent", outer))
                .get("id")
                .asLong();
        assertThat(sunniva.refused("PUT", "folders/" + outer, Map.of("name", "Archive", "parent", inner))
                        .code())
                .isEqualTo("folder.within-itself");
        Api.Refusal full = sunniva.refused("DELETE", "folders/" + outer, null);
        assertThat(full.says()).contains("is not empty: it has 1 folder.");
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/house/rights");
        reader.button("Change the folder Old").click();
        reader.field("Name of the folder").fill("Older");
        reader.field("Lies in").selectOption("");
        assertThat(reader.page.getByText("This changes no subscription")).isVisible();
        reader.button("Save changes").click();
        assertThat(reader.page.getByText("The folder “Older” is changed.")).isVisible();
        sunniva.delete("folders/" + outer);
        reader.button("Change the folder Older").click();
        reader.button("remove folder").click();
        assertThat(reader.page.getByText("The folder “Older” is removed.")).isVisible();
    }

    @Test
    void a_group_that_row_rules_name_says_so_before_it_is_renamed_and_takes_its_rights_along_when_it_goes() {
        long group =
                sunniva.post("groups", Map.of("name", "Night watch")).get("id").asLong();
        long nora = Staff.hired(sunniva, "Nora Night");
        sunniva.put("groups/" + group + "/members", Map.of("people", List.of(nora)));
        sunniva.put("grants/" + TRAFFIC + "/" + group, Map.of("verbs", List.of("SEE")));
        Api night = DEMO.as("Nora Night");
        assertThat(titles(night)).contains("Wind at the piers");

        sunniva.put("groups/" + group, Map.of("name", "Night crew"));
        assertThat(titles(night)).as("rights go by the group, not by its name").contains("Wind at the piers");
        assertThat(sunniva.refused("PUT", "groups/" + group, Map.of("name", "board"))
                        .code())
                .isEqualTo("group.name-taken");
        assertThat(sunniva.get("groups/" + group + "/use").get("ruled")).isEmpty();
        assertThat(ruledByOperations()).containsExactly("crew hours");

        sunniva.delete("groups/" + group);
        assertThat(titles(night)).isEmpty();
    }

    /** Data sets whose mapping tables name the group. */
    private List<String> ruledByOperations() {
        long operations = sunniva.get("groups")
                .valueStream()
                .filter(each -> each.get("name").asString().equals("Operations"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        return sunniva.get("groups/" + operations + "/use")
                .get("ruled")
                .valueStream()
                .map(JsonNode::asString)
                .toList();
    }
}
