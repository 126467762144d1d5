package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.io.OutputStream;
import java.net.http.HttpResponse;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A disk without room, and a folder that cannot be written to, in the middle of a run. Needs the right to mount. */
class FullDiskTest {
    private static final int CREW = 5;
    private static final long ROOM_FOR_ROWS_BUT_NO_FILES = 130_000;

    private final Path disk = Path.of("target/data/full/disk");
    private RunningServer server;
    private Crew crew;

    @BeforeEach
    void demo_on_a_small_disk() throws Exception {
        Path template = DemoData.copy("for-the-disk");
        Files.createDirectories(disk);
        assumeTrue(run("mount", "-t", "tmpfs", "-o", "size=64m", "tmpfs", disk.toString()) == 0);
        DemoData.copyAll(template, disk);
        server = RunningServer.at(Moments.START, disk);
        crew = Crew.hired(server, CREW);
    }

    @AfterEach
    void unmount() throws Exception {
        if (server != null) {
            server.close();
            run("umount", disk.toString());
        }
    }

    @Test
    void a_run_waits_for_room_says_so_and_goes_on() throws Exception {
        Api marit = Api.as(server, "Marit Lunde");
        long run = sendWithoutRoom(marit);
        Wait.until("the run says it", () -> sentence(marit, run).startsWith("There is no room on the disk"));
        Files.delete(disk.resolve("filler"));
        Wait.until("the database is back", () -> marit.status("shelf") == 200);

        crew.assertWhole(marit);
    }

    @Test
    void a_run_waits_for_a_folder_that_cannot_be_written_to() throws Exception {
        Api marit = Api.as(server, "Marit Lunde");
        // stands where the folder should: not even an administrator of the machine could write into it
        int year = Clock.now(marit).atZone(ZoneOffset.UTC).getYear();
        Path ofTheYear = Files.createDirectories(disk.resolve("shelf/" + year));
        Path inTheWay = Files.writeString(ofTheYear.resolve(String.valueOf(crew.subscription())), "in the way");
        long run = crew.sendNow(marit);
        Wait.until("the run says it", () -> sentence(marit, run).contains("cannot be written to"));
        Files.delete(inTheWay);

        crew.assertWhole(marit);
    }

    @Test
    void a_database_without_room_says_so_keeps_what_it_has_and_comes_back() throws Exception {
        Api sunniva = Api.as(server, "Sunniva Rein");
        fill(0);
        int kept = 0;
        HttpResponse<byte[]> answer = added(sunniva, kept);
        while (answer.statusCode() == 201) {
            kept++;
            answer = added(sunniva, kept);
        }
        // that very answer: the next may find room again, as the database puts itself in order
        Api.Refusal refusal = Api.refusal(answer);
        assertThat(refusal.status()).isEqualTo(503);
        assertThat(refusal.says()).contains("cannot be written to");
        Files.delete(disk.resolve("filler"));

        Wait.until("it is back", () -> sunniva.status("groups") == 200);
        long groups = sunniva.get("groups")
                .valueStream()
                .filter(group -> group.get("name").asString().startsWith("Group "))
                .count();
        assertThat(groups).isEqualTo(kept);
        Api marit = Api.as(server, "Marit Lunde");
        crew.sendNow(marit);
        crew.assertWhole(marit);
    }

    private static HttpResponse<byte[]> added(Api who, int group) {
        return who.answer("POST", "groups", Map.of("name", "Group " + group), Map.of());
    }

    /**
     * The database needs a little more room at some moments than at others. A run that it kept although it could not say
     * so goes on where there is room; then there is another.
     */
    private long sendWithoutRoom(Api marit) throws IOException {
        long left = ROOM_FOR_ROWS_BUT_NO_FILES;
        fill(left);
        Optional<Long> run = crew.sentNow(marit);
        while (run.isEmpty()) {
            Files.delete(disk.resolve("filler"));
            Wait.until("the database is back", () -> marit.status("shelf") == 200);
            if (crew.hasRun(marit)) {
                crew.assertWhole(marit);
                crew = crew.subscribedAgain(marit);
            }
            left += 10_000;
            fill(left);
            run = crew.sentNow(marit);
        }
        return run.get();
    }

    private static String sentence(Api api, long run) {
        return api.get("runs/" + run).path("sentence").asString("");
    }

    private void fill(long bytesLeft) throws IOException {
        byte[] some = new byte[512];
        try (OutputStream filler = Files.newOutputStream(disk.resolve("filler"))) {
            while (true) {
                filler.write(some);
            }
        } catch (IOException e) {
            assertThat(e).hasMessageContaining("No space left");
        }
        try (FileChannel filler = FileChannel.open(disk.resolve("filler"), StandardOpenOption.WRITE)) {
            filler.truncate(filler.size() - bytesLeft);
        }
    }

    private static int run(String... command) throws IOException, InterruptedException {
        return new ProcessBuilder(command).start().waitFor();
    }
}
