package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A server that was told how large a load may be. */
class LargestLoadTest {
    private static final String TOO_LARGE = "day,route\n" + "2026-11-01,Ness\n".repeat(70_000);

    @TempDir
    private Path folder;

    @Test
    void larger_ones_are_refused_in_words_whichever_way_they_come_and_nothing_is_loaded() throws IOException {
        Path file = Files.writeString(folder.resolve("rows.csv"), TOO_LARGE);
        Files.setLastModifiedTime(
                file, FileTime.from(Instant.now().minus(Duration.ofHours(1)))); // no longer written to
        try (RunningServer server =
                RunningServer.at(Moments.START, DemoData.copy("largest-load"), "--largest-load", "1")) {
            Api sunniva = Api.as(server, "Sunniva Rein");
            long sent = sunniva.post("data-sets", wish("sent")).get("id").asLong();
            Api.Refusal byHand = Api.refusal(sunniva.upload("data-sets/" + sent + "/loads", TOO_LARGE));
            assertThat(byHand.status()).isEqualTo(413);
            assertThat(byHand.says()).contains("1,000 kB");

            Map<String, Object> watched = new HashMap<>(wish("watched"));
            long source = sunniva.post("sources", Wishes.watchedFolder(folder))
                    .get("id")
                    .asLong();
            Map<String, Object> origin = Map.of("kind", "FOLDER", "source", source, "ask", "rows.csv");
            watched.put("plan", Wishes.plan(origin, "BY_HAND", "REPLACE"));
            long id = sunniva.post("data-sets", watched).get("id").asLong();
            Api.Refusal fromFile = sunniva.refused("POST", "data-sets/" + id + "/loads/now", null);
            assertThat(fromFile.code()).isEqualTo("data.too-large");
            assertThat(fromFile.says()).contains("more than 1 MB").contains("--largest-load");

            for (long each : new long[] {sent, id}) {
                assertThat(sunniva.get("data-sets/" + each)
                                .get("line")
                                .get("newestLoad")
                                .isNull())
                        .isTrue();
            }
        }
    }

    private static Map<String, Object> wish(String name) {
        return Wishes.dataSet(1, name, "day DATE", "route TEXT");
    }
}
