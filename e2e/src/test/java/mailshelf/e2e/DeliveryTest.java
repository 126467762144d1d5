package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** From due to delivered over real SMTP: what a mail carries, how often is tried, and what is skipped. */
class DeliveryTest {

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("delivery");

    private static Api marit;
    private static long maritId;
    private static long andersId;

    @BeforeAll
    static void start() {
        marit = DEMO.as("Marit Lunde");
        maritId = marit.get("session").get("me").get("id").asLong();
        andersId = DEMO.as("Anders Moe").get("session").get("me").get("id").asLong();
    }

    @Test
    void a_mail_says_whose_it_is_which_list_it_belongs_to_and_how_to_leave_it() {
        long id = daily("Headers", "11:00", List.of(), maritId, andersId);
        JsonNode run = runAt(nextDue(id), id);
        String mail = newest("anders.moe", "Headers");

        assertThat(header(mail, "From"))
                .contains("Marit Lunde via Mail Shelf")
                .contains("<mail-shelf@brinewater.example>");
        assertThat(header(mail, "Reply-To")).contains("marit.lunde@brinewater.example");
        assertThat(header(mail, "To")).isEqualTo("Anders Moe <anders.moe@brinewater.example>");
        assertThat(header(mail, "Message-ID")).matches("<[^@<>]+\\.[0-9a-f-]{36}@brinewater\\.example>");
        assertThat(header(mail, "List-Id")).isEqualTo("<subscription-" + id + ".brinewater.example>");
        assertThat(header(mail, "List-Unsubscribe"))
                .startsWith("<" + DEMO.server().url() + "/leave/");
        assertThat(mail).as("that is for https alone").doesNotContain("List-Unsubscribe-Post");
        assertThat(header(mail, "Shelf-Chain")).matches("sha256=[0-9a-f]{64}");
        assertThat(mail)
                .contains("Content-Type: text/plain")
                .contains("Content-Type: text/html")
                .contains("application/pdf");
        assertThat(run.get("sentence").asString()).isEqualTo("2 of 2 delivered.");
        assertThat(mail.lines()).allMatch(line -> line.length() <= 998);
    }

    @Test
    void two_recipients_of_equal_copies_get_mails_of_their_own_with_the_same_file() {
        long id = daily("Equal", "11:10", List.of(), maritId, andersId);
        JsonNode run = runAt(nextDue(id), id);
        Api anders = DEMO.as("Anders Moe");
        long issue = run.get("issue").asLong();

        assertThat(marit.get("issues/" + issue).get("files").get(0).get("sha256"))
                .isEqualTo(anders.get("issues/" + issue).get("files").get(0).get("sha256"));
        assertThat(header(newest("anders.moe", "Equal"), "Message-ID"))
                .isNotEqualTo(header(newest("marit.lunde", "Equal"), "Message-ID"));
        assertThat(new String(anders.bytes("issues/" + issue + "/mail.eml"), StandardCharsets.UTF_8))
                .contains("To: Anders Moe");
    }

    @Test
    void without_rows_the_issue_is_skipped_with_its_reason_and_keeps_its_number() {
        long id = daily(
                "Nothing",
                "11:20",
                List.of(Map.of("column", "cause", "test", "ANY_OF", "values", List.of("sea monsters"))),
                maritId);
        JsonNode run = runAt(nextDue(id), id);
        assertThat(run.get("outcome").asString()).isEqualTo("SKIPPED");
        assertThat(run.get("sentence").asString()).contains("No rows in the period.");

        JsonNode issue = marit.get("issues/" + run.get("issue").asLong());
        assertThat(issue.get("made").asBoolean()).isFalse();
        assertThat(issue.get("title").asString()).startsWith("No. 1, ");
        assertThat(issue.get("shown").isNull()).isTrue();
    }

    @Test
    void what_is_refused_for_now_is_tried_again_after_growing_pauses() {
        behave("REFUSE_FOR_NOW");
        long id = daily("Later", "11:30", List.of(), andersId);
        Instant due = nextDue(id);
        Clock.moveTo(marit, due.plusSeconds(5));
        long run = newestRun(id);
        Wait.until("a first try", () -> !recipient(run).get("nextTry").isNull());
        Instant second = Instant.parse(recipient(run).get("nextTry").asString());
        Clock.moveTo(marit, second.plusSeconds(1));
        Wait.until("a second try", () -> recipient(run).get("tries").size() == 2);
        Instant third = Instant.parse(recipient(run).get("nextTry").asString());
        assertThat(Duration.between(second, third)).isGreaterThan(Duration.between(due, second));
        assertThat(recipient(run).get("tries").get(0).get("words").asString()).isEqualTo("refused for now");
        assertThat(recipient(run).get("tries").get(0).get("reply").asString()).startsWith("452");

        behave("NONE");
        Clock.moveTo(marit, third.plusSeconds(1));
        Wait.until("it is through", () -> closed(run));
        assertThat(recipient(run).get("words").asString()).isEqualTo("accepted");
        assertThat(recipient(run).get("tries")).hasSize(3);
    }

    @Test
    void a_fault_of_yesterday_needs_a_look_though_todays_issue_went_well_until_a_week_has_gone() {
        behave("REFUSE_FOR_GOOD");
        long id = daily("Faulty", "11:35", List.of(), andersId, maritId);
        Instant due = nextDue(id);
        runAt(due, id);
        behave("NONE");
        runAt(nextDue(id), id);

        JsonNode spines = shelfRow(id).get("spines");
        assertThat(spines.valueStream().map(spine -> spine.get("state").asString()))
                .containsExactly("PARTLY", "UNREAD");
        assertThat(shelfRow(id).get("group").asString()).isEqualTo("NEEDS_A_LOOK");

        Clock.moveTo(marit, due.plus(Duration.ofDays(7)).plusSeconds(60));
        assertThat(shelfRow(id).get("group").asString()).isEqualTo("NEW");
    }

    @Test
    void an_issue_shows_the_figures_of_its_day_whatever_was_loaded_since() {
        long id = daily("Frozen", "11:40", List.of(), maritId);
        JsonNode run = runAt(nextDue(id), id);
        String issue = "issues/" + run.get("issue").asLong();
        JsonNode then = marit.get(issue).get("shown");
        Clock.moveTo(marit, nextDue(id).plus(Duration.ofDays(8)));
        assertThat(marit.get(issue).get("shown")).isEqualTo(then);
        assertThat(marit.get("reports/1").get("shown").get("page").get("showing"))
                .isNotEqualTo(then.get("page").get("showing"));
        // each day passed brought its day of data
        assertThat(marit.get("reports/1").get("shown").get("page").get("freshness"))
                .isNotEqualTo(then.get("page").get("freshness"));
        long next = marit.get(issue).get("next").asLong();
        assertThat(marit.get("issues/" + next).get("title").asString()).startsWith("No. 2, ");
    }

    @Test
    void an_issue_is_unread_until_it_is_opened_and_can_be_kept_as_unread() {
        long id = daily("Unread", "11:50", List.of(), maritId);
        JsonNode run = runAt(nextDue(id), id);
        String read = "issues/" + run.get("issue").asLong() + "/read";
        assertThat(spine(id)).isEqualTo("UNREAD");
        marit.put(read, Map.of("read", true));
        assertThat(spine(id)).isEqualTo("READ");
        marit.put(read, Map.of("read", false));
        assertThat(spine(id)).isEqualTo("UNREAD");
    }

    @Test
    void a_clock_goes_forward_only() {
        assertThat(marit.refused("POST", "clock/move", Map.of("to", "2020-01-01T00:00:00Z"))
                        .code())
                .isEqualTo("clock.backwards");
    }

    private static long daily(String name, String at, List<?> filters, long... recipients) {
        Map<String, Object> terms = Wishes.with(Wishes.terms(recipients), "name", name);
        terms = Wishes.with(terms, "schedule", Wishes.schedule("FREQ=DAILY", at));
        terms = Wishes.of(terms, "filters", filters);
        return marit.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    private static Instant nextDue(long subscription) {
        return Instant.parse(marit.get("subscriptions/" + subscription)
                .get("line")
                .get("nextDue")
                .asString());
    }

    private static JsonNode runAt(Instant due, long subscription) {
        Clock.moveTo(marit, due.plusSeconds(5));
        long run = newestRun(subscription);
        Wait.until("the run is closed", () -> closed(run));
        return marit.get("runs/" + run);
    }

    private static long newestRun(long subscription) {
        return marit.get("subscriptions/" + subscription)
                .get("runs")
                .get(0)
                .get("id")
                .asLong();
    }

    private static boolean closed(long run) {
        return marit.get("runs/" + run).get("state").asString().equals("CLOSED");
    }

    private static JsonNode recipient(long run) {
        return marit.get("runs/" + run).get("recipients").get(0);
    }

    private static String spine(long subscription) {
        return marit.get("subscriptions/" + subscription)
                .get("line")
                .get("spines")
                .get(0)
                .get("state")
                .asString();
    }

    private static JsonNode shelfRow(long subscription) {
        return marit.get("shelf")
                .get("rows")
                .valueStream()
                .filter(row -> row.get("subscription").asLong() == subscription)
                .findFirst()
                .orElseThrow();
    }

    private static void behave(String how) {
        marit.put("mail-room/anders.moe@brinewater.example/behaviour", Map.of("behaviour", how));
    }

    private static String newest(String who, String subject) {
        String inbox = "mail-room/" + who + "@brinewater.example";
        String id = marit.get(inbox)
                .valueStream()
                .filter(mail -> mail.get("subject").asString().startsWith(subject + ":"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
        return new String(marit.bytes(inbox + "/mails/" + id + "/source"), StandardCharsets.UTF_8);
    }

    /** Unfolded (RFC 5322 §2.2.3). */
    private static String header(String mail, String name) {
        String head = mail.substring(0, mail.indexOf("\r\n\r\n")).replaceAll("\r\n[ \t]+", " ");
        return Pattern.compile("(?m)^" + name + ": (.*)$")
                .matcher(head)
                .results()
                .map(found -> found.group(1).strip())
                .findFirst()
                .orElse("");
    }
}
