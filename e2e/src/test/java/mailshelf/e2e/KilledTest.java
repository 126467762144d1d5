package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The process is killed five times while it sends one issue to 200 people. */
class KilledTest {
    private static final int CREW = 200;
    private static final int KILLS = 5;
    private static final long SEED = 20261125;
    private static final Pattern MESSAGE_ID = Pattern.compile("(?m)^Message-ID: (\\S+)");
    private static final Pattern CHAIN = Pattern.compile("(?m)^Shelf-Chain: sha256=([0-9a-f]{64})");

    @Test
    void nobody_is_forgotten_nothing_is_doubled_and_the_archive_stays_whole() {
        try (RunningServer server = RunningServer.on(DemoData.copy("killed"))) {
            List<Long> crew = hire(Api.as(server, "Sunniva Rein"));
            Path mailroom = server.data().resolve("mailroom");
            Wait.until("everybody is invited", () -> mails(mailroom) == CREW);
            Api marit = Api.as(server, "Marit Lunde");
            long subscription = subscribe(marit, crew);
            Instant due = Instant.parse(marit.get("subscriptions/" + subscription)
                    .get("line")
                    .get("nextDue")
                    .asString());

            marit.post("clock/move", Map.of("to", due.plusSeconds(5).toString()));
            for (int mailsBefore : moments()) {
                Wait.until(mailsBefore + " mails", () -> mails(mailroom) >= CREW + mailsBefore);
                server.kill();
                server.start();
            }
            Api again = Api.as(server, "Marit Lunde");
            JsonNode line = again.get("subscriptions/" + subscription);
            long run = line.get("runs").get(0).get("id").asLong();
            Wait.until(
                    "the run is closed",
                    () -> again.get("runs/" + run).get("state").asString().equals("CLOSED"));

            assertEveryMailOnce(again.get("runs/" + run), mailroom);
            assertNumbersWithoutGaps(again);
            verify(server);
        }
    }

    /** How many mails are out when the process dies: five random moments of the run, the earliest while it is made. */
    private static List<Integer> moments() {
        Random random = new Random(SEED);
        return IntStream.concat(IntStream.of(0), IntStream.generate(() -> random.nextInt(CREW - 10)))
                .limit(KILLS)
                .sorted()
                .boxed()
                .toList();
    }

    private static List<Long> hire(Api administrator) {
        List<Long> crew = new ArrayList<>();
        for (int i = 0; i < CREW; i++) {
            crew.add(administrator
                    .post(
                            "people",
                            Map.of(
                                    "name",
                                    "Crew " + i,
                                    "address",
                                    "crew" + i + "@brinewater.example",
                                    "zone",
                                    "Europe/Oslo",
                                    "administrator",
                                    false))
                    .get("id")
                    .asLong());
        }
        long group =
                administrator.post("groups", Map.of("name", "Crew")).get("id").asLong();
        administrator.send("PUT", "groups/" + group + "/members", Map.of("people", crew), Map.of());
        administrator.send("PUT", "grants/1/" + group, Map.of("verbs", List.of("SEE")), Map.of());
        return crew;
    }

    private static long subscribe(Api owner, List<Long> crew) {
        Map<String, Object> terms = Map.of(
                "name",
                "For the crew",
                "report",
                1,
                "pages",
                List.of("overview"),
                "period",
                "last-week",
                "firstDayOfWeek",
                "MONDAY",
                "filters",
                List.of(),
                "recipients",
                crew,
                "output",
                Map.of("pdf", true, "picture", false),
                "schedule",
                Map.of("recurrence", "FREQ=DAILY", "at", "15:00", "zone", "Europe/Oslo"),
                "locale",
                "en");
        return owner.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    /** Twice only where the record says that the server's answer was lost. */
    private static void assertEveryMailOnce(JsonNode run, Path mailroom) {
        assertThat(run.get("recipients")).hasSize(CREW);
        for (JsonNode recipient : run.get("recipients")) {
            String address = recipient.get("address").asString();
            List<String> mails = ofIssue(mailroom.resolve(address));
            assertThat(recipient.get("words").asString()).as(address).isEqualTo("accepted");
            assertThat(mails).as(address).isNotEmpty();
            if (mails.size() > 1) {
                assertThat(recipient
                                .get("tries")
                                .valueStream()
                                .map(attempt -> attempt.get("words").asString()))
                        .as(address)
                        .contains("the answer was lost; sent again with the same Message-ID");
                assertThat(mails.stream().map(mail -> find(MESSAGE_ID, mail)).distinct())
                        .hasSize(1);
            }
        }
    }

    private static void assertNumbersWithoutGaps(Api api) {
        for (JsonNode row : api.get("shelf").get("rows")) {
            List<Integer> numbers = row.get("spines")
                    .valueStream()
                    .map(spine -> spine.get("number").asInt())
                    .toList();
            assertThat(numbers)
                    .as(row.get("title").asString())
                    .isEqualTo(IntStream.rangeClosed(1, numbers.size()).boxed().toList());
        }
    }

    /** With the heads that the mails carry, so that a missing tail would be found too. */
    private static void verify(RunningServer server) {
        Path heads = server.data().resolveSibling("heads");
        Path out = server.data().resolveSibling("verified");
        try {
            Files.writeString(
                    heads,
                    String.join(
                            "\n",
                            allMails(server.data().resolve("mailroom")).stream()
                                    .map(KilledTest::read)
                                    .filter(mail -> CHAIN.matcher(mail).find())
                                    .map(mail -> find(CHAIN, mail))
                                    .toList()));
            int status = RunningServer.launch(
                            out, "verify", server.data().resolve("shelf").toString(), "--heads", heads.toString())
                    .waitFor();
            assertThat(RunningServer.read(out)).contains("no fault found");
            assertThat(status).isZero();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static long mails(Path mailroom) {
        return allMails(mailroom).stream()
                .filter(file -> file.toString().contains("/crew"))
                .count();
    }

    private static List<String> ofIssue(Path inbox) {
        return allMails(inbox).stream()
                .map(KilledTest::read)
                .filter(mail -> mail.contains("\nList-Id: "))
                .toList();
    }

    private static List<Path> allMails(Path folder) {
        try (Stream<Path> files = Files.walk(folder)) {
            return files.filter(file -> file.getParent().endsWith("new")).toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String read(Path file) {
        return RunningServer.read(file);
    }

    private static String find(Pattern pattern, String mail) {
        Matcher matcher = pattern.matcher(mail);
        assertThat(matcher.find()).isTrue();
        return matcher.group(1);
    }
}
