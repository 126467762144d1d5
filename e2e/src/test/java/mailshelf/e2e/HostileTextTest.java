package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.LoadState;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Markup, formulas, marks of direction and endless words, wherever somebody can put a text. */
class HostileTextTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("hostile");

    private static final String MARKUP = "<img src=x onerror=\"window.hit=1\"> & 'so'";
    private static final String ENDLESS = "W".repeat(10_000);
    private static final String ADDRESS = "hostile@brinewater.example";

    private static long report;
    private static long subscription;
    private static long run;

    @BeforeAll
    static void texts_stand_wherever_one_can_put_them() {
        Api administrator = DEMO.as("Sunniva Rein");
        long person = administrator
                .post("people", Map.of("name", MARKUP, "address", ADDRESS, "zone", "Europe/Oslo", "roles", List.of()))
                .get("id")
                .asLong();
        long group =
                administrator.post("groups", Map.of("name", MARKUP)).get("id").asLong();
        administrator.put("groups/" + group + "/members", Map.of("people", List.of(person)));
        administrator.put("grants/1/" + group, Map.of("verbs", List.of("SEE")));
        load(administrator);
        report = administrator
                .post("reports", Map.of("folder", 1, "yaml", yaml()))
                .get("id")
                .asLong();
        Map<String, Object> terms = Wishes.of(Wishes.terms(person), "report", report);
        terms = Wishes.with(terms, "name", "=1+2 " + MARKUP);
        subscription = administrator
                .post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
        run = administrator
                .post("subscriptions/" + subscription + "/send", null)
                .get("id")
                .asLong();
        Wait.until(
                "it is delivered",
                () -> administrator.get("runs/" + run).get("state").asString().equals("CLOSED"));
    }

    @Test
    void every_view_shows_them_as_text_within_the_screen() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        for (int width : new int[] {1280, 390}) {
            reader.page.setViewportSize(width, 800);
            for (String address : List.of(
                    "/reports/" + report,
                    "/compose?report=" + report,
                    "/subscriptions",
                    "/subscriptions/" + subscription,
                    "/runs/" + run,
                    "/library",
                    "/house",
                    "/house/people",
                    "/house/groups",
                    "/house/audit",
                    "/mail-room/" + ADDRESS)) {
                reader.page.navigate(address);
                reader.page.waitForLoadState(LoadState.NETWORKIDLE);
                assertThat(reader.page.getByRole(AriaRole.MAIN)).containsText("onerror=");
                assertThat(reader.page.evaluate("window.hit ?? 0")).as(address).isEqualTo(0);
                assertThat(PageCheck.overflow(reader.page))
                        .as(address + " at " + width)
                        .isEqualTo(0);
            }
        }
    }

    @Test
    void the_mail_has_one_subject_and_no_markup_but_its_own() {
        Api administrator = DEMO.as("Sunniva Rein");
        String inbox = "mail-room/" + ADDRESS;
        var newest = administrator.get(inbox).get(0);
        assertThat(newest.get("subject").asString()).startsWith("=1+2 " + MARKUP + ": No. 1");
        String source = new String(
                administrator.bytes(inbox + "/mails/" + newest.get("id").asString() + "/source"));
        assertThat(source.substring(source.indexOf("text/html")))
                .contains("&lt;img src=3Dx")
                .doesNotContain("<img src=3Dx", "=E2=80=AE");
        assertThat(source.lines().mapToInt(String::length).max().orElseThrow()).isLessThan(999);
    }

    @Test
    void a_name_that_would_begin_another_header_or_turn_a_line_round_is_refused() {
        Api administrator = DEMO.as("Sunniva Rein");
        for (String name : List.of("Ida\r\nBcc: all@brinewater.example", "\u202edlovloS adI", ENDLESS)) {
            Map<String, Object> change =
                    Map.of("name", name, "zone", "Europe/Oslo", "roles", List.of(), "active", true);
            assertThat(administrator.refused("PUT", "people/4", change).code()).isEqualTo("person.bad-fields");
            assertThat(administrator
                            .refused("POST", "groups", Map.of("name", name))
                            .code())
                    .isEqualTo("group.bad-name");
            Map<String, Object> terms = Wishes.with(Wishes.terms(1), "name", name);
            assertThat(administrator
                            .refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                            .code())
                    .isEqualTo("subscription.bad-name");
        }
    }

    private static void load(Api administrator) {
        long data = administrator
                .post("data-sets", Wishes.dataSet(1, "landings", "date DATE", "place TEXT", "landings NUMBER"))
                .get("id")
                .asLong();
        String lastWeek = LocalDate.parse(
                        administrator.get("clock").get("now").asString().substring(0, 10))
                .minusWeeks(1)
                .toString();
        StringBuilder csv = new StringBuilder("date,place,landings\n");
        for (String place : List.of(MARKUP, "=HYPERLINK(\"http://x\")", "\u202eturned", ENDLESS)) {
            csv.append(lastWeek + ",\"" + place.replace("\"", "\"\"") + "\",3\n");
        }
        assertThat(administrator
                        .upload("data-sets/" + data + "/loads", csv.toString())
                        .statusCode())
                .isEqualTo(201);
    }

    private static String yaml() {
        return """
                report: Landings %1$s
                about: "What is written there: %1$s"
                data: landings
                filters: [place]
                measures:
                  landings: {title: "Landings %1$s", sum: landings, good: more}
                pages:
                  - page: "Overview %1$s"
                    id: overview
                    blocks:
                      - {figure: landings}
                      - {chart: bars, title: "By place %1$s", measure: landings, by: place}
                      - {table: place, title: By place, measures: [landings]}
                      - {text: "%1$s %2$s", title: Note}
                """.formatted(MARKUP.replace("\"", "”"), ENDLESS);
    }
}
