package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Pages that people put together for themselves from blocks of reports. */
class ClippingsTest {
    private static final long PASSENGERS = 2;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("clippings");

    private static Api ida;

    @BeforeAll
    static void signIn() {
        ida = DEMO.as("Ida Solvang");
    }

    @Test
    void blocks_of_several_reports_show_what_their_reports_show() {
        Map<String, Object> ofRing = clip(1, "overview", "b1", List.of(filter("route", "5 Holm ring")));
        long id = keep("Figures", ofRing, clip(PASSENGERS, "overview", "b1", List.of()));

        JsonNode view = ida.get("clippings/" + id);

        assertThat(view.get("clips")).hasSize(2);
        for (int i = 0; i < 2; i++) {
            JsonNode clip = view.get("clips").get(i);
            String query = i == 0 ? "?period=last-month&filter=route:5+Holm+ring" : "?period=last-month";
            JsonNode report =
                    ida.get("reports/" + clip.get("clip").get("report").asLong() + query);
            assertThat(clip.get("title").asString())
                    .isEqualTo(report.get("title").asString());
            assertThat(figures(clip)).hasSize(1);
            assertThat(figures(clip).get(0)).isEqualTo(figures(report).get(0));
        }
    }

    private static JsonNode figures(JsonNode of) {
        return of.get("shown").get("page").get("figures");
    }

    @Test
    void what_may_not_be_seen_any_more_is_not_told_by_title() {
        Api sunniva = DEMO.as("Sunniva Rein");
        Staff.granted(sunniva, Staff.hired(sunniva, "Leif Leaves"), PASSENGERS, "SEE");
        Api leif = DEMO.as("Leif Leaves");
        long id = leif.post(
                        "clippings",
                        Map.of("name", "Soon gone", "clips", List.of(clip(PASSENGERS, "overview", "b1", List.of()))))
                .get("id")
                .asLong();
        assertThat(leif.get("clippings").get(0).get("reports").toString()).isEqualTo("[\"Passengers carried\"]");
        long group = sunniva.get("groups")
                .valueStream()
                .filter(each -> each.get("name").asString().startsWith("Group of"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        sunniva.put("grants/" + PASSENGERS + "/" + group, Map.of("verbs", List.of()));

        JsonNode clip = leif.get("clippings/" + id).get("clips").get(0);

        assertThat(clip.get("title").asString()).isEmpty();
        assertThat(leif.get("clippings").get(0).get("reports")).isEmpty();
        assertThat(clip.get("shown").isNull()).isTrue();
        assertThat(clip.get("gone").asString()).isEqualTo("You may not see its report any more.");
    }

    @Test
    void each_is_its_owners_alone_and_names_are_not_doubled() {
        long id = keep("Mine", clip(1, "overview", "b1", List.of()));
        Api marit = DEMO.as("Marit Lunde");
        Map<String, Object> wish = Map.of("name", "mine", "clips", List.of());

        assertThat(marit.status("clippings/" + id)).isEqualTo(404);
        assertThat(marit.refused("DELETE", "clippings/" + id, null).status()).isEqualTo(404);
        assertThat(ida.refused("POST", "clippings", wish).code()).isEqualTo("clipping.name-taken");
        assertThat(ida.refused("PUT", "clippings/" + id, Map.of("wish", wish, "version", 7))
                        .code())
                .isEqualTo("clipping.changed-meanwhile");
        assertThat(ida.refused(
                                "POST",
                                "clippings/" + id + "/clips",
                                Map.of("clips", List.of(clip(1, "overview", "none", List.of()))))
                        .code())
                .isEqualTo("clipping.no-such-block");
        assertThat(ida.refused(
                                "POST",
                                "clippings/" + id + "/clips",
                                Map.of("clips", List.of(clip(7, "overview", "b1", List.of()))))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void it_is_clipped_where_one_reads_and_put_in_order() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/1?period=last-month");
        reader.button("clip blocks of it").click();
        tick(reader, "By route");
        tick(reader, "Mean delay");
        reader.field("Name of the clipping").fill("For Monday");
        reader.button("Clip them").click();
        reader.link("Look at it").click();
        reader.page.waitForURL(Pattern.compile("/clippings/\\d+"));
        assertThat(reader.page.getByText("last month").first()).isVisible();
        assertThat(reader.page.getByRole(AriaRole.TABLE)).hasCount(1);

        reader.button("later: Cancelled sailings").click();
        assertThat(reader.page.locator("section").last()).containsText("Mean delay");
        reader.button("take out: Cancelled sailings").first().click();
        assertThat(reader.page.getByRole(AriaRole.TABLE)).hasCount(0);
        reader.button("remove").click();
        reader.button("Undo").click();
        assertThat(reader.link("For Monday")).isVisible();
    }

    private static void tick(Reader reader, String block) {
        reader.page
                .getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(block))
                .check();
    }

    private static long keep(String name, Object... clips) {
        return ida.post("clippings", Map.of("name", name, "clips", List.of(clips)))
                .get("id")
                .asLong();
    }

    private static Map<String, Object> clip(long report, String page, String block, List<?> filters) {
        return Map.of("report", report, "page", page, "block", block, "period", "last-month", "filters", filters);
    }

    private static Map<String, Object> filter(String column, String value) {
        return Map.of("column", column, "test", "ANY_OF", "values", List.of(value));
    }
}
