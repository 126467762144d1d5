package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Issues that are sent after loads, begin with one, or wait for one that succeeds. */
class FreshDataTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("fresh-data");

    @TempDir
    static Path folder;

    private static final String HEAD = "day,route,amount\n";
    private static final LocalDate DAY = Moments.START.toLocalDate().minusDays(10);

    private static Api sunniva;
    private static long incoming;
    private static int made;

    private String name;
    private long dataSet;
    private long report;

    @BeforeAll
    static void a_folder_that_files_are_put_into() {
        sunniva = DEMO.as("Sunniva Rein");
        Map<String, Object> source = new HashMap<>(Wishes.database("Quay office", folder.toString()));
        source.putAll(Map.of("kind", "FOLDER", "user", "", "password", "", "seconds", 60));
        incoming = sunniva.post("sources", source).get("id").asLong();
    }

    /** Loaded by nobody but who asks for it. */
    @BeforeEach
    void a_report_over_data_of_its_own() throws IOException {
        name = "quays" + ++made;
        Map<String, Object> wish = new HashMap<>(Wishes.dataSet(1, name, "day DATE", "route TEXT", "amount NUMBER"));
        Map<String, Object> origin = Map.of("kind", "FOLDER", "source", incoming, "ask", name + ".csv");
        wish.put("plan", Wishes.plan(origin, "BY_HAND", "REPLACE"));
        dataSet = sunniva.post("data-sets", wish).get("id").asLong();
        landed("111");
        load();
        report = published(name);
    }

    @Test
    void after_each_load_what_was_loaded_is_sent() throws IOException {
        long id = subscribe(Wishes.schedule("AFTER-LOAD", "07:00"), null);
        assertThat(line(id).get("nextDue").isNull()).isTrue();
        assertThat(line(id).get("sentence").asString()).startsWith("After each load of its data, ");

        landed("222");
        load();
        JsonNode first = closed(id, 1);
        landed("333");
        load();
        JsonNode second = closed(id, 2);

        assertThat(first.get("trigger").asString()).isEqualTo("after a load of its data");
        assertThat(shown(first)).contains(landedIs("222"));
        assertThat(shown(second)).contains(landedIs("333"));
        sunniva.post("subscriptions/" + id + "/pause", Map.of("because", "holidays"));
        load();
        sunniva.post("subscriptions/" + id + "/resume", null);
        assertThat(line(id).get("nextDue").isNull())
                .as("what was loaded meanwhile is not made up for")
                .isTrue();
        assertThat(runs(id)).hasSize(2);
    }

    @Test
    void loads_within_the_span_are_sent_together_at_its_end() throws IOException {
        long id = subscribe(Wishes.schedule("AFTER-LOAD;SPAN=PT6H", "07:00"), null);
        load();
        Instant sent = Instant.parse(closed(id, 1).get("dueAt").asString());

        landed("222");
        load();
        landed("333");
        load();
        Instant due = Instant.parse(line(id).get("nextDue").asString());
        Clock.moveTo(sunniva, due.plusSeconds(5));

        assertThat(Duration.between(sent, due)).isEqualTo(Duration.ofHours(6));
        assertThat(shown(closed(id, 2))).contains(landedIs("333"));
        assertThat(runs(id)).hasSize(2);
    }

    @Test
    void a_run_that_begins_with_a_load_shows_what_that_brought() throws IOException {
        long id = subscribe(Wishes.schedule("FREQ=DAILY", "09:00"), Map.of("loadFirst", true, "ifStale", "SEND"));
        landed("222");

        Clock.moveTo(sunniva, due(id).plusSeconds(5));
        JsonNode run = closed(id, 1);

        assertThat(shown(run)).contains(landedIs("222"));
        assertThat(attempts()).hasSize(2);
        assertThat(attempts().get(0).get("by").isNull()).isTrue();
        landed("333");
        assertThat(sunniva.get("subscriptions/" + id + "/outlook")
                        .get("loadFirst")
                        .asBoolean())
                .isTrue();
        assertThat(sunniva.get("issues/" + Sends.issue(sunniva, id)).toString()).contains(landedIs("333"));
        assertThat(attempts()).hasSize(3);
        sunniva.post("subscriptions/" + id + "/try", null);
        closed(id, 3);
        assertThat(attempts()).as("a trial loads nothing").hasSize(3);
    }

    @Test
    void where_the_load_fails_it_waits_for_one_that_succeeds() throws IOException {
        long id = subscribe(
                Wishes.schedule("FREQ=DAILY", "09:00"), Map.of("loadFirst", true, "waitHours", 3, "ifStale", "SKIP"));
        landed("much");
        Instant due = due(id);
        Clock.moveTo(sunniva, due.plusSeconds(5));
        Wait.until("the load has failed", () -> attempts().size() == 2);
        JsonNode waiting = newest(id);
        assertThat(waiting.get("state").asString()).isEqualTo("WAITING");
        assertThat(waiting.get("sentence").asString())
                .startsWith("It waits for " + name + " to be loaded, until ")
                .endsWith("; then it is left out.");
        assertThat(waiting.get("because").asString()).contains("line 2, column amount");
        assertThat(waiting.get("recipients").get(0).get("words").asString()).isEqualTo("is to be sent it");

        landed("222");
        Clock.moveTo(sunniva, due.plus(Duration.ofMinutes(12)));
        JsonNode run = closed(id, 1);

        assertThat(run.get("outcome").asString()).isEqualTo("SENT");
        assertThat(shown(run)).contains(landedIs("222")).doesNotContain("; the load of");
    }

    @Test
    void where_none_succeeds_in_time_it_is_left_out_and_says_why() throws IOException {
        long id = subscribe(
                Wishes.schedule("FREQ=DAILY", "09:00"), Map.of("loadFirst", true, "waitHours", 1, "ifStale", "SKIP"));
        landed("much");
        Clock.moveTo(sunniva, due(id).plus(Duration.ofMinutes(62)));

        JsonNode run = closed(id, 1);

        assertThat(run.get("outcome").asString()).isEqualTo("SKIPPED");
        assertThat(run.get("sentence").asString()).startsWith("The last load of " + name + " failed (");
        assertThat(run.get("recipients").get(0).get("words").asString()).isEqualTo("not sent");
        assertThat(sunniva.get("issues/" + run.get("issue").asLong())
                        .get("made")
                        .asBoolean())
                .isFalse();
        assertThat(attempts()).as("once more every ten minutes").hasSizeBetween(6, 8);
    }

    @Test
    void where_it_is_not_to_wait_it_is_sent_with_the_figures_of_before_and_says_so() throws IOException {
        long id = subscribe(Wishes.schedule("FREQ=DAILY", "09:00"), Map.of("loadFirst", true, "ifStale", "SEND"));
        landed("much");
        Clock.moveTo(sunniva, due(id).plusSeconds(5));

        JsonNode run = closed(id, 1);

        assertThat(run.get("outcome").asString()).isEqualTo("SENT");
        assertThat(shown(run)).contains(landedIs("111")).contains("; the load of");
    }

    @Test
    void what_shows_data_that_were_never_loaded_is_paused_and_holds_up_nobody() {
        long other = subscribe(Wishes.schedule("FREQ=DAILY", "09:00"), null);
        String never = "never" + made;
        sunniva.post("data-sets", Wishes.dataSet(1, never, "day DATE", "route TEXT", "amount NUMBER"));
        report = published(never);
        long id = subscribe(Wishes.schedule("FREQ=DAILY", "08:59"), null);

        Clock.moveTo(sunniva, due(other).plusSeconds(5));
        closed(other, 1);

        assertThat(line(id).get("state").asString()).isEqualTo("PAUSED");
        assertThat(line(id).get("pausedBecause").asString()).contains(never);
    }

    @Test
    void it_is_composed_by_choosing_what_it_waits_for() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.page.navigate("/compose?report=" + report);

        reader.button("Every Monday at 07:00 (Europe/Oslo)").click();
        reader.button("after a load").click();
        reader.page.getByLabel("How often at most").selectOption("every 6 hours");
        PlaywrightAssertions.assertThat(reader.button("After each load of its data, at least 6 hours apart"))
                .isVisible();
        PlaywrightAssertions.assertThat(reader.page.getByText("After the next load"))
                .isVisible();
        reader.button("daily").click();
        reader.page.getByLabel("Load its data first").check();
        PlaywrightAssertions.assertThat(reader.button("Every day at 07:00 (Europe/Oslo), its data loaded first"))
                .isVisible();
        reader.button("Done").click();
        reader.button("unless there are no rows").click();
        reader.page.getByLabel("Wait for a load that succeeds").check();
        reader.field("Hours at most").fill("2");
        reader.page.getByLabel("Then leave it out").check();
        PlaywrightAssertions.assertThat(reader.button(
                        "unless there are no rows, or their last load failed and none succeeds within 2 hours"))
                .isVisible();
        reader.button("Start subscription").click();

        Wait.until(
                "it is kept",
                () -> sunniva.get("subscriptions")
                        .valueStream()
                        .anyMatch(line -> line.get("name").asString().equals("Landings of " + name)
                                && line.get("sentence").asString().contains("its data loaded first")));
    }

    @Test
    void what_makes_no_sense_is_refused_and_what_cannot_be_is_noted() {
        Map<String, Object> terms = terms(Wishes.schedule("AFTER-LOAD", "07:00"), Map.of("loadFirst", true));
        assertThat(sunniva.refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                        .code())
                .isEqualTo("subscription.load-before-load");
        terms = terms(Wishes.schedule("FREQ=DAILY", "07:00"), Map.of("waitHours", 25));
        assertThat(sunniva.refused("POST", "subscriptions", Map.of("terms", terms, "start", true))
                        .code())
                .isEqualTo("subscription.bad-wait");
        assertThat(noted(terms(Wishes.schedule("AFTER-LOAD", "07:00"), null)))
                .contains(name + " is loaded when somebody does so");
        Map<String, Object> ofTheDemo = Wishes.with(Wishes.terms(1), "freshData", asked(Map.of("loadFirst", true)));
        assertThat(noted(ofTheDemo)).contains("nothing to be loaded first");
    }

    @Test
    void who_subscribes_to_more_issues_than_there_are_loads_is_told() throws IOException {
        for (int i = 0; i < 3; i++) {
            Clock.moveTo(sunniva, Clock.now(sunniva).plus(Duration.ofDays(2)));
            landed("22" + i);
            load();
        }

        String told = "New rows for " + name + " come about 2 days apart.";
        assertThat(noted(terms(Wishes.schedule("FREQ=DAILY", "07:00"), null))).contains(told);
        assertThat(noted(terms(Wishes.schedule("FREQ=WEEKLY;BYDAY=MO,TH", "07:00"), null)))
                .doesNotContain(told);
    }

    /** A report of one page over a data set. */
    private static long published(String dataSet) {
        String yaml = """
                report: Landings of %s
                about: What was landed where.
                data: %s
                measures:
                  landed: {title: Landed, sum: amount}
                pages:
                  - page: All
                    id: all
                    blocks:
                      - {figure: landed}
                """.formatted(dataSet, dataSet);
        return sunniva.post("reports", Map.of("folder", 1, "yaml", yaml))
                .get("id")
                .asLong();
    }

    private static String noted(Map<String, Object> terms) {
        return sunniva.post("compositions", Wishes.draft(terms)).get("notes").toString();
    }

    private Map<String, Object> terms(Map<String, Object> schedule, Map<String, Object> freshData) {
        Map<String, Object> terms = Wishes.with(Wishes.terms(1), "schedule", schedule);
        terms.put("freshData", freshData == null ? null : asked(freshData));
        terms = Wishes.of(terms, "report", report);
        terms = Wishes.of(terms, "pages", List.of("all"));
        return Wishes.of(terms, "period", "past-12-months");
    }

    private static Map<String, Object> asked(Map<String, Object> part) {
        Map<String, Object> asked = new HashMap<>(Map.of("loadFirst", false, "waitHours", 0, "ifStale", "SEND"));
        asked.putAll(part);
        return asked;
    }

    private long subscribe(Map<String, Object> schedule, Map<String, Object> freshData) {
        return sunniva.post("subscriptions", Map.of("terms", terms(schedule, freshData), "start", true))
                .get("id")
                .asLong();
    }

    /** What the quay office has to say. */
    private void landed(String amount) throws IOException {
        Path file = Files.writeString(folder.resolve(name + ".csv"), HEAD + DAY + ",Ness," + amount + "\n");
        Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(60)));
    }

    private static String landedIs(String amount) {
        return "\"value\":\"" + amount + "\"";
    }

    private void load() {
        sunniva.post("data-sets/" + dataSet + "/loads/now", null);
    }

    private JsonNode attempts() {
        return sunniva.get("data-sets/" + dataSet).get("attempts");
    }

    private static JsonNode line(long id) {
        return sunniva.get("subscriptions/" + id).get("line");
    }

    private static JsonNode runs(long id) {
        return sunniva.get("subscriptions/" + id).get("runs");
    }

    private static Instant due(long id) {
        return Instant.parse(line(id).get("nextDue").asString());
    }

    private static JsonNode newest(long id) {
        return sunniva.get("runs/" + runs(id).get(0).get("id").asLong());
    }

    /** The newest of so many runs, once it is closed. */
    private static JsonNode closed(long id, int many) {
        Wait.until(
                many + " runs are closed",
                () -> runs(id).size() >= many
                        && newest(id).get("state").asString().equals("CLOSED"));
        return newest(id);
    }

    private static String shown(JsonNode run) {
        return sunniva.get("issues/" + run.get("issue").asLong()).get("shown").toString();
    }
}
