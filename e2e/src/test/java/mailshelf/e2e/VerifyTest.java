package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** {@code mailshelf verify} on an archive from which something was taken that nothing after it refers to. */
class VerifyTest {
    private static Path data;

    @BeforeAll
    static void an_archive() {
        data = DemoData.copy("verify-with-database");
    }

    private static String verified(int status, String... options) throws Exception {
        Path out = data.resolveSibling("verify.out");
        List<String> arguments = Stream.concat(
                        Stream.of("verify", data.resolve("shelf").toString()), Stream.of(options))
                .toList();
        Process process = RunningServer.launch(out, arguments.toArray(String[]::new));
        assertThat(process.waitFor()).as(RunningServer.read(out)).isEqualTo(status);
        return RunningServer.read(out);
    }

    @Test
    void a_newest_issue_that_is_gone_is_missed_by_the_database() throws Exception {
        String[] withDatabase = {"--data", data.toString()};
        assertThat(verified(0, withDatabase)).contains("no fault found");
        Path newest = newestIssue();
        Path aside = Files.move(newest, data.resolve("aside"));

        assertThat(verified(0)).contains("cannot be told whether the newest issues are missing");
        assertThat(verified(1, withDatabase)).contains("The database knows an issue with the manifest");

        Files.move(aside, newest);
        assertThat(verified(0, withDatabase)).contains("no fault found");
    }

    private static Path newestIssue() throws IOException {
        try (Stream<Path> files = Files.walk(data.resolve("shelf"))) {
            return files.filter(file ->
                            file.toString().endsWith(".tar") && !file.toString().contains("trial"))
                    .max(Comparator.comparing(VerifyTest::number))
                    .orElseThrow();
        }
    }

    private static int number(Path volume) {
        return Integer.parseInt(volume.getFileName().toString().split("-")[0]);
    }
}
