package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Who manages a folder gives rights in it, and answers who asks for them; nowhere else, and never that right itself. */
class ManagersTest {
    private static final long TRAFFIC = 1;
    private static final long FLEET = 4;
    private static final long FUEL_BY_VESSEL = 9;
    private static final Map<String, Object> WISH = Map.of("wants", "SUBSCRIBE_SELF", "because", "For the dock plan.");

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("managers");

    private static Api sunniva;
    private static Api mona;
    private static long monaId;
    private static long below;

    @BeforeAll
    static void people() {
        sunniva = DEMO.as("Sunniva Rein");
        monaId = Staff.hired(sunniva, "Mona Manages");
        give(sunniva, FLEET, monaId, "MANAGE");
        below = sunniva.post("folders", Map.of("name", "Dock", "parent", FLEET))
                .get("id")
                .asLong();
        mona = DEMO.as("Mona Manages");
    }

    private static void give(Api by, long folder, long person, String... verbs) {
        by.put("grants/" + folder + "/people/" + person, Map.of("verbs", List.of(verbs)));
    }

    @Test
    void a_request_goes_to_the_folders_manager_who_answers_it_in_the_house() {
        Reader asker = DEMO.reader().signInAs("Ida Solvang");
        asker.page.navigate("/reports/" + FUEL_BY_VESSEL);
        asker.button("ask for a subscription Fuel by vessel").click();
        asker.button("Ask").click();
        Wait.until(
                "she is told",
                () -> Inbox.list(sunniva, "mona.manages").contains("Ida Solvang asks for “Fuel by vessel”"));
        assertThat(Inbox.list(sunniva, "sunniva.rein")).doesNotContain("Ida Solvang asks for");

        Reader manager = DEMO.reader().signInAs("Mona Manages");
        manager.open("House");
        assertThat(manager.page.getByLabel("Parts of the house").getByRole(AriaRole.LINK))
                .hasCount(2);
        manager.link("requests").click();
        manager.field("Said to Ida Solvang (may be empty)").fill("Gladly.");
        manager.page
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Ida Solvang asks"))
                .getByText("Grant it")
                .click();
        assertThat(manager.page.getByText("granted by Mona Manages: Gladly.")).isVisible();

        assertThat(DEMO.as("Ida Solvang")
                        .get("reports/" + FUEL_BY_VESSEL)
                        .get("maySubscribe")
                        .asBoolean())
                .isTrue();
        assertThat(sunniva.get("audit?words=Fleet")
                        .get("lines")
                        .get(0)
                        .get("who")
                        .asString())
                .isEqualTo("Mona Manages");
    }

    @Test
    void rights_are_given_there_and_below_with_what_it_means_shown_first() {
        Reader manager = DEMO.reader().signInAs("Mona Manages");
        manager.page.navigate("/house");
        assertThat(manager.page.getByText("You see the folders that you manage"))
                .isVisible();
        assertThat(manager.page.getByRole(AriaRole.ROWHEADER)).hasText(new String[] {"Fleet", "Dock"});
        manager.button("Board in Dock: nothing").click();
        manager.button("see").click();
        assertThat(manager.page.getByLabel("and manage it: give rights there")).isDisabled();
        manager.button("Change it").click();
        assertThat(manager.button("Board in Dock: see")).isVisible();

        manager.field("Person").selectOption("Anders Moe");
        manager.field("Folder").selectOption("Fleet");
        manager.button("Give to this person").click();
        manager.button("for myself").click();
        manager.button("Change it").click();
        assertThat(manager.button("Anders Moe in Fleet")).isVisible();
        JsonNode library = DEMO.as("Anders Moe").get("library");
        assertThat(library.toString()).contains("Fuel by vessel");
    }

    @Test
    void nobody_keeps_managing_a_folder_below_by_saying_so_there() {
        Api.Refusal refused =
                mona.refused("PUT", "grants/" + below + "/people/" + monaId, Map.of("verbs", List.of("MANAGE", "SEE")));

        assertThat(refused.code()).isEqualTo("folder.managers-by-administrators");
        long petra = Staff.hired(sunniva, "Petra Passing");
        give(sunniva, FLEET, petra, "MANAGE");
        Api former = DEMO.as("Petra Passing");
        assertThat(former.refused("PUT", "grants/" + below + "/people/" + petra, Map.of("verbs", List.of("MANAGE")))
                        .status())
                .isEqualTo(403);
        give(sunniva, FLEET, petra, "SEE");
        assertThat(former.refused("PUT", "grants/" + below + "/people/3", Map.of("verbs", List.of("SEE")))
                        .status())
                .as("what is withdrawn above is withdrawn below")
                .isEqualTo(403);
    }

    @Test
    void elsewhere_nothing_is_told_or_changed() {
        String there = "grants/" + TRAFFIC + "/people/3";
        assertThat(mona.refused("PUT", there, Map.of("verbs", List.of("SEE"))).status())
                .isEqualTo(404);
        assertThat(mona.refused("GET", there + "/effect?own=true", null).status())
                .isEqualTo(404);
        assertThat(mona.refused("GET", "folders/" + TRAFFIC + "/people/3/why", null)
                        .status())
                .isEqualTo(404);
        assertThat(mona.get("grants").get("folders").findValuesAsString("name"))
                .containsExactlyInAnyOrder("Fleet", "Dock");
        long asked = askedOf("Board Asks", TRAFFIC, 1);

        assertThat(mona.get("requests").findValuesAsString("report")).doesNotContain("Cancelled sailings");
        assertThat(mona.refused("POST", "requests/" + asked + "/answer", Map.of("grant", true, "reply", ""))
                        .status())
                .isEqualTo(404);
        for (String path : List.of("house-rules", "audit", "approvals", "groups")) {
            assertThat(mona.refused("GET", path, null).code()).as(path).isEqualTo("house.readers-only");
        }
        give(sunniva, TRAFFIC, monaId, "SEE");
        assertThat(mona.refused("PUT", there, Map.of("verbs", List.of("SEE"))).says())
                .contains("You do not manage Traffic.");
        assertThat(DEMO.as("Ida Solvang").refused("GET", "requests", null).code())
                .isEqualTo("house.managers-only");
    }

    @Test
    void who_manages_is_for_administrators_to_say() {
        long otto = Staff.hired(sunniva, "Otto Other");
        String his = "grants/" + FLEET + "/people/" + otto;
        assertThat(mona.refused("PUT", his, Map.of("verbs", List.of("SEE", "MANAGE")))
                        .code())
                .isEqualTo("folder.managers-by-administrators");
        give(sunniva, FLEET, otto, "MANAGE");

        for (Object verbs : List.of(List.of("SEE"), List.of())) {
            assertThat(mona.refused("PUT", his, Map.of("verbs", verbs)).says())
                    .contains("Whether Otto Other manages Fleet is for administrators to say.");
        }
        assertThat(mona.refused("PUT", "grants/" + below + "/people/" + otto, Map.of("verbs", List.of()))
                        .status())
                .isEqualTo(403);
        give(mona, FLEET, otto, "SEE", "PUBLISH", "MANAGE");
        assertThat(DEMO.as("Otto Other").get("grants").get("folders")).hasSize(2);
    }

    @Test
    void administrators_are_asked_where_nobody_else_manages() {
        askedOf("Tina Asks", TRAFFIC, 3);
        Wait.until(
                "they are told",
                () -> Inbox.list(sunniva, "sunniva.rein")
                        .contains("Tina Asks asks for “Late sailings by your own bound”"));

        mona.post("reports/" + FUEL_BY_VESSEL + "/requests", WISH);
        Wait.until(
                "nobody answers herself alone",
                () -> Inbox.list(sunniva, "sunniva.rein").contains("Mona Manages asks for “Fuel by vessel”")
                        || Inbox.list(sunniva, "otto.other").contains("Mona Manages asks for “Fuel by vessel”"));
    }

    private static long askedOf(String name, long folder, long report) {
        give(sunniva, folder, Staff.hired(sunniva, name), "KNOW");
        return DEMO.as(name)
                .post("reports/" + report + "/requests", WISH)
                .get("id")
                .asLong();
    }
}
