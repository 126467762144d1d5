package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Reports that ask before they show anything, where one reads, subscribes and publishes. */
class QuestionsTest {
    private static final long IDA = 3;
    private static final long TRAFFIC = 1;
    private static final String REPORT = """
            report: Late sailings
            about: Which sailings of a route are late.
            data: sailings
            questions:
              - {ask: "Which route?", column: route}
              - {ask: "Late from how many minutes?", name: bound, answer: number, from: 1, to: 60}
            rows: [date, route, delay]
            measures:
              late: {title: Late, count: rows, where: delay >= bound}
            pages:
              - page: Late
                id: late
                blocks:
                  - {figure: late, title: Late sailings}
                  - {table: rows, title: Every one, columns: [date, delay]}
            """;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("questions");

    private static Api sunniva;
    private static Api ida;
    private static long report;

    @BeforeAll
    static void publish() {
        sunniva = DEMO.as("Sunniva Rein");
        ida = DEMO.as("Ida Solvang");
        report = sunniva.post("reports", Map.of("folder", TRAFFIC, "yaml", REPORT))
                .get("id")
                .asLong();
    }

    @Test
    void nothing_is_shown_or_handed_out_before_the_last_answer() {
        assertThat(ida.get("reports/" + report).get("shown").isNull()).isTrue();
        for (String path : List.of("file?kind=PDF", "rows?block=b2", "rows/file?block=b2")) {
            assertThat(ida.refused("GET", "reports/" + report + "/" + path, null)
                            .code())
                    .isEqualTo("report.unanswered");
        }
        assertThat(ida.get("reports/" + report + "/drawing").get("chart").isNull())
                .isTrue();

        JsonNode five = ida.get("reports/" + report + "?filter=route:5+Holm+ring&answer=bound:1");
        JsonNode sixty = ida.get("reports/" + report + "?filter=route:5+Holm+ring&answer=bound:60");

        assertThat(late(five)).isGreaterThan(late(sixty));
        assertThat(five.get("shown").get("page").get("showing").asString()).contains("“Late from how many minutes?” 1");
        assertThat(ida.refused("GET", "reports/" + report + "?answer=bound:61", null)
                        .code())
                .isEqualTo("report.bad-filter");
    }

    private static int late(JsonNode view) {
        return Integer.parseInt(
                view.get("shown").get("page").get("figures").get(0).get("value").asString());
    }

    @Test
    void it_is_answered_where_one_reads_and_goes_into_the_subscription() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/" + report);
        assertThat(reader.page.getByText("The report asks 2 things first")).isVisible();
        reader.page.getByLabel("5 Holm ring").click();
        assertThat(reader.page.getByText("The report asks first", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        reader.field("Late from how many minutes?").fill("5");
        reader.button("Answer").click();
        assertThat(reader.page.getByText("Late sailings").nth(1)).isVisible();

        reader.link("Subscribe to this").click();
        assertThat(reader.page.getByText("“Late from how many minutes?” 5").first())
                .isVisible();
        reader.button("Start subscription").click();
        reader.page.waitForURL(Pattern.compile("/reports/\\d+.*answer="));
    }

    @Test
    void a_subscription_without_an_answer_is_a_draft_at_most() {
        Map<String, Object> terms = Wishes.of(Wishes.of(Wishes.terms(IDA), "report", report), "pages", List.of("late"));

        assertThat(ida.refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                        .code())
                .isEqualTo("subscription.unanswered");
        long draft = ida.post("subscriptions", Map.of("terms", terms, "start", false))
                .get("id")
                .asLong();
        JsonNode composed = ida.post("compositions", Wishes.draft(terms));
        assertThat(composed.get("missing").toString()).contains("FILTER");
        assertThat(composed.get("notes").toString()).contains("The report asks first: Which route?");
        assertThat(ida.refused("POST", "subscriptions/" + draft + "/start", null)
                        .code())
                .isEqualTo("subscription.unanswered");
        assertThat(ida.refused("POST", "subscriptions/" + draft + "/try", null).code())
                .isEqualTo("subscription.unanswered");
    }

    @Test
    void a_subscription_that_loses_a_question_is_worded_as_it_was_and_put_right_in_the_composer() {
        long asking = sunniva.post(
                        "reports", Map.of("folder", TRAFFIC, "yaml", REPORT.replace("Late sailings\n", "Asked once\n")))
                .get("id")
                .asLong();
        Map<String, Object> answered = Wishes.of(
                Wishes.of(Wishes.of(Wishes.terms(IDA), "report", asking), "pages", List.of("late")),
                "filters",
                List.of(
                        Map.of("column", "route", "test", "ANY_OF", "values", List.of("5 Holm ring")),
                        Map.of("column", "bound", "test", "ANSWER", "values", List.of("5"))));
        long id = ida.post("subscriptions", Map.of("terms", answered, "start", true))
                .get("id")
                .asLong();
        String after = REPORT.replace("Late sailings\n", "Asked once\n")
                .replaceAll("(?m)^  - \\{ask: .Late from.*\n", "")
                .replace(">= bound", ">= 5");
        sunniva.put("reports/" + asking + "/definition", Map.of("yaml", after, "after", 1));

        JsonNode paused = ida.get("subscriptions/" + id);
        assertThat(paused.get("lost").toString()).contains("Late from how many minutes?");
        assertThat(paused.get("fullSentence").asString()).contains("“Late from how many minutes?” 5");
        assertThat(ida.get("subscriptions?report=" + asking).toString()).contains("“Late from how many minutes?” 5");

        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/compose?change=" + id);
        assertThat(reader.page.getByText("The report no longer has the filter on “Late from how many minutes?”"))
                .isVisible();
        reader.button("Keep changes").click();
        reader.page.waitForURL(Pattern.compile("/subscriptions"));
        ida.post("subscriptions/" + id + "/resume", null);
        assertThat(ida.get("subscriptions/" + id).get("lost")).isEmpty();
        assertThat(ida.get("subscriptions/" + id).get("fullSentence").asString())
                .contains("5 Holm ring")
                .doesNotContain("Late from");
    }

    @Test
    void a_question_that_is_added_pauses_who_has_not_answered_it() {
        String before = REPORT.replaceAll("(?m)^questions:\n|^  - \\{ask.*\n", "")
                .replace("Late sailings\n", "Asked later\n")
                .replace(">= bound", ">= 5");
        long asked = sunniva.post("reports", Map.of("folder", TRAFFIC, "yaml", before))
                .get("id")
                .asLong();
        Map<String, Object> terms = Wishes.of(Wishes.of(Wishes.terms(IDA), "report", asked), "pages", List.of("late"));
        long id = ida.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
        String after = before.replace("rows:", "questions: [{ask: 'Which route?', column: route}]\nrows:");

        JsonNode losing = sunniva.post("reports/" + asked + "/losses", Map.of("yaml", after));
        sunniva.put("reports/" + asked + "/definition", Map.of("yaml", after, "after", 1));

        assertThat(losing.get(0).get("pauses").asBoolean()).isTrue();
        assertThat(losing.get(0).get("lost").get(0).get("kind").asString()).isEqualTo("ANSWER");
        JsonNode paused = ida.get("subscriptions/" + id).get("line");
        assertThat(paused.get("state").asString()).isEqualTo("PAUSED");
        assertThat(paused.get("pausedBecause").asString()).contains("an answer to “Which route?”");
    }
}
