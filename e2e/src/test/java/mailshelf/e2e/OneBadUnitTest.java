package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** One unit of each kind of work fails whenever it is tried: the others go on, and it is set aside until asked for. */
class OneBadUnitTest {
    private static final int SUBSCRIPTIONS = 10;
    private static final int FOLDERS = 4;

    @TempDir
    private Path folder;

    @ParameterizedTest
    @ValueSource(strings = {"EXCEPTION", "ERROR"})
    void it_concerns_itself_alone(String fault) throws IOException {
        try (RunningServer server = RunningServer.at(Moments.START, DemoData.copy("bad-unit-" + fault))) {
            Api marit = Api.as(server, "Marit Lunde");
            List<Long> subscriptions = subscriptions(marit);
            Clock.moveTo(marit, due(marit, subscriptions.get(0)).minusSeconds(60));
            List<Long> watched = watched(Api.as(server, "Sunniva Rein"));
            server.stop();

            server.start("--fail-third", fault);
            files(watched);
            marit = Api.as(server, "Marit Lunde");
            Api sunniva = Api.as(server, "Sunniva Rein");
            Instant due = due(marit, subscriptions.get(9));
            Clock.moveTo(marit, due.plusSeconds(5));
            // sources are looked after every quarter of an hour
            Clock.moveTo(marit, due.plus(Duration.ofMinutes(20)));
            Wait.until(
                    "each kind of work has one set aside",
                    () -> kinds(sunniva)
                            .containsAll(Set.of("BOOK", "AWAIT", "SEND", "NOTIFY", "CLOSE", "LOAD", "CHECK_SOURCE")));
            Map<String, Long> outcomes = outcomes(marit, subscriptions);
            assertThat(outcomes).containsEntry("SENT", 5L).containsEntry("FAILED", 1L);
            // one waits for its data, one mail is not sent, one run is not closed
            assertThat(outcomes).containsEntry("OPEN", 3L);
            Wait.until(
                    "all files but one are loaded",
                    () -> watched.stream().filter(id -> isLoaded(sunniva, id)).count() == FOLDERS - 1);
            assertThat(kinds(marit)).containsExactlyInAnyOrder("BOOK", "AWAIT", "SEND", "CLOSE");
            Api ida = Api.as(server, "Ida Solvang");
            assertThat(ida.get("set-aside")).isEmpty();
            JsonNode booking = setAside(marit, "BOOK");
            assertThat(ida.refused("POST", again(booking), null).status()).isEqualTo(404);
            seen(server, booking.get("what").asString());
            server.stop();

            server.start();
            allAgain(server, subscriptions);
        }
    }

    /** Once the cause is gone, all that was set aside is done when somebody asks for it. */
    private static void allAgain(RunningServer server, List<Long> subscriptions) {
        Api marit = Api.as(server, "Marit Lunde");
        assertThat(kinds(marit)).containsExactlyInAnyOrder("BOOK", "AWAIT", "SEND", "CLOSE");
        long failed = runs(marit, subscriptions).stream()
                .filter(run -> run.get("outcome").asString().equals("FAILED"))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asLong();
        for (JsonNode item : Api.as(server, "Sunniva Rein").get("set-aside")) {
            Api.as(server, "Sunniva Rein").post(again(item), null);
        }
        long made = marit.post("runs/" + failed + "/try-again", null).get("run").asLong();
        assertThat(marit.post("runs/" + failed + "/try-again", null).get("run").asLong())
                .as("asked twice")
                .isEqualTo(made);
        Wait.until("all are sent", () -> outcomes(marit, subscriptions).getOrDefault("SENT", 0L) == SUBSCRIPTIONS);
        Wait.until(
                "nothing is set aside",
                () -> Api.as(server, "Sunniva Rein").get("set-aside").isEmpty());
    }

    /** An administrator sees it, and what is said of it. */
    private static void seen(RunningServer server, String what) {
        try (Reader reader = Reader.at(server)) {
            reader.signInAs("Sunniva Rein");
            reader.page.navigate("/house/set-aside");
            Locator row = reader.page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(what));
            assertThat(row).containsText("Failed 3 times");
            assertThat(reader.button("Try again: " + what)).isVisible();
            assertThat(reader.complaints()).isEmpty();
        }
    }

    private static List<Long> subscriptions(Api marit) {
        long me = marit.get("session").get("me").get("id").asLong();
        List<Long> all = new ArrayList<>();
        for (int i = 0; i < SUBSCRIPTIONS; i++) {
            Map<String, Object> terms = Wishes.terms(me);
            terms.put("name", "Number " + i);
            terms.put("schedule", Wishes.schedule("FREQ=DAILY", "15:00"));
            terms.put("freshData", Map.of("loadFirst", true, "waitHours", 0, "ifStale", "SEND"));
            all.add(marit.post("subscriptions", Map.of("terms", terms, "start", true))
                    .get("id")
                    .asLong());
        }
        return all;
    }

    /** Data sets that wait for files, each from a source of its own. */
    private List<Long> watched(Api sunniva) throws IOException {
        List<Long> all = new ArrayList<>();
        for (int i = 0; i < FOLDERS; i++) {
            Path own = Files.createDirectories(folder.resolve("in " + i));
            long source = sunniva.post(
                            "sources",
                            Map.of(
                                    "folder",
                                    1,
                                    "name",
                                    "In " + i,
                                    "kind",
                                    "FOLDER",
                                    "place",
                                    own.toString(),
                                    "user",
                                    "",
                                    "seconds",
                                    60,
                                    "mostRows",
                                    1000))
                    .get("id")
                    .asLong();
            all.add(dataSet(sunniva, i, source));
        }
        return all;
    }

    private static long dataSet(Api sunniva, int number, long source) {
        Map<String, Object> wish = new HashMap<>(Wishes.dataSet(1, "Arrivals " + number, "day DATE"));
        Map<String, Object> origin = Map.of("kind", "FOLDER", "source", source, "ask", "*.csv");
        wish.put("plan", Wishes.plan(origin, "ON_ARRIVAL", "REPLACE"));
        return sunniva.post("data-sets", wish).get("id").asLong();
    }

    private void files(List<Long> watched) throws IOException {
        for (int i = 0; i < watched.size(); i++) {
            Path file = Files.writeString(folder.resolve("in " + i).resolve("a.csv"), "day\n2026-11-01\n");
            Files.setLastModifiedTime(file, FileTime.from(Instant.now().minus(Duration.ofMinutes(1))));
        }
    }

    private static boolean isLoaded(Api who, long dataSet) {
        return !who.get("data-sets/" + dataSet).get("line").get("newestLoad").isNull();
    }

    private static Instant due(Api who, long subscription) {
        return Instant.parse(who.get("subscriptions/" + subscription)
                .get("line")
                .get("nextDue")
                .asString());
    }

    private static Set<String> kinds(Api who) {
        return who.get("set-aside")
                .valueStream()
                .map(item -> item.get("kind").asString())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static JsonNode setAside(Api who, String kind) {
        return who.get("set-aside")
                .valueStream()
                .filter(item -> item.get("kind").asString().equals(kind))
                .findFirst()
                .orElseThrow();
    }

    private static String again(JsonNode item) {
        return "set-aside/" + item.get("kind").asString() + "/"
                + item.get("unit").asLong() + "/try-again";
    }

    private static List<JsonNode> runs(Api who, List<Long> subscriptions) {
        return subscriptions.stream()
                .flatMap(id -> who.get("subscriptions/" + id).get("runs").valueStream())
                .toList();
    }

    private static Map<String, Long> outcomes(Api who, List<Long> subscriptions) {
        return runs(who, subscriptions).stream()
                .collect(Collectors.groupingBy(run -> run.get("outcome").asString(), Collectors.counting()));
    }
}
