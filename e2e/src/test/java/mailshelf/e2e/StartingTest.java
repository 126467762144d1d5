package mailshelf.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
    void wrong_use_is_answered_with_the_usage() throws Exception {
        assertThat(refused("serve", "--prot", "1")).contains("Unknown option").contains("Usage: mailshelf serve");
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
        assertThat(RunningServer.read(out)).doesNotContain("Exception");
    }

    private String refused(String... arguments) throws IOException, InterruptedException {
        Path out = folder.resolveSibling(folder.getFileName() + ".out");
        Process process = RunningServer.launch(out, arguments);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).isEqualTo(2);
        return RunningServer.read(out);
    }
}
