package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Who sees which rows, by a mapping table: in the reader, in previews, in each recipient's copy and in the archive. */
class RowRulesTest {
    private static final long MARIT = 2;
    private static final long IDA = 3;
    private static final long TOR = 4;
    private static final long JON = 5;
    private static final String OWN_OF_IDA = "3 Sandvoll–Ness";
    private static final String OF_IDA_AND_TOR = "1 Ness–Hovden";
    private static final String OF_NOBODY_BUT_OPERATIONS = "2 Hovden–Skarv";

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("row-rules");

    private static Api sunniva;
    private static Api marit;
    private static Api ida;
    private static Api jon;
    private static long mapping;

    @BeforeAll
    static void rules() {
        sunniva = DEMO.as("Sunniva Rein");
        marit = DEMO.as("Marit Lunde");
        ida = DEMO.as("Ida Solvang");
        jon = DEMO.as("Jon Aasen");
        mapping = sunniva.post("data-sets", Wishes.mapping("route leads", "route"))
                .get("id")
                .asLong();
        load("Ida.Solvang@brinewater.example," + OWN_OF_IDA, "ida.solvang@brinewater.example," + OF_IDA_AND_TOR);
        rule(true);
    }

    /** Ida has two routes, Tor one, all of operations every one, Jon none. */
    private static void load(String... ofIda) {
        String csv = "who,route\n" + String.join("\n", ofIda) + "\ntor.egeland@brinewater.example," + OF_IDA_AND_TOR
                + "\noperations,*\n";
        assertThat(sunniva.upload("data-sets/" + mapping + "/loads", csv).statusCode())
                .isEqualTo(201);
    }

    private static void rule(boolean ownerView) {
        sunniva.put(
                "data-sets/1/row-rules",
                Map.of("rules", List.of(Wishes.rule("route", mapping)), "ownerView", ownerView));
    }

    @Test
    void a_reader_sees_his_rows_alone_and_no_word_of_any_other() {
        JsonNode whole = marit.get("reports/1?page=routes&period=last-4-weeks");
        JsonNode own = ida.get("reports/1?page=routes&period=last-4-weeks");

        assertThat(whole.toString()).contains(OF_NOBODY_BUT_OPERATIONS);
        assertThat(own.get("shown").get("page").get("showing").asString())
                .endsWith("limited to " + OF_IDA_AND_TOR + " and " + OWN_OF_IDA);
        assertThat(own.get("limits").get(0).asString())
                .isEqualTo("limited to " + OF_IDA_AND_TOR + " and " + OWN_OF_IDA);
        assertThat(whole.get("limits")).isEmpty();
        assertThat(routes(ida)).containsExactly(OF_IDA_AND_TOR, OWN_OF_IDA);
        assertThat(own.toString()).doesNotContain(OF_NOBODY_BUT_OPERATIONS);
        assertThat(ida.get("library").toString()).doesNotContain(OF_NOBODY_BUT_OPERATIONS);
        String csv = new String(ida.bytes("reports/1/file?kind=CSV&page=every&block=b2&period=last-4-weeks"));
        assertThat(csv).contains(OWN_OF_IDA).doesNotContain(OF_NOBODY_BUT_OPERATIONS);
    }

    /** Those that a report offers somebody to be narrowed by. */
    static List<String> routes(Api asker) {
        return asker.get("reports/1/values?column=route&period=last-year")
                .get("values")
                .valueStream()
                .map(value -> value.get("value").asString())
                .toList();
    }

    @Test
    void a_value_that_is_hidden_is_answered_like_one_that_there_is_not() {
        Random random = new Random(20261130);
        List<String> paths = List.of(
                "reports/1?page=routes",
                "reports/1?page=overview",
                "reports/1/rows?page=routes",
                "reports/1/values?column=vessel",
                "reports/1/file?kind=CSV&page=every&block=b2");
        List<String> tests = List.of("filter", "except", "contains");
        for (int i = 0; i < 30; i++) {
            String asked =
                    paths.get(random.nextInt(paths.size())) + "&period=last-" + (1 + random.nextInt(8)) + "-weeks";
            String test = tests.get(random.nextInt(tests.size()));
            String own = random.nextBoolean() ? "&filter=" + encoded("route:" + OWN_OF_IDA) : "";

            String hidden = answer(asked + own, test, OF_NOBODY_BUT_OPERATIONS);
            String unknown = answer(asked + own, test, "8 Nowhere–Never");

            assertThat(hidden).as("%s%s with %s", asked, own, test).isEqualTo(unknown);
        }
    }

    private static String answer(String asked, String test, String value) {
        String said = new String(
                ida.answer("GET", asked + "&" + test + "=" + encoded("route:" + value), null, Map.of())
                        .body(),
                StandardCharsets.UTF_8);
        return said.replace(encoded(value), "VALUE").replace(value, "VALUE");
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    @Test
    void no_filter_of_others_names_a_value_that_is_hidden() {
        List<Map<String, Object>> both = List.of(
                Map.of("column", "route", "test", "ANY_OF", "values", List.of(OWN_OF_IDA, OF_NOBODY_BUT_OPERATIONS)));
        Map<String, Object> terms = Wishes.of(Wishes.terms(MARIT, IDA), "filters", both);
        Map<String, Object> layout =
                Map.of("page", "overview", "period", "last-week", "filters", both, "tables", Map.of());
        Map<String, Object> cut = Wishes.with(Wishes.cut("Both routes", true, "last-week"), "cut", layout);
        marit.post("reports/1/cuts", cut);
        long subscription = subscribe(terms);
        long issue = Sends.issue(marit, subscription);

        for (String path : List.of(
                "reports/1/cuts",
                "shelf?scope=ALL&days=365",
                "subscriptions",
                "subscriptions/" + subscription,
                "issues/" + issue,
                "issues/" + issue + "/mail",
                "runs/" + marit.get("issues/" + issue).get("run").asLong())) {
            assertThat(ida.get(path).toString()).as(path).doesNotContain(OF_NOBODY_BUT_OPERATIONS);
        }
        assertThat(ida.get("issues/" + issue + "/mail").toString()).contains(OWN_OF_IDA);
        assertThat(marit.get("reports/1/cuts").toString()).contains(OF_NOBODY_BUT_OPERATIONS);
        // nor does its name stand in the way, which would tell of it
        ida.post("reports/1/cuts", Wishes.cut("Both routes", false, "last-week"));
        assertThat(ida.get("reports/1/cuts").toString()).contains("Both routes");
        assertThat(marit.get("issues/" + issue + "/mail").toString()).contains(OF_NOBODY_BUT_OPERATIONS);
        String source = new String(ida.bytes("issues/" + issue + "/mail.eml"), StandardCharsets.UTF_8);
        assertThat(source).doesNotContain("Hovden%E2%80%93Skarv");
    }

    @Test
    void who_is_given_nothing_sees_no_row_and_is_told_so() {
        JsonNode page = jon.get("reports/1").get("shown").get("page");

        assertThat(page.get("rows").asLong()).isZero();
        assertThat(page.get("showing").asString()).endsWith("no rows that you may see");
    }

    @Test
    void the_publisher_looks_up_what_a_person_sees_and_what_of_the_table_fits_nothing() {
        JsonNode sight = sunniva.get("data-sets/1/sights/" + TOR);

        assertThat(sight.get("rows").asLong())
                .isPositive()
                .isLessThan(sight.get("of").asLong());
        assertThat(sight.get("given").get(0).get("values").get(0).asString()).isEqualTo(OF_IDA_AND_TOR);
        assertThat(sunniva.get("data-sets/1/sights/" + MARIT)
                        .get("given")
                        .get(0)
                        .get("all")
                        .asBoolean())
                .isTrue();
    }

    @Test
    void each_recipient_gets_his_own_copy_equal_ones_once_and_who_sees_no_row_gets_none() {
        long issue = Sends.issue(marit, subscribe(Wishes.terms(MARIT, IDA, TOR, JON)));
        JsonNode run =
                marit.get("runs/" + marit.get("issues/" + issue).get("run").asLong());

        assertThat(run.get("sentence").asString()).isEqualTo("3 of 3 delivered. 1 copy had no rows and was not sent.");
        assertThat(run.get("outcome").asString()).isEqualTo("SENT");
        assertThat(words(run, "Jon Aasen")).startsWith("not sent: no rows");
        assertThat(showing(marit, issue)).doesNotContain("limited");
        assertThat(showing(ida, issue)).endsWith("limited to " + OF_IDA_AND_TOR + " and " + OWN_OF_IDA);
        assertThat(ida.get("issues/" + issue).toString()).doesNotContain(OF_NOBODY_BUT_OPERATIONS);
        assertThat(ida.get("issues/" + issue + "/mail").toString())
                .contains("limited to " + OF_IDA_AND_TOR)
                .doesNotContain(OF_NOBODY_BUT_OPERATIONS);
        assertThat(jon.get("issues/" + issue).get("reason").asString()).startsWith("No rows in the period");
    }

    private static String words(JsonNode run, String name) {
        return run.get("recipients")
                .valueStream()
                .filter(recipient -> recipient.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow()
                .get("words")
                .asString();
    }

    @Test
    void nobody_opens_a_copy_whose_rows_he_may_not_see_but_the_auditor() {
        long issue = Sends.issue(marit, subscribe(Wishes.terms(MARIT, IDA)));
        long copyOfMarit = marit.get("issues/" + issue).get("copy").asLong();
        long copyOfIda = ida.get("issues/" + issue).get("copy").asLong();
        String file =
                marit.get("issues/" + issue).get("files").get(0).get("sha256").asString();
        Staff.hired(sunniva, "Arne Auditor", "AUDITOR");

        JsonNode refused = ida.get("issues/" + issue + "?copy=" + copyOfMarit);
        assertThat(refused.get("shown").isNull()).isTrue();
        assertThat(refused.get("files")).isEmpty();
        assertThat(refused.get("reason").asString()).startsWith("It shows rows that you may not see");
        assertThat(ida.status("issues/" + issue + "/files/" + file + "?copy=" + copyOfMarit))
                .isEqualTo(404);
        assertThat(marit.get("issues/" + issue + "?copy=" + copyOfIda)
                        .get("shown")
                        .isNull())
                .isFalse();
        assertThat(jon.get("issues/" + issue).get("shown").isNull()).isTrue();
        assertThat(DEMO.as("Arne Auditor")
                        .get("issues/" + issue + "?copy=" + copyOfMarit)
                        .get("shown")
                        .isNull())
                .isFalse();
        assertThat(jon.get("shelf").toString()).doesNotContain("Cancelled sailings 3");
    }

    @Test
    void a_copy_is_gone_when_its_rows_are_taken_away_and_there_again_when_they_are_given_back() {
        long issue = Sends.issue(marit, subscribe(Wishes.terms(MARIT, IDA)));
        load("ida.solvang@brinewater.example," + OWN_OF_IDA);
        try {
            assertThat(ida.get("issues/" + issue).get("shown").isNull()).isTrue();
            assertThat(ida.status("issues/" + issue + "/mail")).isEqualTo(404);
            assertThat(note(ida, issue)).doesNotContain("ancelled");
        } finally {
            load("ida.solvang@brinewater.example," + OWN_OF_IDA, "ida.solvang@brinewater.example," + OF_IDA_AND_TOR);
        }
        assertThat(ida.get("issues/" + issue).get("shown").isNull()).isFalse();
        assertThat(note(ida, issue)).contains("ancelled");
    }

    @Test
    void a_copy_that_waits_is_held_back_when_its_rows_are_taken_away() {
        String box = "mail-room/ida.solvang@brinewater.example/behaviour";
        sunniva.put(box, Map.of("behaviour", "REFUSE_FOR_NOW"));
        long run = marit.post("subscriptions/" + subscribe(Wishes.terms(MARIT, IDA)) + "/send", null)
                .get("id")
                .asLong();
        Wait.until(
                "it is refused for now",
                () -> marit.get("runs/" + run).toString().contains("refused for now"));
        load("ida.solvang@brinewater.example," + OWN_OF_IDA);
        try {
            sunniva.put(box, Map.of("behaviour", "NONE"));
            marit.post("runs/" + run + "/try-again", null);
            Wait.until(
                    "the run is closed",
                    () -> marit.get("runs/" + run).get("state").asString().equals("CLOSED"));
            assertThat(words(marit.get("runs/" + run), "Ida Solvang"))
                    .isEqualTo("held back: may no longer see what it shows");
        } finally {
            load("ida.solvang@brinewater.example," + OWN_OF_IDA, "ida.solvang@brinewater.example," + OF_IDA_AND_TOR);
        }
    }

    /** What the shelf says of an issue. */
    private static String note(Api api, long issue) {
        return api.get("shelf")
                .get("rows")
                .valueStream()
                .flatMap(row -> row.get("spines").valueStream())
                .filter(spine -> spine.get("id").asLong() == issue)
                .findFirst()
                .orElseThrow()
                .get("note")
                .asString();
    }

    @Test
    void an_issue_as_its_owner_sees_it_goes_to_all_alike_unless_the_data_forbid_it() {
        Map<String, Object> asOwner = Wishes.with(Wishes.terms(MARIT, IDA), "seenAs", "OWNER");
        long subscription = subscribe(asOwner);
        long issue = Sends.issue(marit, subscription);
        assertThat(marit.get("subscriptions/" + subscription).toString()).contains("all as I may see it");
        assertThat(showing(ida, issue)).doesNotContain("limited");

        rule(false);
        try {
            assertThat(marit.refused("POST", "subscriptions", Map.of("terms", asOwner, "start", false))
                            .says())
                    .contains("lets each see their own rows alone");
            assertThat(marit.get("subscriptions/" + subscription).toString()).contains("each recipient’s own route");
            assertThat(showing(ida, Sends.issue(marit, subscription))).contains("limited to");
        } finally {
            rule(true);
        }
    }

    @Test
    void a_composer_sees_no_copy_with_rows_that_he_may_not_see() {
        Staff.granted(sunniva, IDA, 1, "SUBSCRIBE_TEAMMATES");
        Map<String, Object> draft = Wishes.draft(Wishes.terms(IDA, MARIT));
        draft.put("as", MARIT);

        JsonNode composed = ida.post("compositions", draft);

        assertThat(composed.get("withheld").asString()).startsWith("Marit Lunde sees rows that you may not.");
        assertThat(composed.get("mail").isNull()).isTrue();
        assertThat(ida.refused("POST", "compositions/pdf", draft).code()).isEqualTo("subscription.copy-not-yours");
        JsonNode noted = ida.post("compositions", Wishes.draft(Wishes.terms(IDA, JON)));
        assertThat(noted.get("notes").toString()).contains("There are no rows that Jon Aasen may see");
    }

    @Test
    void a_rule_by_what_is_not_there_is_refused_with_what_is() {
        Api.Refusal refusal = sunniva.refused(
                "PUT",
                "data-sets/1/row-rules",
                Map.of("rules", List.of(Wishes.rule("delay", mapping)), "ownerView", true));

        assertThat(refusal.says()).contains("“delay” is no text column of “sailings”; there are route, vessel");
    }

    @Test
    void the_composer_chooses_whose_rows_are_shown() {
        Reader reader = DEMO.reader().signInAs("Marit Lunde");
        reader.page.navigate("/compose?report=1");

        reader.button("each recipient’s own route").click();
        reader.page.getByLabel("All see what the owner may see").check();

        PlaywrightAssertions.assertThat(reader.button("all as I may see it")).isVisible();
    }

    private static long subscribe(Map<String, Object> terms) {
        return marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    private static String showing(Api api, long issue) {
        return api.get("issues/" + issue)
                .get("shown")
                .get("page")
                .get("showing")
                .asString();
    }
}
