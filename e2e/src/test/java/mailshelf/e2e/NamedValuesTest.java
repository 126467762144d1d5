package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Values that are defined once and used by their names: tried, kept, obeying row rules, and guarded while they are used. */
class NamedValuesTest {
    private static final long IDA = 3;
    private static final long TOR = 4;
    private static final long SAILINGS = 1;
    private static final long CREW_HOURS = 5;

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("named-values");

    private static Api sunniva;
    private static Api marit;
    private static Api ida;

    @BeforeAll
    static void signIn() {
        sunniva = DEMO.as("Sunniva Rein");
        marit = DEMO.as("Marit Lunde");
        ida = DEMO.as("Ida Solvang");
    }

    @Test
    void each_kind_is_tried_before_it_is_kept() {
        assertThat(tried(constant("x", "Terna", "Rype")).get("written").asString())
                .isEqualTo("Terna and Rype");
        assertThat(tried(formula("x", "2 * 5")).get("values").get(0).asString()).isEqualTo("10");
        assertThat(tried(ofColumn("x", "FIRST", SAILINGS, "date")).get("values"))
                .hasSize(1);
        JsonNode routes = tried(ofColumn("x", "DISTINCT", SAILINGS, "route"));
        assertThat(routes.get("values").valueStream().map(JsonNode::asString))
                .contains("1 Ness–Hovden", "5 Holm ring")
                .isSorted();

        assertThat(refused(formula("x", "today +"))).isEqualTo("named.bad-formula");
        assertThat(refused(ofColumn("x", "FIRST", SAILINGS, "captain"))).isEqualTo("named.no-column");
        assertThat(refused(formula("never", "1 / 0"))).isEqualTo("named.nothing");
        assertThat(refused(constant("{braces}", "a"))).isEqualTo("named.bad-name");
        assertThat(refused(constant("x", "{late}"))).isEqualTo("named.bad-value");
        Map<String, Object> falling = new HashMap<>(formula("falls back", "1 / 0"));
        falling.put("fallback", List.of("7"));
        keep(falling);
        assertThat(Wishes.namedValue(sunniva, "falls back")
                        .get("outcome")
                        .get("isFallback")
                        .asBoolean())
                .isTrue();
        assertThat(refused(constant("falls back", "a"))).isEqualTo("named.name-taken");
    }

    @Test
    void pages_are_narrowed_by_what_it_comes_to() {
        keep(constant("two routes", "1 Ness–Hovden", "5 Holm ring"));
        keep(formula("late", "5 + 5"));

        JsonNode named = ida.get("reports/1?page=routes&filter=route:%7Btwo+routes%7D&between=delay:%7Blate%7D..");
        JsonNode plain =
                ida.get("reports/1?page=routes&filter=route:1+Ness–Hovden&filter=route:5+Holm+ring&between=delay:10..");

        assertThat(named.get("shown")).isEqualTo(plain.get("shown"));
        assertThat(ida.status("reports/1?between=delay:%7Bnot+there%7D..")).isEqualTo(422);
        assertThat(ida.status("reports/1?between=delay:%7Btwo+routes%7D..")).isEqualTo(422);
    }

    @Test
    void recipients_get_what_it_comes_to_in_the_rows_that_they_may_see() {
        keep(ofColumn("my routes", "DISTINCT", CREW_HOURS, "route"));
        Map<String, Object> terms = Wishes.of(
                Wishes.of(Wishes.terms(IDA, TOR), "filters", List.of(anyOf("route", "{my routes}"))),
                "period",
                "last-month");
        long subscription = marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();

        long issue = Sends.issue(marit, subscription);

        String idas = showing(ida.get("issues/" + issue));
        String tors = showing(DEMO.as("Tor Egeland").get("issues/" + issue));
        assertThat(idas).isNotEqualTo(tors).doesNotContain("my routes");
        assertThat(idas).contains(values(ida, "my routes"));
        assertThat(marit.get("subscriptions/" + subscription)
                        .get("fullSentence")
                        .asString())
                .contains("only route “my routes”");
        assertThat(Wishes.namedValue(sunniva, "my routes").get("uses").asString())
                .contains("the subscription “A test”");
        long id = Wishes.namedValue(sunniva, "my routes").get("id").asLong();
        assertThat(sunniva.refused("DELETE", "named-values/" + id, null).code()).isEqualTo("named.in-use");
        Map<String, Object> renamed =
                Map.of("wish", wish(ofColumn("mine", "DISTINCT", CREW_HOURS, "route")), "version", 1);
        assertThat(sunniva.refused("PUT", "named-values/" + id, renamed).code()).isEqualTo("named.in-use");
    }

    @Test
    void an_issue_that_it_does_not_fit_any_more_is_recorded_as_failed_and_holds_up_nobody() {
        keep(formula("too late", "5"));
        Map<String, Object> late = Map.of("column", "delay", "test", "BETWEEN", "values", List.of("{too late}", ""));
        Map<String, Object> terms = Wishes.of(Wishes.terms(IDA), "filters", List.of(late));
        long subscription = marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
        JsonNode kept = Wishes.namedValue(sunniva, "too late");
        sunniva.put(
                "named-values/" + kept.get("id").asLong(),
                Map.of("wish", wish(constant("too late", "5", "10")), "version", 1));

        long issue = Sends.issue(marit, subscription);

        JsonNode view = marit.get("issues/" + issue);
        assertThat(view.get("made").asBoolean()).isFalse();
        assertThat(view.get("reason").asString()).isNotEmpty();
        Map<String, Object> plain = Wishes.with(Wishes.terms(IDA), "name", "Another");
        long other = marit.post("subscriptions", Map.of("terms", plain, "start", true))
                .get("id")
                .asLong();
        assertThat(marit.get("issues/" + Sends.issue(marit, other)).get("made").asBoolean())
                .isTrue();
    }

    @Test
    void texts_say_what_it_comes_to_for_who_reads() {
        keep(ofColumn("own routes", "DISTINCT", CREW_HOURS, "route"));
        keep(formula("first of the month", "2026-11-01"));
        String text = "Yours: {value of own routes}, from {value of first of the month}.";
        long report = sunniva.post("reports", Map.of("folder", 1, "yaml", yaml(text)))
                .get("id")
                .asLong();

        assertThat(said(ida, report))
                .isEqualTo("Yours: "
                        + Wishes.namedValue(ida, "own routes")
                                .get("outcome")
                                .get("written")
                                .asString() + ", from 1 Nov 2026.");
        assertThat(said(DEMO.as("Tor Egeland"), report)).isNotEqualTo(said(ida, report));
        assertThat(Wishes.namedValue(sunniva, "own routes").get("uses").asString())
                .contains("the report “Piers”");
        assertThat(sunniva.refused("POST", "reports", Map.of("folder", 1, "yaml", yaml("{value of nobody knows what}")))
                        .code())
                .isEqualTo("named.unknown");
    }

    private static String said(Api who, long report) {
        return who.get("reports/" + report)
                .get("shown")
                .get("page")
                .get("texts")
                .get(0)
                .get("text")
                .asString();
    }

    private static String yaml(String text) {
        return """
                report: Piers
                about: How many boats lay where.
                data: sailings
                filters: [route]
                measures:
                  all: {title: Sailings, count: rows}
                pages:
                  - page: Overview
                    id: overview
                    blocks:
                      - {figure: all}
                      - text: "%s"
                """.formatted(text);
    }

    @Test
    void who_may_not_see_its_folder_cannot_find_out_what_it_comes_to() {
        Map<String, Object> wish = Map.of("folder", 5, "named", constant("of crew", "5 Holm ring"));
        sunniva.post("named-values", wish);
        Api anders = DEMO.as("Anders Moe");

        assertThat(names(anders)).doesNotContain("of crew");
        assertThat(anders.status("reports/2?filter=route:%7Bof+crew%7D")).isEqualTo(422);
        assertThat(sunniva.status("reports/2?filter=route:%7Bof+crew%7D")).isEqualTo(200);
        assertThat(anders.refused("POST", "named-values", wish).status()).isEqualTo(404);
        assertThat(ida.refused("POST", "named-values", wish(constant("hers", "a")))
                        .code())
                .isEqualTo("folder.no-publish");
    }

    @Test
    void it_is_defined_and_narrowed_by_in_the_browser() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/named");
        reader.button("New named value").click();
        reader.field("Name").fill("ring and pier");
        reader.field("Values, one a line").fill("5 Holm ring\n2 Hovden–Skarv");
        assertThat(reader.page.getByText("Comes to 5 Holm ring and 2 Hovden–Skarv."))
                .isVisible();
        reader.button("Keep it").click();
        assertThat(reader.button("change ring and pier")).isVisible();

        reader.page.navigate("/reports/1?page=routes&period=last-month");
        reader.button("every route").click();
        reader.button("“ring and pier”").click();
        reader.page
                .getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setExpanded(true))
                .getByText("“ring and pier”")
                .click();
        assertThat(reader.page.locator("main")).containsText("5 Holm ring");
        assertThat(reader.page.locator("main")).not().containsText("1 Ness–Hovden");
    }

    private static String showing(JsonNode view) {
        return view.get("shown").get("page").get("showing").asString();
    }

    private static String values(Api who, String name) {
        return Wishes.namedValue(who, name).get("outcome").get("values").get(0).asString();
    }

    private static List<String> names(Api who) {
        List<String> names = new ArrayList<>();
        who.get("named-values")
                .forEach(each -> names.add(each.get("named").get("name").asString()));
        return names;
    }

    private static JsonNode tried(Map<String, Object> named) {
        return sunniva.post("named-values/trials", wish(named));
    }

    private static String refused(Map<String, Object> named) {
        return sunniva.refused("POST", "named-values", wish(named)).code();
    }

    private static void keep(Map<String, Object> named) {
        sunniva.post("named-values", wish(named));
    }

    private static Map<String, Object> wish(Map<String, Object> named) {
        return Map.of("folder", 1, "named", named);
    }

    private static Map<String, Object> constant(String name, String... values) {
        return named(name, "CONSTANT", List.of(values), "", null, "");
    }

    private static Map<String, Object> formula(String name, String formula) {
        return named(name, "FORMULA", List.of(), formula, null, "");
    }

    private static Map<String, Object> ofColumn(String name, String kind, long dataSet, String column) {
        return named(name, kind, List.of(), "", dataSet, column);
    }

    private static Map<String, Object> named(
            String name, String kind, List<String> values, String formula, Long dataSet, String column) {
        Map<String, Object> named = Wishes.named(name, formula);
        named.put("kind", kind);
        named.put("values", values);
        named.put("column", column);
        named.put("dataSet", dataSet);
        return named;
    }

    private static Map<String, Object> anyOf(String column, String value) {
        return Map.of("column", column, "test", "ANY_OF", "values", List.of(value));
    }
}
