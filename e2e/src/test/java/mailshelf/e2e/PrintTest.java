package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.Media;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What comes out of the printer when a report is printed as it stands in the browser. */
class PrintTest {

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("print");

    private Reader reader;

    @BeforeEach
    void sign_in() {
        reader = DEMO.reader().signInAs("Marit Lunde");
    }

    @Test
    void paper_holds_the_page_and_nothing_to_press() {
        reader.page.navigate("/reports/1");
        assertThat(reader.page.getByText("By route", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        asPrinted();

        assertThat(reader.page.getByText("Cancelled sailings a week, by cause")).isVisible();
        assertThat(reader.page.getByText("Showing last week").first()).isVisible();
        assertThat(reader.page.getByText("page 1 of 3")).isVisible();
        for (Locator pressed : new Locator[] {
            reader.link("Subscribe to this"),
            reader.link("Subscriptions"),
            reader.button("keep this cut"),
            reader.button("narrow further"),
            reader.button("2 By route and vessel"),
            reader.page.getByText("point at a mark")
        }) {
            assertThat(pressed.first()).isHidden();
        }
    }

    @Test
    void a_long_table_is_printed_whole_and_not_as_far_as_the_screen_shows_it() {
        reader.page.navigate("/reports/1?page=every&period=last-month");
        JsonNode table = DEMO.as("Marit Lunde")
                .get("reports/1?page=every&period=last-month")
                .get("shown")
                .get("page")
                .get("tables")
                .get(0);
        assertThat(reader.page.getByText("page 3 of 3")).isVisible();
        asPrinted();

        Locator rows = reader.page.locator("table:visible tbody tr");
        assertThat(rows).hasCount(table.get("rows").size());
        assertThat(table.get("rows").size()).isGreaterThan(20);
    }

    @Test
    void paper_is_paper_also_by_lamplight() {
        reader.page.evaluate("localStorage.setItem('theme', 'lamplight')");
        reader.page.navigate("/reports/1");
        assertThat(reader.page.locator("html")).hasAttribute("data-theme", "lamplight");
        assertThat(reader.page.locator("h1")).isVisible();

        reader.page.evaluate("addEventListener('beforeprint', () => window.printedBy ="
                + " getComputedStyle(document.querySelector('h1')).color)");
        reader.page.pdf();
        assertThat(reader.page.evaluate("window.printedBy"))
                .isEqualTo(reader.page.evaluate("(() => { document.documentElement.dataset.theme = 'daylight';"
                        + " return getComputedStyle(document.querySelector('h1')).color; })()"));
        reader.page.reload();
        assertThat(reader.page.locator("html")).hasAttribute("data-theme", "lamplight");
    }

    private void asPrinted() {
        reader.page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
    }
}
