package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Kept ways of looking at a report. */
class CutsTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("cuts");

    private static final long MARIT = 2;
    private static final long TOR = 4;

    private static Api marit;
    private static Api ida;

    @BeforeAll
    static void signIn() {
        marit = DEMO.as("Marit Lunde");
        ida = DEMO.as("Ida Solvang");
    }

    @Test
    void a_private_one_is_its_owners_alone_and_a_shared_one_everybodys() {
        long own = keep(marit, Wishes.cut("Mine", false, "last-month"));
        long shared = keep(marit, Wishes.cut("Ours", true, "last-month"));

        assertThat(names(marit)).contains("Mine", "Ours");
        assertThat(names(ida)).contains("Ours").doesNotContain("Mine");
        assertThat(ida.refused("PUT", "cuts/" + own, change("Stolen", 1)).status())
                .isEqualTo(404);
        assertThat(ida.refused("PUT", "cuts/" + shared, change("Stolen", 1)).code())
                .isEqualTo("cut.not-yours");
        assertThat(ida.refused("POST", "reports/1/cuts", Wishes.cut("For all", true, "last-month"))
                        .code())
                .isEqualTo("cut.no-sharing");
    }

    @Test
    void a_name_that_the_folder_has_asks_for_another_and_loses_nothing() {
        long first = keep(marit, Wishes.cut("Twice", true, "last-month"));

        Api.Refusal refused = ida.refused("POST", "reports/1/cuts", Wishes.cut("twice", false, "last-week"));

        assertThat(refused.code()).isEqualTo("cut.name-taken");
        assertThat(refused.document().get("happened").asString()).contains("twice", "Marit Lunde");
        assertThat(period(marit, "Twice")).isEqualTo("last-month");
        marit.put("cuts/" + first, change("Twice", 1));
        assertThat(period(marit, "Twice")).isEqualTo("yesterday");
    }

    @Test
    void what_somebody_else_has_changed_meanwhile_is_not_overwritten() {
        long id = keep(marit, Wishes.cut("Raced", true, "last-month"));
        marit.put("cuts/" + id, change("Raced", 1));

        assertThat(marit.refused("PUT", "cuts/" + id, change("Raced again", 1)).code())
                .isEqualTo("cut.changed-meanwhile");
        marit.delete("cuts/" + id);
        assertThat(names(marit)).doesNotContain("Raced");
        assertThat(marit.refused("DELETE", "cuts/" + id, null).status()).isEqualTo(404);
    }

    @Test
    void what_the_report_does_not_have_is_not_kept() {
        for (Map<String, Object> wrong : List.<Map<String, Object>>of(
                Map.of("page", "none"),
                Map.of("filters", List.of(Map.of("column", "captain", "test", "FILLED", "values", List.of()))),
                Map.of("tables", Map.of("b2", Map.of("sort", "captain", "descending", false, "columns", List.of()))))) {
            Map<String, Object> wish = new HashMap<>(Wishes.cut());
            Map<String, Object> cut = new HashMap<>(cutOf(wish));
            cut.putAll(wrong);
            wish.put("cut", cut);
            assertThat(marit.refused("POST", "reports/1/cuts", wish).code()).isEqualTo("cut.does-not-fit");
        }
        Map<String, Object> nameless = new HashMap<>(Wishes.cut());
        nameless.put("name", "two\nlines");
        assertThat(marit.refused("POST", "reports/1/cuts", nameless).code()).isEqualTo("cut.bad-name");
    }

    @Test
    void subscriptions_that_follow_it_change_with_it_and_go_on_without_it() {
        long cut = keep(marit, Wishes.cut("Followed", true, "last-month"));
        long his = subscribe(TOR, cut);

        marit.put("cuts/" + cut, change("Followed", 1));

        JsonNode changed = marit.get("subscriptions/" + subscribe(MARIT, cut));
        JsonNode tors = DEMO.as("Tor Egeland").get("subscriptions/" + his);
        assertThat(tors.get("terms").get("content").get(0).get("period").asString())
                .isEqualTo("yesterday");
        assertThat(tors.get("version").asInt()).isEqualTo(2);
        assertThat(tors.get("history").get(0).get("by").asString()).isEqualTo("Marit Lunde");
        assertThat(tors.get("fullSentence").asString()).contains("following the cut “Followed”");
        assertThat(changed.get("terms").get("content").get(0).get("period").asString())
                .isEqualTo("yesterday");
        JsonNode listed = cutNamed(marit, "Followed");
        assertThat(listed.get("followers").size()).isEqualTo(1);
        assertThat(listed.get("moreFollow").asInt()).isEqualTo(1);
        assertThat(cutNamed(ida, "Followed").get("moreFollow").asInt()).isZero();

        marit.delete("cuts/" + cut);

        tors = DEMO.as("Tor Egeland").get("subscriptions/" + his);
        assertThat(tors.get("terms").get("content").get(0).get("period").asString())
                .isEqualTo("yesterday");
        assertThat(tors.get("terms").get("content").get(0).get("follows").isNull())
                .isTrue();
        Wait.until(
                "the owner is told of the change and of the end by mail",
                () -> DEMO.as("Tor Egeland")
                                .get("mail-room/tor.egeland@brinewater.example")
                                .valueStream()
                                .filter(mail -> mail.get("subject").asString().equals("“A test” has changed"))
                                .count()
                        >= 2);
    }

    @Test
    void one_that_is_kept_for_oneself_again_lets_others_go() {
        long cut = keep(marit, Wishes.cut("Taken back", true, "last-month"));
        long his = subscribe(TOR, cut);

        marit.put("cuts/" + cut, Map.of("wish", Wishes.cut("Taken back", false, "yesterday"), "version", 1));

        JsonNode tors = DEMO.as("Tor Egeland").get("subscriptions/" + his);
        assertThat(tors.get("terms").get("content").get(0).get("period").asString())
                .isEqualTo("last-month");
        assertThat(tors.get("terms").get("content").get(0).get("follows").isNull())
                .isTrue();
        assertThat(DEMO.as("Tor Egeland")
                        .refused("POST", "subscriptions", follower(TOR, cut))
                        .code())
                .isEqualTo("subscription.no-such-cut");
    }

    private static long subscribe(long person, long cut) {
        return DEMO.as(person == TOR ? "Tor Egeland" : "Marit Lunde")
                .post("subscriptions", follower(person, cut))
                .get("id")
                .asLong();
    }

    private static Map<String, Object> follower(long person, long cut) {
        return Map.of("terms", Wishes.of(Wishes.terms(person), "follows", cut), "start", true);
    }

    @Test
    void it_is_kept_and_opened_again_where_one_reads() {
        Reader reader = DEMO.reader().signInAs("Ida Solvang");
        reader.page.navigate("/reports/1?period=last-month&contains=route:holm");
        reader.button("keep this cut").click();
        reader.field("Name of the cut").fill("The ring, last month");
        reader.button("Keep").click();
        reader.page.waitForURL(Pattern.compile("cut=\\d+"));

        reader.page.navigate("/reports/1");
        reader.link("The ring, last month").click();

        assertThat(reader.button("route with “holm” in it")).isVisible();
        assertThat(reader.button("last month")).isVisible();
        reader.button("rename or remove").click();
        reader.button("Remove this cut").click();
        assertThat(reader.link("The ring, last month")).hasCount(0);
        reader.button("Undo").click();
        assertThat(reader.link("The ring, last month")).isVisible();
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> cutOf(Map<String, Object> wish) {
        return (Map<String, Object>) wish.get("cut");
    }

    private static long keep(Api who, Map<String, Object> wish) {
        return who.post("reports/1/cuts", wish).get("id").asLong();
    }

    private static Map<String, Object> change(String name, int version) {
        return Map.of("wish", Wishes.cut(name, true, "yesterday"), "version", version);
    }

    private static List<String> names(Api who) {
        return who.get("reports/1/cuts")
                .get("cuts")
                .valueStream()
                .map(cut -> cut.get("name").asString())
                .toList();
    }

    private static String period(Api who, String name) {
        return cutNamed(who, name).get("cut").get("period").asString();
    }

    private static JsonNode cutNamed(Api who, String name) {
        return who.get("reports/1/cuts")
                .get("cuts")
                .valueStream()
                .filter(cut -> cut.get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }
}
