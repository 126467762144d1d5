package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;

/** Files that others put into a folder on the server are loaded once they are whole, and left as they are. */
class WatchedFolderTest {
    private static final String HEAD = "day,route,amount\n";

    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("watched-folder");

    @TempDir
    static Path folder;

    private static Api sunniva;
    private static long incoming;

    @BeforeAll
    static void a_folder_that_files_are_put_into() {
        sunniva = DEMO.as("Sunniva Rein");
        incoming =
                sunniva.post("sources", Wishes.watchedFolder(folder)).get("id").asLong();
    }

    @Test
    void a_file_that_grows_is_taken_when_it_has_stopped_growing_and_taken_once() throws IOException {
        long id = dataSet("growing", "growing*.csv", "REPLACE", "ON_ARRIVAL");
        Path file = Files.writeString(folder.resolve("growing 1.csv"), HEAD);
        // longer than a file has to stand still, all in all
        for (int row = 1; row <= 7; row++) {
            Wait.pause(Duration.ofSeconds(2).toMillis());
            Files.writeString(file, "2026-11-0" + row + ",Ness,1.00\n", StandardOpenOption.APPEND);
        }
        assertThat(attempts(id)).isEmpty();

        Wait.until("it is loaded", () -> attempts(id).size() == 1);

        JsonNode first = attempts(id).get(0);
        assertThat(first.get("load").get("rows").asLong()).isEqualTo(7);
        assertThat(first.get("by").isNull()).isTrue();
        assertThat(Files.readString(file)).startsWith(HEAD);
        // a file of the same name that is another is new
        Files.writeString(folder.resolve("being written"), HEAD + "2026-11-09,Ness,1.00\n");
        Files.move(folder.resolve("being written"), file, StandardCopyOption.REPLACE_EXISTING);
        Wait.until("the next is loaded", () -> attempts(id).size() == 2);
        assertThat(attempts(id).get(0).get("load").get("rows").asLong()).isEqualTo(1);
    }

    @Test
    void each_of_several_files_is_added_in_order_and_a_bad_one_is_told_and_passed_over() throws IOException {
        long id = dataSet("adding", "part-?.csv", "APPEND", "ON_ARRIVAL");
        Files.writeString(folder.resolve("part-1.csv"), HEAD + "2026-11-01,Ness,1.00\n");
        Files.writeString(folder.resolve("part-2.csv"), HEAD + "2026-11-02,Ness,much\n");
        Files.writeString(folder.resolve("part-3.csv"), HEAD + "2026-11-03,Ness,1.00\n");
        Files.writeString(folder.resolve("part-10.csv"), HEAD + "2026-11-10,Ness,1.00\n");
        Files.createSymbolicLink(folder.resolve("part-9.csv"), Path.of("/etc/hostname"));

        Wait.until("all three are taken", () -> attempts(id).size() == 3);

        assertThat(attempts(id).get(1).get("failure").asString()).contains("line 2, column amount");
        JsonNode newest = sunniva.get("data-sets/" + id).get("line").get("newestLoad");
        assertThat(newest.get("rows").asLong()).isEqualTo(2);
        assertThat(newest.get("figuresTo").asString()).isEqualTo("2026-11-03");
    }

    @Test
    void by_hand_the_newest_is_loaded_and_where_there_is_none_that_is_said() throws IOException {
        long id = dataSet("by hand", "quay [1].csv", "REPLACE", "BY_HAND");
        assertThat(sunniva.refused("POST", "data-sets/" + id + "/loads/now", null)
                        .says())
                .contains("No file “quay [1].csv” is in “Incoming”");
        Path file = Files.writeString(folder.resolve("quay [1].csv"), HEAD + "2026-11-01,Ness,1.00\n");
        assertThat(sunniva.refused("POST", "data-sets/" + id + "/loads/now", null)
                        .code())
                .isEqualTo("source.still-written");
        Files.setLastModifiedTime(file, FileTime.fromMillis(0));

        JsonNode load = sunniva.post("data-sets/" + id + "/loads/now", null);

        assertThat(load.get("rows").asLong()).isEqualTo(1);
    }

    @Test
    void rows_that_are_added_are_not_added_twice_from_one_file() throws IOException {
        long id = dataSet("once", "once.csv", "APPEND", "BY_HAND");
        put("once.csv", "2026-11-01,Ness,much");
        sunniva.refused("POST", "data-sets/" + id + "/loads/now", null);
        put("once.csv", "2026-11-01,Ness,1.00");
        sunniva.post("data-sets/" + id + "/loads/now", null);

        assertThat(sunniva.refused("POST", "data-sets/" + id + "/loads/now", null)
                        .code())
                .isEqualTo("source.nothing-new");

        put("once.csv", "2026-11-02,Hovden,2.00");
        assertThat(sunniva.post("data-sets/" + id + "/loads/now", null)
                        .get("rows")
                        .asLong())
                .isEqualTo(2);
    }

    /** Long ago, so that it stands still. */
    private static void put(String name, String row) throws IOException {
        Path file = Files.writeString(folder.resolve(name), HEAD + row + "\n");
        Files.setLastModifiedTime(file, FileTime.from(Instant.now().minusSeconds(60)));
    }

    @Test
    void only_folders_that_the_server_was_started_for_are_read_and_no_link_leads_out_of_them() throws IOException {
        Path own = DEMO.server().data().toAbsolutePath();
        Path link = Files.createSymbolicLink(folder.resolve("out"), own.resolve("loads"));
        for (Path place : List.of(own, own.resolve("loads"), Path.of("/etc"), Path.of("nowhere"), link)) {
            Api.Refusal refused = sunniva.refused("POST", "sources", Wishes.watchedFolder(place));
            assertThat(refused.code()).as(place.toString()).isEqualTo("source.outside-roots");
        }
    }

    @Test
    void a_folder_that_becomes_a_link_later_is_not_followed() throws IOException {
        Path place = Files.createDirectory(folder.resolve("replaced"));
        long source = sunniva.post("sources", Wishes.with(Wishes.watchedFolder(place), "name", "Replaced"))
                .get("id")
                .asLong();
        Files.delete(place);
        Files.createSymbolicLink(place, Path.of("/etc"));

        Map<String, Object> origin = Map.of("kind", "FOLDER", "source", source, "ask", "hostname");
        assertThat(sunniva.refused("POST", "data-sets/samples", Map.of("folder", 1, "origin", origin))
                        .code())
                .isEqualTo("source.outside-roots");
    }

    private static JsonNode attempts(long id) {
        return sunniva.get("data-sets/" + id).get("attempts");
    }

    private static long dataSet(String name, String files, String mode, String when) {
        Map<String, Object> wish = new HashMap<>(Wishes.dataSet(1, name, "day DATE", "route TEXT", "amount NUMBER"));
        Map<String, Object> origin = Map.of("kind", "FOLDER", "source", incoming, "ask", files);
        wish.put("plan", Wishes.plan(origin, when, mode));
        return sunniva.post("data-sets", wish).get("id").asLong();
    }
}
