package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The interface as a tool: by keyboard, on a phone, at addresses that hold nothing, by lamplight. */
class ReadingRoomTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("reading");

    private static Reader reader;

    @BeforeAll
    static void start() {
        reader = DEMO.reader().signInAs("Marit Lunde");
    }

    @BeforeEach
    void atTheShelf() {
        reader.page.setViewportSize(1280, 800);
        reader.page.navigate("/");
        reader.page.locator("[data-spine]").first().waitFor();
    }

    @Test
    void the_shelf_has_one_tab_stop_and_is_walked_by_arrows_and_letters() {
        Locator stops = reader.page.locator("[data-spine][tabindex='0']");
        assertThat(stops).hasCount(1);
        stops.focus();
        press("Home");
        assertThat(focused()).hasAttribute("aria-label", Pattern.compile("^No\\. 1, "));
        press("ArrowRight");
        assertThat(focused()).hasAttribute("aria-label", Pattern.compile("^No\\. 2, "));
        String first = rowOfFocus().getAttribute("data-row");
        press("ArrowDown");
        assertThat(rowOfFocus()).not().hasAttribute("data-row", first);
        press("e");
        assertThat(rowOfFocus()).hasAttribute("data-row", "Engine trouble on my route");
        press("p");
        assertThat(stops).hasCount(1);
    }

    @Test
    void enter_opens_an_issue_and_its_neighbours_lead_on() {
        reader.page.locator("[data-spine][tabindex='0']").focus();
        press("Home");
        press("Enter");
        assertThat(reader.heading("Colophon")).isVisible();
        assertThat(reader.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("No. 1, ");
        reader.link("next").click();
        assertThat(reader.page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1)))
                .containsText("No. 2, ");
    }

    @Test
    void what_a_lifted_spine_says_stands_in_its_row() {
        Locator row = reader.page.getByRole(
                AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Cancelled sailings, week by week"));
        assertThat(row).containsText("Every Monday at 07:00");
        row.locator("[data-spine]").nth(1).hover();
        assertThat(row).containsText(Pattern.compile("No\\. 2, .*: Cancelled sailings \\d+"));
    }

    @Test
    void a_skipped_issue_says_why_nothing_came() {
        reader.page
                .getByRole(
                        AriaRole.LINK,
                        new Page.GetByRoleOptions().setName(Pattern.compile("No rows in the period\\., skipped$")))
                .first()
                .click();
        assertThat(reader.page.getByText("No rows in the period.").first()).isVisible();
    }

    @Test
    void slash_goes_to_the_search_and_finds_reports() {
        press("/");
        reader.page.keyboard().type("cars");
        press("Enter");
        assertThat(reader.page.getByText("1 report with “cars”.")).isVisible();
        reader.field("Search titles, pages, columns").fill("whales");
        assertThat(reader.page.getByText("No report that you may read contains “whales”."))
                .isVisible();
        reader.link("Show everything").click();
        assertThat(reader.page.getByText("10 reports that you may read.")).isVisible();
    }

    @Test
    void on_a_phone_nothing_is_wider_than_the_screen_and_the_sections_are_at_the_bottom() {
        reader.page.setViewportSize(390, 844);
        JsonNode line = DEMO.as("Marit Lunde").get("subscriptions/1");
        String issue = line.get("line").get("spines").get(0).get("id").asString();
        String run = line.get("runs").get(0).get("id").asString();
        for (String address : new String[] {
            "/",
            "/library",
            "/reports/1",
            "/subscriptions",
            "/subscriptions/1",
            "/compose?report=1",
            "/issues/" + issue,
            "/runs/" + run,
            "/mail-room"
        }) {
            reader.page.navigate(address);
            assertThat(reader.page.getByRole(AriaRole.HEADING).first()).isVisible();
            reader.page.waitForLoadState(com.microsoft.playwright.options.LoadState.NETWORKIDLE);
            int overflow = PageCheck.overflow(reader.page);
            assertThat(overflow).as(address).isZero();
        }
        reader.open("Subscriptions");
        assertThat(reader.heading("Subscriptions")).isVisible();
    }

    @Test
    void an_address_that_holds_nothing_says_so_and_leads_back() {
        reader.page.navigate("/subscriptions/99999");
        assertThat(reader.page.getByText("There is nothing here that you may open."))
                .isVisible();
        reader.page.navigate("/subscriptions/1/more/than/that");
        assertThat(reader.heading("Nothing here")).isVisible();
        reader.page.navigate("/house");
        assertThat(reader.heading("Nothing here")).isVisible();
        reader.link("To the shelf").click();
        assertThat(reader.page).hasURL(DEMO.server().url() + "/");
    }

    @Test
    void lamplight_is_chosen_once_and_stays() {
        reader.page
                .getByText("Marit Lunde", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        reader.button("lamplight").click();
        reader.page.reload();
        assertThat(reader.page.locator("html")).hasAttribute("data-theme", "lamplight");
        assertThat(reader.page.evaluate("getComputedStyle(document.body).backgroundColor"))
                .isEqualTo("rgb(23, 33, 31)");
        reader.page
                .getByText("Marit Lunde", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        reader.button("as the system").click();
    }

    @Test
    void a_reload_loses_nothing_of_a_subscription_being_written() {
        reader.page.navigate("/compose?report=1");
        reader.button("Cancelled sailings").click();
        reader.field("Name, as it stands on the shelf and opens the subject").fill("Half written");
        assertThat(reader.button("Half written")).isVisible();
        reader.page.reload();
        assertThat(reader.button("Half written")).isVisible();
        reader.button("Keep as draft").click();
        assertThat(reader.heading("Half written")).isVisible();
        assertThat(reader.page.getByText("Nothing is sent from a draft.")).isVisible();
    }

    private static void press(String key) {
        reader.page.keyboard().press(key);
    }

    private static Locator focused() {
        return reader.page.locator(":focus");
    }

    private static Locator rowOfFocus() {
        return reader.page.locator("[data-row]:has(:focus)");
    }
}
