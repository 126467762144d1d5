package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What {@code ./mailshelf} does when its server ends, with a script in place of the server that ends as it is told. */
class SupervisedTest {
    @TempDir
    Path folder;

    /** Each start leaves a line with its arguments in the file "starts". */
    private Process supervise(String end) throws IOException {
        Path server = folder.resolve("server");
        Files.writeString(server, "echo \"$*\" >>'" + folder + "/starts'\n" + end);
        return new ProcessBuilder(
                        "sh",
                        "-euc",
                        ". ../scripts/supervise.sh; supervise sh \"$@\"",
                        "sh",
                        server.toString(),
                        "--data",
                        "two words",
                        "--fresh")
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("said").toFile())
                .start();
    }

    private static int status(Process process) throws InterruptedException {
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).isTrue();
        return process.exitValue();
    }

    private List<String> starts() throws IOException {
        Path file = folder.resolve("starts");
        return Files.exists(file) ? Files.readAllLines(file) : List.of();
    }

    @Test
    void a_server_that_runs_out_of_memory_is_started_again_and_keeps_its_data() throws Exception {
        Process process = supervise("[ \"$(wc -l <'" + folder + "/starts')\" -gt 2 ] || exit 3\nexit 0");

        assertThat(status(process)).isZero();
        assertThat(starts()).containsExactly("--data two words --fresh", "--data two words", "--data two words");
        assertThat(folder.resolve("said")).content().contains("out of memory");
    }

    @Test
    void any_other_end_is_an_end() throws Exception {
        assertThat(status(supervise("exit 2"))).isEqualTo(2);
        assertThat(starts()).hasSize(1);
    }

    @Test
    void being_told_to_stop_stops_the_server_which_may_take_its_time() throws Exception {
        Path ready = folder.resolve("ready");
        Process process = supervise("trap 'sleep 1; exit 7' TERM\ntouch '" + ready + "'\nwhile :; do sleep 0.1; done");
        while (!Files.exists(ready)) {
            Thread.sleep(20);
        }

        process.destroy();

        assertThat(status(process)).isEqualTo(7);
        assertThat(starts()).hasSize(1);
    }

    /** The signal may come before the shell knows which process it has started. */
    @Test
    void being_told_to_stop_while_the_server_is_only_starting_leaves_none_behind() throws Exception {
        for (int i = 0; i < 30; i++) {
            Process process = supervise("trap 'exit 7' TERM\nkill -TERM $PPID\nwhile :; do sleep 0.1; done");
            assertThat(status(process)).isEqualTo(7);
        }
        assertThat(folder.resolve("said")).content().isEmpty();
    }
}
