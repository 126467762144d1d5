package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.Statement;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Data sets that come from a database of somebody else's, which is asked and never changed. */
class SourceTest {
    private static final String PASSWORD = "harbour-7-lantern";

    @TempDir
    private Path folder;

    @RegisterExtension
    static final Postgres POSTGRES = new Postgres();

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("sources");

    private static Api sunniva;
    private static long bookings;

    @BeforeAll
    static void a_booking_desk() {
        POSTGRES.execute(
                "CREATE TABLE booking (day date, route text, seats integer, paid numeric(10,2), weight double precision,"
                        + " at timestamptz, confirmed boolean)",
                """
                INSERT INTO booking VALUES
                    ('2026-11-23', 'Ness', 4, 120.50, 0.1, '2026-11-23 23:30:00+00', true),
                    ('2026-11-24', 'Ytre Bø', NULL, -7.00, 2.25, '2026-11-24 00:30:00+02', false)""",
                "CREATE USER reader PASSWORD '" + PASSWORD + "'",
                "CREATE ROLE chief SUPERUSER NOLOGIN",
                "CREATE USER deputy PASSWORD '" + PASSWORD + "' IN ROLE chief",
                "CREATE USER clerk PASSWORD '" + PASSWORD + "' IN ROLE pg_read_server_files",
                "CREATE ROLE printers NOLOGIN IN ROLE pg_write_server_files",
                "CREATE USER printer PASSWORD '" + PASSWORD + "' IN ROLE printers",
                "CREATE USER porter PASSWORD '" + PASSWORD + "' CREATEROLE",
                "GRANT SELECT ON booking TO reader");
        sunniva = DEMO.as("Sunniva Rein");
        bookings = sunniva.post("sources", wish("Booking desk", Map.of()))
                .get("id")
                .asLong();
    }

    @Test
    void what_a_query_gives_is_seen_typed_before_it_is_kept_and_loaded_so() {
        JsonNode seen = sample("SELECT * FROM booking ORDER BY day;");

        assertThat(seen.get("columns").valueStream().map(SourceTest::typed))
                .containsExactly(
                        "day DATE 0",
                        "route TEXT 0",
                        "seats NUMBER 0",
                        "paid NUMBER 2",
                        "weight NUMBER 2",
                        "at TIME 0",
                        "confirmed TEXT 0");
        assertThat(cells(seen, 0))
                .containsExactly("2026-11-23", "Ness", "4", "120.5", "0.1", "2026-11-24T00:30", "true");
        assertThat(cells(seen, 1))
                .containsExactly("2026-11-24", "Ytre Bø", "", "-7", "2.25", "2026-11-23T23:30", "false");

        long id = dataSet("bookings", "SELECT day, route, paid AS amount FROM booking", byHand());
        JsonNode load = sunniva.post("data-sets/" + id + "/loads/now", null);
        assertThat(load.get("rows").asLong()).isEqualTo(2);
        assertThat(load.get("figuresTo").asString()).isEqualTo("2026-11-24");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                DELETE FROM booking                                    | source.not-one-query
                SELECT 1; DROP TABLE booking                           | source.not-one-query
                COPY booking TO PROGRAM 'cat'                          | source.not-one-query
                WITH gone AS (DELETE FROM booking RETURNING day) SELECT * FROM gone | source.query-failed
                SELECT set_config('transaction_read_only', 'off', false) | source.query-failed
                SELECT pg_read_file('/etc/hostname')                   | source.query-failed
                SELECT * FROM pg_authid                                | source.query-failed
                SELECT dey FROM booking                                | source.query-failed
                SELECT pg_sleep(30)                                    | source.too-slow
                SELECT current_date AS day, '' AS route, 1 AS amount FROM generate_series(1, 1001) | source.too-many-rows
                """)
    void whatever_is_asked_changes_nothing_and_stays_within_the_limits(String sql, String code) {
        long id = dataSet("limits of " + sql.hashCode(), sql, byHand());

        assertThat(sunniva.refused("POST", "data-sets/" + id + "/loads/now", null)
                        .code())
                .isEqualTo(code);

        assertThat(sample("SELECT count(*) AS n FROM booking").get("firstRows").toString())
                .contains("\"2\"");
    }

    @ParameterizedTest
    @CsvSource({
        "jdbc:postgresql://127.0.0.1/x?socketFactory=org.springframework.context.support.ClassPathXmlApplicationContext",
        "jdbc:postgresql://127.0.0.1/x?loggerFile=/tmp/x",
        "jdbc:h2:mem:x;INIT=RUNSCRIPT FROM 'http://127.0.0.1/x'",
        "jdbc:h2:file:/tmp/x;TRACE_LEVEL_FILE=4",
        "jdbc:other://host/x",
        "http://127.0.0.1/",
    })
    void an_address_that_does_more_than_name_a_database_is_refused(String address) {
        Api.Refusal refused = sunniva.refused("POST", "sources/tests", wish("Elsewhere", Map.of("place", address)));

        assertThat(refused.code()).isEqualTo("source.bad-fields");
    }

    @Test
    void a_file_of_h2_is_nobodys_source_as_it_would_run_its_owners_programs_here() throws Exception {
        Path marker = folder.resolve("ran");
        String file = "jdbc:h2:file:" + folder.resolve("harmless").toAbsolutePath();
        try (Connection connection = DriverManager.getConnection(file, "sa", "");
                Statement statement = connection.createStatement()) {
            statement.execute("CREATE ALIAS RUN AS 'String run() throws Exception { return "
                    + "java.nio.file.Files.createFile(java.nio.file.Path.of(\"" + marker + "\")).toString(); }'");
            statement.execute("CREATE VIEW booking AS SELECT run() AS ran");
        }
        for (String address :
                List.of(file, file.replace("file:", ""), "jdbc:h2:mem:x", "jdbc:h2:nio:/x", "jdbc:h2:~/x")) {
            assertThat(sunniva.refused("POST", "sources", wish("Own", Map.of("place", address, "user", "sa")))
                            .code())
                    .as(address)
                    .isEqualTo("source.bad-fields");
        }
        assertThat(marker).doesNotExist();
    }

    @Test
    void a_user_who_may_do_everything_is_refused() {
        Api.Refusal refused = sunniva.refused(
                "POST", "sources/tests", wish("Booking desk", Map.of("user", "house", "password", "none")));

        assertThat(refused.code()).isEqualTo("source.too-mighty");
        assertThat(refused.says()).contains("Give the source a user who may only read");
    }

    @ParameterizedTest
    @ValueSource(strings = {"deputy", "clerk", "printer", "porter"})
    void a_user_whose_roles_may_do_everything_or_touch_the_machines_files_is_refused(String user) {
        Api.Refusal refused = sunniva.refused("POST", "sources/tests", wish("Booking desk", Map.of("user", user)));

        assertThat(refused.code()).isEqualTo("source.too-mighty");
    }

    @Test
    void a_test_says_whether_it_answers_with_the_password_kept_or_another() {
        Map<String, Object> asKept = wish("Booking desk", Map.of());
        asKept.put("password", null);

        assertThat(sunniva.answer("POST", "sources/tests?source=" + bookings, asKept, Map.of())
                        .statusCode())
                .isEqualTo(204);
        assertThat(sunniva.refused("POST", "sources/tests", wish("Booking desk", Map.of("user", "nobody")))
                        .code())
                .isEqualTo("source.cannot-reach");
    }

    @Test
    void a_password_is_kept_encrypted_and_told_to_nobody() throws IOException {
        assertThat(sunniva.get("sources").toString())
                .contains("\"hasPassword\":true")
                .doesNotContain(PASSWORD);
        assertThat(sunniva.get("audit?words=Booking%20desk").toString()).doesNotContain(PASSWORD);
        try (Stream<Path> files = Files.walk(DEMO.server().data())) {
            assertThat(files.filter(Files::isRegularFile).filter(SourceTest::holdsPassword))
                    .isEmpty();
        }
    }

    private static boolean holdsPassword(Path file) {
        try {
            return new String(Files.readAllBytes(file), StandardCharsets.ISO_8859_1).contains(PASSWORD);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void it_loads_every_day_by_itself_and_says_what_failed_until_it_works_again() {
        long id = dataSet(
                "daily bookings",
                "SELECT day, route, paid AS amount FROM booking",
                Map.of("kind", "DAILY", "at", "04:15", "zone", "Europe/Oslo", "minutes", 0));
        sunniva.post("data-sets/" + id + "/loads/now", null);
        POSTGRES.stop();
        try {
            String due = sunniva.get("data-sets/" + id).get("nextLoad").asString();
            sunniva.post("clock/move", Map.of("to", due));
            Wait.until("the first load by itself has failed", () -> attempts(id) == 2);
        } finally {
            POSTGRES.start();
        }
        JsonNode view = sunniva.get("data-sets/" + id);
        assertThat(view.get("line").get("failure").asString()).contains("cannot be reached");
        assertThat(view.get("attempts").get(0).get("by").isNull()).isTrue();
        assertThat(view.get("line").get("newestLoad").get("no").asInt()).isEqualTo(1);

        // ten minutes later, not a day
        String again = view.get("nextLoad").asString();
        Clock.awaitRest(sunniva);
        sunniva.post("clock/move", Map.of("to", again));

        Wait.until("it has loaded", () -> attempts(id) == 3);
        view = sunniva.get("data-sets/" + id);
        assertThat(view.get("line").get("failure").asString()).isEmpty();
        assertThat(view.get("line").get("newestLoad").get("no").asInt()).isEqualTo(2);
        assertThat(view.get("nextLoad").asString()).contains("T03:15:00Z");
    }

    @Test
    void a_source_that_does_not_answer_is_told_before_anything_is_sent_of_it() {
        long id = dataSet("asked ahead", "SELECT day, route, paid AS amount FROM booking", byHand());
        sunniva.post("data-sets/" + id + "/loads/now", null);
        Wait.until("it has been looked after", () -> checked().get("checkedAt").isString());
        assertThat(checked().get("failure").asString()).isEmpty();
        POSTGRES.stop();
        try {
            hoursLater(1);
            Wait.until(
                    "it does not answer",
                    () -> checked().get("failure").asString().contains("cannot be reached"));
            Wait.until(
                    "its data's owner is told",
                    () -> sunniva.get("mail-room/sunniva.rein@brinewater.example")
                            .toString()
                            .contains("“Booking desk” does not answer"));
        } finally {
            POSTGRES.start();
        }
        hoursLater(1);
        Wait.until("it answers again", () -> checked().get("failure").asString().isEmpty());
    }

    private static JsonNode checked() {
        return sunniva.get("sources")
                .valueStream()
                .filter(source -> source.get("id").asLong() == bookings)
                .findFirst()
                .orElseThrow();
    }

    private static void hoursLater(int hours) {
        Clock.moveTo(sunniva, Clock.now(sunniva).plus(Duration.ofHours(hours)));
    }

    @Test
    void a_source_is_used_where_its_folder_is_published_and_stays_while_it_is() {
        long pia = Staff.hired(sunniva, "Pia Publisher");
        Staff.granted(sunniva, pia, 1, "PUBLISH");
        long nora = Staff.hired(sunniva, "Nora Elsewhere");
        Staff.granted(sunniva, nora, 2, "PUBLISH");
        dataSet("bookings in use", "SELECT day, route, paid AS amount FROM booking", byHand());

        JsonNode seen = DEMO.as("Pia Publisher").get("sources").get(0);
        assertThat(seen.get("name").asString()).isEqualTo("Booking desk");
        assertThat(seen.get("place").asString()).isEmpty();
        Api elsewhere = DEMO.as("Nora Elsewhere");
        assertThat(elsewhere.get("sources")).isEmpty();
        assertThat(elsewhere
                        .refused("POST", "data-sets/samples", sampleWish(2, "SELECT 1"))
                        .status())
                .isEqualTo(404);
        Api.Refusal kept = sunniva.refused("DELETE", "sources/" + bookings, null);
        assertThat(kept.code()).isEqualTo("source.in-use");
        assertThat(kept.says()).contains("bookings in use");
    }

    @Test
    void an_administrator_registers_one_and_a_publisher_makes_a_data_set_of_a_query() {
        Reader reader = DEMO.reader().signInAs("Sunniva Rein");
        reader.open("House");
        reader.link("sources").click();
        reader.button("Register a source").click();
        reader.page.getByLabel("Name").fill("Desk by hand");
        reader.page.getByLabel("Address (JDBC)").fill(POSTGRES.address());
        reader.page.getByLabel("User").fill("reader");
        reader.page.getByLabel("Password").fill("wrong");
        reader.button("Test it").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("password authentication failed"))
                .isVisible();
        reader.page.getByLabel("Password").fill(PASSWORD);
        reader.button("Test it").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("It answers.")).isVisible();
        reader.button("Keep source").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("as reader; a query takes at most 60 s"))
                .isVisible();

        reader.page.navigate("/data/new");
        reader.page.getByLabel("a query on a database").check();
        reader.page.getByLabel("Source").selectOption("Desk by hand");
        reader.page.getByLabel("Query (SQL)").fill("SELECT day, route, seats FROM booking");
        reader.button("Look at its rows").click();
        PlaywrightAssertions.assertThat(reader.page.getByText("2 rows looked at."))
                .isVisible();
        reader.page.getByLabel("Name").fill("seats booked");
        reader.page.getByLabel("every day at").check();
        reader.button("Keep data set").click();

        PlaywrightAssertions.assertThat(
                        reader.page.getByText("From a query on Desk by hand, every day at 05:30 (Europe/Oslo)."))
                .isVisible();
        PlaywrightAssertions.assertThat(reader.page.getByText("2 rows, figures to"))
                .isVisible();
    }

    private static int attempts(long id) {
        return sunniva.get("data-sets/" + id).get("attempts").size();
    }

    private static Map<String, Object> wish(String name, Map<String, Object> other) {
        Map<String, Object> wish = new HashMap<>(Wishes.database(name, POSTGRES.address()));
        wish.putAll(Map.of("password", PASSWORD, "seconds", 2));
        wish.putAll(other);
        return wish;
    }

    private static Map<String, Object> byHand() {
        return Map.of("kind", "BY_HAND", "minutes", 0);
    }

    private static long dataSet(String name, String sql, Map<String, Object> times) {
        Map<String, Object> wish = new HashMap<>(Wishes.dataSet(1, name, "day DATE", "route TEXT", "amount NUMBER"));
        wish.put("plan", Wishes.plan(Wishes.query(bookings, sql), times, "REPLACE"));
        return sunniva.post("data-sets", wish).get("id").asLong();
    }

    private static Map<String, Object> sampleWish(long folder, String sql) {
        return Map.of("folder", folder, "origin", Wishes.query(bookings, sql));
    }

    private static JsonNode sample(String sql) {
        return sunniva.post("data-sets/samples", sampleWish(1, sql));
    }

    private static String typed(JsonNode found) {
        JsonNode column = found.get("column");
        return String.join(
                " ",
                List.of(
                        column.get("name").asString(),
                        column.get("type").asString(),
                        column.get("decimals").asString()));
    }

    private static List<String> cells(JsonNode seen, int row) {
        return seen.get("firstRows")
                .get(row)
                .valueStream()
                .map(cell -> cell.get("text").asString())
                .toList();
    }
}
