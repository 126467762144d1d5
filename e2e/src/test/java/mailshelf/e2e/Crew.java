package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/** One subscription to many people, and what must be true of its issue whatever happened while it was sent. */
public final class Crew {
    private static final Pattern MESSAGE_ID = Pattern.compile("(?m)^Message-ID: (\\S+)");
    private static final Pattern CHAIN = Pattern.compile("(?m)^Shelf-Chain: sha256=([0-9a-f]{64})");

    private final Path data;
    private final Path mailroom;
    private final List<Long> people;
    private final long subscription;

    private Crew(Path data, Path mailroom, List<Long> people, long subscription) {
        this.data = data;
        this.mailroom = mailroom;
        this.people = people;
        this.subscription = subscription;
    }

    /** Hires so many people, lets their invitations arrive, and has Marit subscribe them all to a daily page. */
    public static Crew hired(RunningServer server, int size) {
        Path mailroom = server.data().resolve("mailroom");
        List<Long> people = hire(Api.as(server, "Sunniva Rein"), size);
        Wait.until("everybody is invited", () -> ofCrew(mailroom).count() == size);
        return new Crew(server.data(), mailroom, people, subscribe(Api.as(server, "Marit Lunde"), people));
    }

    /** The same people, by another subscription like it. */
    Crew subscribedAgain(Api marit) {
        return new Crew(data, mailroom, people, subscribe(marit, people));
    }

    /** The same people, who get their mail in another demo's mail room from now on. */
    Crew receivingIn(RunningServer other) {
        Path moved = other.data().resolve("mailroom");
        return new Crew(data, moved, people, subscription);
    }

    /** Has everything happen that falls due before the next issue, so that it is the only one that is left. */
    void almostFallDue(Api marit) {
        Clock.moveTo(marit, due(marit).minusSeconds(60));
    }

    /** Has the clock reach the moment at which the next issue is due. */
    public void fallDue(Api marit) {
        marit.post("clock/move", Map.of("to", due(marit).plusSeconds(5).toString()));
    }

    private Instant due(Api marit) {
        return Instant.parse(marit.get("subscriptions/" + subscription)
                .get("line")
                .get("nextDue")
                .asString());
    }

    /** Has an issue sent to all of them at this moment; its run. */
    long sendNow(Api marit) {
        return marit.post("subscriptions/" + subscription + "/send", null)
                .get("id")
                .asLong();
    }

    /**
     * The one run that is asked for in this way, however often; nothing where the server does not take it, as where its disk
     * has no room: it cannot say then whether it is kept.
     */
    Optional<Long> sentNow(Api marit) {
        String key = "the one run of " + subscription;
        HttpResponse<byte[]> answer =
                marit.answer("POST", "subscriptions/" + subscription + "/send", null, Map.of("Idempotency-Key", key));
        return answer.statusCode() == 202
                ? Optional.of(Api.json(answer).get("id").asLong())
                : Optional.empty();
    }

    boolean hasRun(Api marit) {
        return !runs(marit).isEmpty();
    }

    long newestRun(Api marit) {
        return runs(marit).get(0).get("id").asLong();
    }

    private JsonNode runs(Api marit) {
        return marit.get("subscriptions/" + subscription).get("runs");
    }

    /** Has the stand-in treat mail to all of them in a way. */
    void treat(Api marit, String behaviour) {
        for (int i = 0; i < people.size(); i++) {
            marit.put("mail-room/crew" + i + "@brinewater.example/behaviour", Map.of("behaviour", behaviour));
        }
    }

    /** How many mails of the issue have arrived. */
    public long arrived() {
        return ofCrew(mailroom).filter(file -> isOfIssue(read(file))).count();
    }

    /** Waits until its one run is closed. */
    public JsonNode closedRun(Api marit) {
        long run = newestRun(marit);
        Wait.until(
                "the run is closed",
                () -> marit.get("runs/" + run).get("state").asString().equals("CLOSED"));
        return marit.get("runs/" + run);
    }

    long subscription() {
        return subscription;
    }

    /** Nobody is forgotten, nothing doubled unknown, numbers have no gap, and the archive is whole. */
    public void assertWhole(Api marit) {
        assertEveryMailOnce(closedRun(marit));
        assertNumbersWithoutGaps(marit);
        verify();
    }

    private static List<Long> hire(Api administrator, int size) {
        List<Long> crew = new ArrayList<>();
        for (int i = 0; i < size; i++) {
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
                                    "roles",
                                    List.of()))
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
        Map<String, Object> terms =
                Wishes.terms(crew.stream().mapToLong(Long::longValue).toArray());
        terms.put("name", "For the crew");
        terms.put("output", Map.of("pdf", true, "picture", true));
        terms.put("schedule", Wishes.schedule("FREQ=DAILY", "15:00"));
        terms.put("freshData", Map.of("loadFirst", true, "waitHours", 0, "ifStale", "SEND"));
        return owner.post("subscriptions", Map.of("terms", terms, "start", true))
                .get("id")
                .asLong();
    }

    /** Twice only where the record says that the server's answer was lost. */
    private void assertEveryMailOnce(JsonNode run) {
        assertThat(run.get("recipients")).hasSize(people.size());
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
    private void verify() {
        Path heads = data.resolveSibling("heads");
        Path out = data.resolveSibling("verified");
        try {
            Files.writeString(
                    heads,
                    String.join(
                            "\n",
                            allMails(mailroom).stream()
                                    .map(Crew::read)
                                    .filter(mail -> CHAIN.matcher(mail).find())
                                    .map(mail -> find(CHAIN, mail))
                                    .toList()));
            int status = RunningServer.launch(
                            out, "verify", data.resolve("shelf").toString(), "--heads", heads.toString())
                    .waitFor();
            assertThat(RunningServer.read(out)).contains("no fault found");
            assertThat(status).isZero();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static Stream<Path> ofCrew(Path mailroom) {
        return allMails(mailroom).stream().filter(file -> file.toString().contains("/crew"));
    }

    private boolean isOfIssue(String mail) {
        return mail.contains("\nList-Id: <subscription-" + subscription + ".");
    }

    private List<String> ofIssue(Path inbox) {
        return allMails(inbox).stream().map(Crew::read).filter(this::isOfIssue).toList();
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
