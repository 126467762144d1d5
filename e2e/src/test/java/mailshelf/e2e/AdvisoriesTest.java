package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** {@code mailshelf advisories} and {@code notices} on the built program. */
class AdvisoriesTest {
    private static final String ADVISORY = """
            {"schema_version": "1.6.0", "id": "MADE-UP-%s", "modified": "2026-11-30T00:00:00Z", "summary": "A made-up fault",
             "affected": [{"package": {"ecosystem": "%s", "name": "%s"},
                           "ranges": [{"type": "ECOSYSTEM", "events": [{"introduced": "0"}]}]}]}
            """;

    @TempDir
    Path folder;

    private String said;

    private int run(String... arguments) throws IOException, InterruptedException {
        Path out = folder.resolve("out");
        Process process = RunningServer.launch(out, arguments);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        said = Files.readString(out);
        return process.exitValue();
    }

    private int advisories() throws IOException, InterruptedException {
        return run("advisories", folder.resolve("list").toString());
    }

    private void advisory(String no, String ecosystem, String library) throws IOException {
        Files.createDirectories(folder.resolve("list/2026"));
        Files.writeString(folder.resolve("list/2026/" + no + ".json"), ADVISORY.formatted(no, ecosystem, library));
    }

    @Test
    void what_ships_is_held_against_a_list_of_advisories() throws Exception {
        assertThat(advisories()).isEqualTo(2);
        assertThat(said).contains("There is no folder");

        advisory("1", "Maven", "org.example:not-ours");
        assertThat(advisories()).as(said).isZero();
        assertThat(said).matches("(?s)Looked up [1-9]\\d+ libraries in 1 advisories: no vulnerability is known.\\s*");

        advisory("2", "Maven", "com.h2database:h2");
        advisory("3", "npm", "react");
        assertThat(advisories()).as(said).isOne();
        assertThat(said)
                .containsPattern("com\\.h2database:h2 \\S+: MADE-UP-2 A made-up fault")
                .containsPattern("react \\S+: MADE-UP-3 A made-up fault");

        Files.writeString(folder.resolve("list/4.json"), "{");
        assertThat(advisories()).isEqualTo(2);
        assertThat(said).contains("4.json").contains("MADE-UP-3");
    }

    @Test
    void the_product_ships_without_what_the_demo_needs() throws Exception {
        assertThat(run("notices")).isZero();
        assertThat(said).contains("com.h2database:h2").contains("react").doesNotContain("subethasmtp");
    }
}
