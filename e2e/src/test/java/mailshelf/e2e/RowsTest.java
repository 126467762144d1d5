package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** From what a page shows down to the rows that it is made of. */
class RowsTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("rows");

    private static final String CUT = "period=last-3-months&except=" + encoded("cause:wind");

    private static Api ida;

    @BeforeAll
    static void signIn() {
        ida = DEMO.as("Ida Solvang");
    }

    @Test
    void behind_each_mark_of_a_chart_and_each_line_of_a_table_lie_as_many_rows_as_it_counts() {
        JsonNode page = ida.get("reports/1?" + CUT).get("shown").get("page");
        JsonNode table = page.get("tables").get(0);
        for (int i = 0; i < table.get("keys").size(); i++) {
            String key = table.get("keys").get(i).get(0).asString();
            JsonNode rows = rows("&block=" + table.get("id").asString() + "&of=" + encoded(key));
            assertThat(rows.get("table").get("count").asString())
                    .isEqualTo(table.get("rows")
                            .get(i)
                            .get(1)
                            .get("text")
                            .asString()
                            .replace("\u2009", ""));
            assertThat(texts(rows.get("of"))).containsExactly("By route", key);
        }
        JsonNode chart = page.get("charts").get(0);
        int last = chart.get("keys").size() - 2;
        JsonNode rows = rows("&block=" + chart.get("id").asString() + "&of="
                + chart.get("keys").get(last).asString());
        double counted = StreamSupport.stream(chart.get("series").spliterator(), false)
                .mapToDouble(series -> series.get("values").get(last).asDouble())
                .sum();
        assertThat(rows.get("table").get("count").asDouble()).isEqualTo(counted);
    }

    @Test
    void they_come_sorted_by_any_column_a_stretch_at_a_time_in_the_columns_asked_for() {
        String asked = "&sort=delay&descending=true&column=delay&column=route";
        List<Integer> delays = IntStream.of(0, 200)
                .mapToObj(from -> rows(asked + "&from=" + from).get("table").get("rows"))
                .flatMap(JsonNode::valueStream)
                .map(row -> Integer.parseInt(row.get(0).get("text").asString()))
                .toList();

        assertThat(delays).hasSize(400).isSortedAccordingTo((a, b) -> b - a);
        assertThat(texts(rows(asked).get("columns"), "column")).containsExactly("delay", "route");
    }

    @Test
    void all_of_them_are_one_file() {
        JsonNode rows = rows("&sort=vessel&column=date&column=vessel");
        List<String> lines = new String(
                        ida.bytes("reports/1/rows/file?" + CUT + "&sort=vessel&column=date&column=vessel"),
                        StandardCharsets.UTF_8)
                .lines()
                .toList();

        assertThat(lines).hasSize(rows.get("table").get("count").asInt() + 1);
        assertThat(lines.get(0)).isEqualTo("Day,Vessel");
        assertThat(lines.subList(1, 201))
                .extracting(line -> line.split(",")[1])
                .containsExactlyElementsOf(rows.get("table")
                        .get("rows")
                        .valueStream()
                        .map(row -> row.get(1).get("text").asString())
                        .toList());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "column=captain",
                "sort=captain",
                "filter=captain:Ahab",
                "between=delay:ten..twenty",
                "between=route:1..2",
                "between=delay:..",
                "contains=delay:1",
                "top=route:0..cancelled",
                "top=route:5..none",
                "top=delay:5..cancelled",
                "filter=date:soon",
                "contains=route:"
            })
    void what_makes_no_sense_is_refused(String asked) {
        assertThat(ida.status("reports/1/rows?" + asked.replace(" ", "%20"))).isEqualTo(422);
    }

    @Test
    void marks_and_blocks_that_are_not_there_are_not_found() {
        assertThat(ida.status("reports/1/rows?block=none")).isEqualTo(404);
        assertThat(ida.status("reports/1/rows?block=b6&of=9%20Nowhere")).isEqualTo(404);
        assertThat(ida.status("periods/some-week")).isEqualTo(400);
    }

    @Test
    void a_line_leads_to_its_rows_and_back() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/1?period=last-4-weeks");

        reader.button("Show the rows of 3 Sandvoll–Ness").click();

        Locator table = reader.page.getByRole(
                AriaRole.TABLE,
                new com.microsoft.playwright.Page.GetByRoleOptions().setName("By route, 3 Sandvoll–Ness"));
        assertThat(table).containsText("Terna");
        table.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Minutes late"))
                .click();
        assertThat(table.getByRole(AriaRole.COLUMNHEADER, new Locator.GetByRoleOptions().setName("Minutes late")))
                .hasAttribute("aria-sort", "ascending");
        reader.page.keyboard().press("Escape");
        assertThat(table).hasCount(0);
    }

    private static JsonNode rows(String asked) {
        return ida.get("reports/1/rows?" + CUT + asked);
    }

    private static List<String> texts(JsonNode list) {
        return list.valueStream().map(JsonNode::asString).toList();
    }

    private static List<String> texts(JsonNode list, String field) {
        return list.valueStream().map(each -> each.get(field).asString()).toList();
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
