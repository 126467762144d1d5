package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The demo's reports: each page answers its question with figures, and the browser shows those that the API gives. */
class DemoReportsTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("demo-reports");

    private static Api marit;

    @BeforeAll
    static void signIn() {
        marit = DEMO.as("Marit Lunde");
    }

    private record Shown(String address, JsonNode view) {
        JsonNode page() {
            return view.get("shown").get("page");
        }

        @Override
        public String toString() {
            return address;
        }
    }

    /** Every page of every report, its questions answered as they are asked. */
    private static List<Shown> pages() {
        List<Shown> pages = new ArrayList<>();
        for (JsonNode entry : marit.get("library").get("entries")) {
            String report = "reports/" + entry.get("id").asLong();
            String answers = entry.get("title").asString().contains("own bound") ? "&filter=route:5+Holm+ring" : "";
            for (JsonNode page :
                    marit.get(report + "?period=last-month" + answers).get("pages")) {
                String address = report + "?page=" + page.get("id").asString() + "&period=last-month" + answers;
                pages.add(new Shown(address, marit.get(address)));
            }
        }
        return pages;
    }

    @Test
    void every_page_has_a_purpose_figures_with_units_and_no_empty_block() {
        List<Shown> pages = pages();

        assertThat(pages).hasSizeGreaterThan(15);
        for (Shown each : pages) {
            JsonNode page = each.page();
            assertThat(each.view().get("about").asString()).as(each.toString()).matches(".*[.?]");
            for (JsonNode figure : page.get("figures")) {
                assertThat(figure.get("value").asString()).as(each.toString()).matches(".*\\d.*");
                assertThat(figure.get("change").asString())
                        .as(each.toString())
                        .matches(
                                each.address().contains("page=wind")
                                        // the weather station is silent, and covers last month or not by the day
                                        ? "no figures yet for .*; they end on .*|.*(month before|a year ago)"
                                        : ".*(month before|a year ago)");
            }
            for (JsonNode chart : page.get("charts")) {
                assertThat(values(chart)).as("%s: %s", each, chart.get("title")).isNotEmpty();
                assertThat(chart.get("categories")).as(each.toString()).isNotEmpty();
            }
            for (JsonNode table : page.get("tables")) {
                assertThat(table.get("rows"))
                        .as("%s: %s", each, table.get("title"))
                        .isNotEmpty();
            }
            assertThat(page.get("freshness").asString()).as(each.toString()).startsWith("figures to");
        }
    }

    private static Stream<JsonNode> values(JsonNode chart) {
        return chart.get("series")
                .valueStream()
                .flatMap(series -> series.get("values").valueStream())
                .filter(value -> !value.isNull());
    }

    @Test
    void the_browser_shows_what_the_api_gives_cell_by_cell() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        int compared = 0;
        for (Shown each : pages()) {
            reader.page.navigate("/" + each.address());
            assertThat(reader.page.getByRole(AriaRole.MAIN))
                    .containsText(each.page().get("title").asString());
            for (JsonNode figure : each.page().get("figures")) {
                assertThat(reader.page.getByText(figure.get("value").asString()).first())
                        .isVisible();
            }
            for (JsonNode table : each.page().get("tables")) {
                if (!table.get("ofData").asBoolean()) {
                    assertThat(cells(reader.page, table.get("title").asString()))
                            .as(each.toString())
                            .isEqualTo(cells(table));
                    compared++;
                }
            }
        }
        assertThat(compared).isGreaterThan(4);
    }

    private static List<List<String>> cells(Page page, String title) {
        Locator table = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName(title))
                .first();
        assertThat(table).isVisible();
        List<List<String>> rows = new ArrayList<>();
        for (Locator row : table.locator("tbody tr, tfoot tr").all()) {
            rows.add(row.locator("td").allTextContents());
        }
        return rows;
    }

    private static List<List<String>> cells(JsonNode table) {
        List<List<String>> rows = new ArrayList<>();
        table.get("rows").forEach(row -> rows.add(texts(row)));
        if (!table.get("total").isEmpty()) {
            rows.add(texts(table.get("total")));
        }
        return rows;
    }

    private static List<String> texts(JsonNode row) {
        return row.valueStream().map(cell -> cell.get("text").asString()).toList();
    }
}
