package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Rows that have a time of day, read and sent by the hour. */
class HoursTest {
    private static final long MARIT = 2;
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("hours");

    private static final String REPORT = """
            report: Gates
            about: How many cars went through the gates, and when?
            data: gates
            rows: [passed, gate]
            compute:
              hour: if passed is missing then "" else right("0" & hour(passed), 2)
            measures:
              cars: {title: Cars, count: rows}
            pages:
              - page: All
                id: all
                blocks:
                  - {figure: cars}
                  - {chart: bars, title: By hour, measure: cars, by: hour}
                  - {table: rows, title: Every car, columns: [passed, gate]}
            """;

    private static Api marit;
    private static long gates;

    /** One car each hour at ten minutes past, for three days up to now, by the clocks of London. */
    @BeforeAll
    static void a_gate() {
        marit = DEMO.as("Marit Lunde");
        Api sunniva = DEMO.as("Sunniva Rein");
        long data = sunniva.post(
                        "data-sets",
                        Map.of(
                                "folder",
                                1,
                                "name",
                                "gates",
                                "dateColumn",
                                "passed",
                                "columns",
                                List.of(
                                        Map.of(
                                                "name",
                                                "passed",
                                                "type",
                                                "TIME",
                                                "decimals",
                                                0,
                                                "zone",
                                                "Europe/London"),
                                        Map.of("name", "gate", "type", "TEXT", "decimals", 0))))
                .get("id")
                .asLong();
        StringBuilder csv = new StringBuilder("passed,gate\n");
        ZonedDateTime hour =
                now().withZoneSameInstant(ZoneId.of("Europe/London")).truncatedTo(ChronoUnit.HOURS);
        for (int i = 72; i > 0; i--) {
            csv.append(hour.minusHours(i).plusMinutes(10).toLocalDateTime()).append(",Ness\n");
        }
        sunniva.upload("data-sets/" + data + "/loads", csv.toString());
        gates = sunniva.post("reports", Map.of("folder", 1, "yaml", REPORT))
                .get("id")
                .asLong();
    }

    private static ZonedDateTime now() {
        return Clock.now(marit).atZone(OSLO);
    }

    @Test
    void the_last_hours_are_counted_by_ones_own_clock_whatever_those_of_the_data_show() {
        JsonNode page = page("last-24-hours");
        LocalDateTime end = now().truncatedTo(ChronoUnit.HOURS).toLocalDateTime();

        assertThat(page.get("figures").get(0).get("value").asString()).isEqualTo("24");
        assertThat(page.get("showing").asString()).contains(":00 – ").contains("the last 24 full hours");
        assertThat(page.get("tables")
                        .get(0)
                        .get("rows")
                        .get(0)
                        .get(0)
                        .get("text")
                        .asString())
                .as("rows say the time of where they are from")
                .endsWith(", " + "%02d:10".formatted(end.minusHours(25).getHour()));
        // up to the minute, the car of this hour is not through yet, and that of thirty hours ago may be out already
        assertThat(page("last-30-hours-with-this")
                        .get("figures")
                        .get(0)
                        .get("value")
                        .asString())
                .isEqualTo(now().getMinute() <= 10 ? "30" : "29");
        assertThat(page("yesterday@04:00").get("figures").get(0).get("value").asString())
                .isEqualTo("24");
        assertThat(page(end.minusHours(3) + "/" + end.minusHours(1))
                        .get("figures")
                        .get(0)
                        .get("value")
                        .asString())
                .isEqualTo("2");
    }

    private static JsonNode page(String period) {
        return marit.get("reports/" + gates + "?period=" + period).get("shown").get("page");
    }

    @Test
    void an_issue_says_its_hours_everywhere_and_keeps_them() {
        Map<String, Object> terms = Wishes.of(
                Wishes.of(Wishes.of(Wishes.terms(MARIT), "report", gates), "pages", List.of("all")),
                "period",
                "last-12-hours");
        long id = marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();

        long issue = Sends.issue(marit, id);

        JsonNode view = marit.get("issues/" + issue);
        String days = view.get("shown").get("page").get("showing").asString();
        String hours = days.substring(0, days.indexOf(", the last 12 full hours"));
        assertThat(view.get("shown")
                        .get("page")
                        .get("figures")
                        .get(0)
                        .get("value")
                        .asString())
                .isEqualTo("12");
        assertThat(hours).contains(":00");
        assertThat(view.get("colophon").toString()).contains(hours);
        assertThat(marit.get("subscriptions/" + id).get("fullSentence").asString())
                .contains("for the last 12 full hours");
        JsonNode mail = marit.get("issues/" + issue + "/mail");
        assertThat(mail.toString()).contains(hours);
    }

    @Test
    void figures_of_whole_days_are_refused_by_the_hour() {
        assertThat(marit.refused("GET", "reports/1?period=last-24-hours", null).code())
                .isEqualTo("report.period-by-time");
        Map<String, Object> terms = Wishes.of(Wishes.terms(MARIT), "period", "yesterday@04:00");
        assertThat(marit.refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                        .says())
                .contains("figures of whole days only");
        assertThat(marit.refused("POST", "reports/1/cuts", Wishes.cut("By the hour", false, "last-24-hours"))
                        .code())
                .startsWith("cut.");
    }

    @Test
    void hours_are_chosen_where_rows_have_them() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.navigate("/reports/" + gates + "?period=last-week");
        reader.button("last week").click();
        reader.page.getByLabel("Days, weeks or the like").selectOption("hour");
        reader.page.getByRole(AriaRole.SPINBUTTON).fill("6");
        reader.button("Use these").click();

        assertThat(reader.page.getByRole(AriaRole.TABLE).getByRole(AriaRole.ROW))
                .hasCount(7);
        reader.page.navigate("/reports/1");
        reader.button("last week").click();
        assertThat(reader.page.getByLabel("Days, weeks or the like").locator("option"))
                .hasCount(6);
    }
}
