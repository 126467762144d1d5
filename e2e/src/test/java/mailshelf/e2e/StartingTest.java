package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command line: what cannot start says why in one sentence and ends with status 2. */
class StartingTest {
    @TempDir
    Path folder;

    @Test
    void a_port_in_use_is_said() throws Exception {
        try (ServerSocket taken = new ServerSocket(0)) {
            String port = String.valueOf(taken.getLocalPort());
            assertThat(refused("demo", "--data", folder.resolve("d").toString(), "--port", port))
                    .isEqualTo("Port " + port + " is in use: stop what uses it, or choose another with --port.\n");
        }
    }

    @Test
    void a_data_folder_in_use_is_said_and_the_other_process_goes_on() throws Exception {
        try (RunningServer server = RunningServer.at(Moments.START, DemoData.copy("taken"))) {
            assertThat(refused("demo", "--data", server.data().toString(), "--port", "0"))
                    .isEqualTo("The data folder " + server.data() + " is in use by another process: "
                            + "stop that one, or choose another folder with --data.\n");
            assertThat(Api.as(server, "Ida Solvang").status("shelf")).isEqualTo(200);
        }
    }

    @Test
    void a_data_folder_that_cannot_be_made_is_said() throws Exception {
        Path file = Files.createFile(folder.resolve("file"));
        assertThat(refused("serve", "--data", file.resolve("data").toString(), "--port", "0"))
                .isEqualTo(
                        "The data folder " + file.resolve("data") + " cannot be made: choose another with --data.\n");
    }

    @Test
    void fresh_empties_no_folder_of_somebody_elses() throws Exception {
        Path letter = Files.writeString(folder.resolve("letter.txt"), "dear");
        assertThat(refused("demo", "--data", folder.toString(), "--port", "0", "--fresh"))
                .contains("holds files that are not Mail Shelf's");
        assertThat(letter).hasContent("dear");
    }

    @Test
    void a_demo_is_not_started_on_an_organisations_folder_nor_the_other_way_round() throws Exception {
        Path data = DemoData.copy("of-another-kind");
        assertThat(refused("serve", "--data", data.toString(), "--port", "0"))
                .isEqualTo(
                        "The data folder " + data
                                + " is that of a demo. Start it with 'mailshelf demo', or choose another folder with --data.\n");
        Files.delete(data.resolve("kind")); // as folders were before there was the mark
        assertThat(refused("serve", "--data", data.toString(), "--port", String.valueOf(RunningServer.freePort())))
                .contains("is that of a demo");

        DemoData.turnIntoAnOrganisation(data);
        assertThat(refused("demo", "--data", data.toString(), "--port", "0")).contains("is that of an organisation");
        Files.delete(data.resolve("kind"));
        assertThat(refused("demo", "--data", data.toString(), "--port", String.valueOf(RunningServer.freePort())))
                .contains("is that of an organisation");
    }

    @Test
    void the_demos_clock_does_not_go_back() throws Exception {
        Path data = DemoData.copy("back");
        assertThat(refused(
                        "demo",
                        "--data",
                        data.toString(),
                        "--port",
                        String.valueOf(RunningServer.freePort()),
                        "--clock",
                        Moments.BUILT.minusDays(1).toString()))
                .contains("already: choose a later --clock");
    }

    @Test
    void nobody_else_on_the_machine_reads_the_data() throws Exception {
        Path data = folder.resolve("closed");
        RunningServer.organisation(data, RunningServer.freePort()).close();

        assertThat(permissions(data)).isEqualTo("rwx------");
        try (Stream<Path> files = Files.walk(data)) {
            assertThat(files.filter(Files::isRegularFile))
                    .isNotEmpty()
                    .allSatisfy(file ->
                            assertThat(permissions(file)).as(file.toString()).isEqualTo("rw-------"));
        }
    }

    private static String permissions(Path file) {
        try {
            return PosixFilePermissions.toString(Files.getPosixFilePermissions(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @Test
    void wrong_use_is_answered_with_the_usage() throws Exception {
        assertThat(refused("serve", "--prot", "1")).contains("Unknown option").contains("Usage: mailshelf serve");
    }

    @Test
    void what_it_is_made_with_is_told_with_its_terms() throws Exception {
        Path out = folder.resolve("out");
        assertThat(RunningServer.launch(out, "notices").waitFor()).isZero();
        assertThat(RunningServer.read(out))
                .contains("(EPL 1.0) (MPL 2.0) H2 Database Engine")
                .contains("react-router 7")
                .contains("SIL Open Font License")
                .doesNotContain("Unknown license");
    }

    @Test
    void the_version_is_told() throws Exception {
        Path out = folder.resolve("out");
        assertThat(RunningServer.launch(out, "--version").waitFor()).isZero();
        assertThat(RunningServer.read(out)).matches("Mail Shelf \\d+\\.\\d+\\.\\d+\n");
    }

    @Test
    void an_empty_house_is_opened_by_the_link_it_prints() throws Exception {
        Path out = folder.resolve("out");
        int port;
        try (ServerSocket free = new ServerSocket(0)) {
            port = free.getLocalPort();
        }
        Process house = RunningServer.launch(
                out, "serve", "--data", folder.resolve("house").toString(), "--port", String.valueOf(port));
        try {
            Pattern link = Pattern.compile("http://localhost:" + port + "(/invitations/\\S+)");
            Wait.until("a link", () -> link.matcher(RunningServer.read(out)).find());
            Matcher found = link.matcher(RunningServer.read(out));
            assertThat(found.find()).isTrue();
            try (Reader reader = Reader.at("http://localhost:" + port)) {
                reader.page.navigate(found.group(1));
                reader.field("Password, at least 10 characters").fill("short");
                reader.button("Set password").click();
                assertThat(reader.page.getByRole(AriaRole.ALERT)).isVisible();
                reader.field("Password, at least 10 characters").fill("a ferry leaves at nine");
                reader.button("Set password").click();
                reader.open("House");
                assertThat(reader.heading("House")).isVisible();
                reader.page
                        .getByText("Administrator", new Page.GetByTextOptions().setExact(true))
                        .first()
                        .click();
                reader.button("Sign out").click();
                reader.field("Address").fill("mail-shelf@localhost");
                reader.field("Password").fill("not this one at all");
                reader.button("Sign in").click();
                assertThat(reader.page.getByRole(AriaRole.ALERT)).isVisible();
                reader.field("Password").fill("a ferry leaves at nine");
                reader.button("Sign in").click();
                reader.open("House");
                assertThat(reader.heading("House")).isVisible();
            }
        } finally {
            house.destroy();
            assertThat(house.waitFor(30, TimeUnit.SECONDS)).isTrue();
        }
        assertThat(house.exitValue()).as("ended by the signal, in good order").isEqualTo(143);
        Path shown = folder.resolve("shown");
        Process command = RunningServer.launch(
                shown, "administrator-link", "--data", folder.resolve("house").toString());
        assertThat(command.waitFor()).isZero();
        assertThat(RunningServer.read(shown))
                .startsWith("By this link Administrator (mail-shelf@localhost) sets a password")
                .contains("/invitations/");
        assertThat(RunningServer.read(out)).doesNotContain("Exception");
    }

    private String refused(String... arguments) throws InterruptedException {
        return RunningServer.refusal(folder.resolveSibling(folder.getFileName() + ".out"), arguments);
    }
}
