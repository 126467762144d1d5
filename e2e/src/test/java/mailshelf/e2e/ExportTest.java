package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import java.net.URLEncoder;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What is on the screen is taken along as a file, cut as it is there. */
class ExportTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("export");

    private static final String ROUTE = "3 Sandvoll–Ness";

    private static Api ida;

    @BeforeAll
    static void sign_in() {
        ida = DEMO.as("Ida Solvang");
    }

    @Test
    void a_table_is_the_one_that_the_page_shows() {
        String cut = "period=last-4-weeks&filter=" + URLEncoder.encode("route:" + ROUTE, StandardCharsets.UTF_8);
        JsonNode page = ida.get("reports/1?page=every&" + cut).get("shown").get("page");
        JsonNode table = page.get("tables").get(0);

        HttpResponse<byte[]> file =
                file("kind=CSV&page=every&block=" + table.get("id").asString() + "&" + cut);

        List<String> lines =
                new String(file.body(), StandardCharsets.UTF_8).lines().toList();
        assertThat(lines).hasSize(table.get("rows").size() + 1);
        assertThat(lines.get(0)).isEqualTo("Day,Planned,Route,Vessel,From,To,Cause");
        assertThat(lines.subList(1, lines.size())).isNotEmpty().allMatch(line -> line.contains(ROUTE));
        List<String> shown = new ArrayList<>();
        table.get("rows").forEach(row -> shown.add(row.get(1).get("text").asString() + "," + ROUTE));
        for (int i = 0; i < shown.size(); i++) {
            assertThat(lines.get(i + 1)).contains(shown.get(i));
        }
        assertThat(file.headers().firstValue("Content-Disposition").orElseThrow())
                .contains("attachment")
                .contains("Every%20cancelled%20sailing");
    }

    @Test
    void a_table_is_sorted_and_has_the_columns_as_on_the_screen() {
        String table = ida.get("reports/1?page=every&period=last-4-weeks")
                .get("shown")
                .get("page")
                .get("tables")
                .get(0)
                .get("id")
                .asString();
        String laidOut = "page=every&period=last-4-weeks&down=" + table + ":route&column=" + table + ":route&column="
                + table + ":cause";

        List<String> lines = new String(
                        file("kind=CSV&block=" + table + "&" + laidOut).body(), StandardCharsets.UTF_8)
                .lines()
                .toList();
        assertThat(lines.get(0)).isEqualTo("Route,Cause");
        assertThat(lines.subList(1, lines.size()).stream().map(line -> line.split(",")[0]))
                .isSortedAccordingTo(Comparator.reverseOrder());
        assertThat(file("kind=PDF&" + laidOut).body()).startsWith('%', 'P', 'D', 'F');
        assertThat(ida.status("reports/1/file?kind=PDF&column=" + table + ":no+such+column"))
                .isEqualTo(422);
    }

    @Test
    void a_page_is_a_workbook_a_document_or_a_picture() {
        assertThat(file("kind=XLSX").body()).startsWith('P', 'K');
        assertThat(file("kind=PDF").body()).startsWith('%', 'P', 'D', 'F');
        assertThat(file("kind=PNG").body()).startsWith(0x89, 'P', 'N', 'G');
        String chart = ida.get("reports/1")
                .get("shown")
                .get("page")
                .get("charts")
                .get(0)
                .get("id")
                .asString();
        assertThat(file("kind=PNG&block=" + chart).body()).startsWith(0x89, 'P', 'N', 'G');
    }

    @Test
    void what_is_no_table_or_not_there_is_not_found() {
        assertThat(ida.status("reports/1/file?kind=CSV")).isEqualTo(404);
        assertThat(ida.status("reports/1/file?kind=CSV&block=b1")).isEqualTo(404);
        assertThat(ida.status("reports/1/file?kind=PNG&block=none")).isEqualTo(404);
        assertThat(ida.status("reports/1/file?kind=DOC")).isEqualTo(400);
    }

    @Test
    void it_is_saved_from_the_page_under_a_name_that_says_what_it_is() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/1?period=last-4-weeks");

        Download workbook =
                reader.page.waitForDownload(() -> reader.link("XLSX").click());
        Download table =
                reader.page.waitForDownload(() -> reader.link("By route as CSV").click());

        assertThat(workbook.suggestedFilename())
                .startsWith("Cancelled sailings, Overview ")
                .endsWith(".xlsx");
        assertThat(table.suggestedFilename())
                .startsWith("Cancelled sailings, By route ")
                .endsWith(".csv");
    }

    private static HttpResponse<byte[]> file(String query) {
        HttpResponse<byte[]> answer = ida.answer("GET", "reports/1/file?" + query, null, Map.of());
        assertThat(answer.statusCode())
                .as(new String(answer.body(), StandardCharsets.UTF_8))
                .isEqualTo(200);
        return answer;
    }
}
