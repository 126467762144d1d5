package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** A publisher writes a report, sees it while he writes, and learns what publishing it takes from whom. */
class WriteReportTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("write-report");

    private static final String REPORT = """
            report: Piers
            about: How many boats lay where.
            data: sailings
            filters: [route, vessel]
            measures:
              all: {title: Sailings, count: rows}
              people: {title: People, sum: passengers}
            pages:
              - page: Overview
                id: overview
                blocks:
                  - {figure: all}
                  - {table: route, title: By route, measures: [all, people]}
              - page: More
                id: more
                blocks:
                  - {figure: people}
            """;

    private static Api sunniva;

    @BeforeAll
    static void sign_in() {
        sunniva = DEMO.as("Sunniva Rein");
    }

    @Test
    void a_draft_is_seen_with_its_figures_and_nothing_of_it_is_kept() {
        int before = sunniva.get("library").get("entries").size();

        JsonNode draft = draft(REPORT, "more");

        assertThat(draft.get("title").asString()).isEqualTo("Piers");
        assertThat(draft.get("page").asString()).isEqualTo("more");
        assertThat(draft.get("shown")
                        .get("page")
                        .get("figures")
                        .get(0)
                        .get("value")
                        .asString())
                .matches("[\\d\u202f\u2009 ]+");
        // a page that is gone while it is renamed
        assertThat(draft(REPORT, "gone").get("page").asString()).isEqualTo("overview");
        assertThat(sunniva.get("library").get("entries")).hasSize(before);
    }

    @Test
    void what_is_wrong_is_told_with_its_place() {
        Api.Refusal refused =
                sunniva.refused("POST", "reports/drafts", wish(REPORT.replace("sum: passengers", "sum: route"), ""));

        assertThat(refused.code()).isEqualTo("report.not-readable");
        assertThat(refused.document().get("faults").get(0).get("field").asString())
                .isEqualTo("line 7, column 32");
        assertThat(refused.document().get("faults").get(0).get("message").asString())
                .contains("must be a number column");
    }

    @Test
    void it_opens_for_the_period_that_its_publisher_says() {
        String yaml = REPORT.replace("Piers", "Piers yesterday").replace("data:", "period: yesterday\ndata:");
        Map<String, Object> draft = new HashMap<>(wish(yaml, ""));
        draft.remove("period");
        assertThat(sunniva.post("reports/drafts", draft)
                        .get("period")
                        .get("code")
                        .asString())
                .isEqualTo("yesterday");
        Map<String, Object> byHours = Map.of("folder", 1, "yaml", yaml.replace(": yesterday", ": last-12-hours"));
        assertThat(sunniva.refused("POST", "reports", byHours).code()).isEqualTo("report.period-by-time");

        long report = sunniva.post("reports", Map.of("folder", 1, "yaml", yaml))
                .get("id")
                .asLong();

        String path = "reports/" + report;
        assertThat(sunniva.get(path).get("shown"))
                .isEqualTo(sunniva.get(path + "?period=yesterday").get("shown"));
        assertThat(sunniva.get(path).get("shown"))
                .isNotEqualTo(sunniva.get(path + "?period=last-week").get("shown"));
        assertThat(sunniva.get(path + "/rows").get("rows"))
                .isEqualTo(sunniva.get(path + "/rows?period=yesterday").get("rows"));
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/" + path);
        assertThat(reader.button("yesterday")).isVisible();
        assertThat(reader.link("Subscribe to this")).hasAttribute("href", Pattern.compile("period=yesterday"));
        reader.link("Subscribe as published").click();
        assertThat(reader.button("yesterday")).isVisible();
        reader.page.navigate("/" + path + "/edit");
        assertThat(reader.page.getByLabel("Showing")).hasValue("yesterday");
    }

    @Test
    void subscriptions_that_lose_something_are_named_before_and_adapt_or_pause_after_it() {
        long report = published();
        long both = subscription(report, "Both pages", List.of("overview", "more"), List.of());
        long more = subscription(report, "Only more", List.of("more"), List.of());
        long cut = subscription(
                report,
                "One boat",
                List.of("overview"),
                List.of(Map.of("column", "vessel", "test", "ANY_OF", "values", List.of("Brine"))));
        long untouched = subscription(report, "Overview", List.of("overview"), List.of());
        String next = REPORT.substring(0, REPORT.indexOf("  - page: More"))
                .replace("filters: [route, vessel]", "filters: [route]\nrows: [date, route]");

        JsonNode losing = sunniva.post("reports/" + report + "/losses", Map.of("yaml", next));

        assertThat(losing.valueStream()
                        .map(line -> line.get("name").asString() + " "
                                + line.get("pauses").asBoolean()))
                .containsExactlyInAnyOrder("Both pages false", "Only more true", "One boat true");
        assertThat(sunniva.get("subscriptions/" + more).get("line").get("state").asString())
                .isEqualTo("ACTIVE");

        sunniva.put("reports/" + report + "/definition", Map.of("yaml", next, "after", 1));

        assertThat(state(both)).isEqualTo("ACTIVE");
        assertThat(sunniva.get("subscriptions/" + both)
                        .get("terms")
                        .get("content")
                        .get(0)
                        .get("pages")
                        .toString())
                .isEqualTo("[\"overview\"]");
        assertThat(state(more)).isEqualTo("PAUSED");
        assertThat(state(cut)).isEqualTo("PAUSED");
        assertThat(state(untouched)).isEqualTo("ACTIVE");
        Wait.until(
                "the owner is told by mail",
                () -> sunniva.get("mail-room/sunniva.rein@brinewater.example")
                        .toString()
                        .contains("“Only more” has changed"));
    }

    @Test
    void a_block_that_moved_is_not_lost_and_a_column_that_went_is() {
        long report = published();
        subscription(report, "Columns", List.of("overview"), List.of());
        String moved = REPORT.replace("      - {figure: all}\n", "")
                .replace("measures: [all, people]}", "measures: [all]}\n      - {figure: all}");

        JsonNode losing = sunniva.post("reports/" + report + "/losses", Map.of("yaml", moved));

        assertThat(losing.get(0).get("lost").toString()).isEqualTo("[{\"kind\":\"COLUMN\",\"name\":\"People\"}]");
    }

    @Test
    void another_publishers_version_is_not_written_over() {
        long report = published();
        sunniva.put("reports/" + report + "/definition", Map.of("yaml", REPORT.replace("Piers", "Quays"), "after", 1));

        Api.Refusal refused =
                sunniva.refused("PUT", "reports/" + report + "/definition", Map.of("yaml", REPORT, "after", 1));

        assertThat(refused.code()).isEqualTo("report.published-meanwhile");
        assertThat(sunniva.get("reports/" + report).get("title").asString()).isEqualTo("Quays");
    }

    @Test
    void a_report_is_written_mended_published_compared_and_taken_back_in_the_browser() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.open("Library");
        reader.link("New report").click();
        reader.page.getByLabel("Folder").selectOption("Traffic");
        reader.page.getByLabel("Data set").selectOption("sailings");
        Locator text = reader.page.getByLabel("The report as text");
        assertThat(reader.page.getByText("Total of")).not().hasCount(0);

        text.fill(REPORT.replace("{figure: all}", "{figure: alle}"));
        assertThat(reader.page.getByText("no measure \"alle\"")).isVisible();
        assertThat(reader.button("Publish")).isDisabled();
        reader.button("line 12, column 18").click();
        assertThat(text).isFocused();
        reader.page
                .getByLabel("take it from a file")
                .setInputFiles(new FilePayload("piers.yaml", "text/yaml", REPORT.getBytes(StandardCharsets.UTF_8)));
        assertThat(reader.page.getByText("The text is that of piers.yaml now")).isVisible();
        assertThat(heading(reader, "Piers")).isVisible();
        reader.button("2 More").click();
        assertThat(reader.page.getByText("People").first()).isVisible();
        reader.button("Publish").click();
        assertThat(reader.link("Subscribe to this")).isVisible();

        reader.link("Edit").click();
        text.fill(REPORT.replace("title: Sailings", "title: Departures"));
        assertThat(reader.page.getByText("Departures").first()).isVisible();
        reader.button("Publish").click();
        assertThat(reader.page.getByText("No subscription loses anything by it."))
                .isVisible();
        reader.page
                .getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON)
                .first()
                .click();
        assertThat(reader.page.getByText("Version 2 is published.")).isVisible();

        reader.button("versions").click();
        reader.page.getByLabel("Compare").selectOption("1");
        assertThat(reader.page.getByLabel("What differs")).containsText("Departures");
        reader.button("Take back version 1").click();
        assertThat(text).not().containsText("Departures");
        assertThat(reader.page.getByText("what you write is not yet")).isVisible();
    }

    private static Locator heading(Reader reader, String name) {
        return reader.page.getByRole(
                AriaRole.HEADING, new com.microsoft.playwright.Page.GetByRoleOptions().setName(name));
    }

    private static String state(long subscription) {
        return sunniva.get("subscriptions/" + subscription)
                .get("line")
                .get("state")
                .asString();
    }

    private static long published() {
        return sunniva.post("reports", Map.of("folder", 1, "yaml", REPORT))
                .get("id")
                .asLong();
    }

    private static long subscription(long report, String name, List<String> pages, List<Object> filters) {
        Map<String, Object> content = Map.of(
                "report", report, "pages", pages, "blocks", List.of(), "period", "last-week", "filters", filters);
        Map<String, Object> terms =
                Wishes.with(Wishes.with(Wishes.terms(1), "name", name), "content", List.of(content));
        return sunniva.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    private static Map<String, Object> wish(String yaml, String page) {
        return Map.of("folder", 1, "yaml", yaml, "page", page, "period", "last-week", "chartWidth", 600);
    }

    private static JsonNode draft(String yaml, String page) {
        return sunniva.post("reports/drafts", wish(yaml, page));
    }
}
