package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/** The process dies behind every arrow from due to delivered, one after the other, and at random moments of a run. */
@Execution(ExecutionMode.CONCURRENT)
class KilledTest {
    private static final int CREW = 20;
    private static final int MANY = 200;
    private static final long SEED = 20_261_123;
    private static final int DIED = 137;
    private static final Pattern CHOICES = Pattern.compile("one of \\[([A-Z_, ]+)]");

    @Test
    void nobody_is_forgotten_nothing_is_doubled_and_the_archive_stays_whole() throws Exception {
        Path data = DemoData.copy("killed");
        List<String> arrows = arrows(data.resolveSibling("arrows"));
        try (RunningServer server = RunningServer.at(Moments.START, data)) {
            Crew crew = Crew.hired(server, CREW);
            // or the process would die for another subscription that falls due on the way
            crew.almostFallDue(Api.as(server, "Marit Lunde"));
            server.stop();
            server.start("--die-behind", arrows.get(0));
            crew.fallDue(Api.as(server, "Marit Lunde"));
            assertThat(server.awaitEnd()).as(arrows.get(0)).isEqualTo(DIED);
            for (String arrow : arrows.subList(1, arrows.size())) {
                server.begin("--die-behind", arrow);
                assertThat(server.awaitEnd()).as(arrow).isEqualTo(DIED);
            }
            server.start();
            crew.assertWhole(Api.as(server, "Marit Lunde"));
        }
    }

    @Test
    void killed_five_times_at_random_in_a_run_of_two_hundred_nothing_is_lost_or_doubled() {
        try (RunningServer server = RunningServer.at(Moments.START, DemoData.copy("killed-at-random"))) {
            Crew crew = Crew.hired(server, MANY);
            crew.fallDue(Api.as(server, "Marit Lunde"));
            for (int mails : moments()) {
                Wait.until(mails + " mails have arrived", () -> crew.arrived() >= mails);
                server.kill();
                server.start();
            }
            crew.assertWhole(Api.as(server, "Marit Lunde"));
        }
    }

    @Test
    void an_ordered_stop_in_a_run_leaves_nothing_in_doubt() {
        try (RunningServer server = RunningServer.at(Moments.START, DemoData.copy("stopped"))) {
            Crew crew = Crew.hired(server, CREW);
            Api marit = Api.as(server, "Marit Lunde");
            crew.treat(marit, "SLOW");
            crew.fallDue(marit);
            Wait.until("some have it", () -> crew.arrived() > 2);
            server.stop();
            assertThat(crew.arrived()).isLessThan(CREW);

            server.start();
            Api again = Api.as(server, "Marit Lunde");
            crew.treat(again, "NONE");
            crew.assertWhole(again);
            assertThat(crew.arrived()).isEqualTo(CREW);
        }
    }

    /** After how many mails the process is killed, in order. */
    private static int[] moments() {
        return new Random(SEED).ints(5, 1, MANY - 20).sorted().toArray();
    }

    /** All that there are, as the command line knows them. */
    private static List<String> arrows(Path out) throws InterruptedException {
        RunningServer.launch(out, "demo", "--die-behind", "?").waitFor();
        Matcher choices = CHOICES.matcher(RunningServer.read(out));
        assertThat(choices.find()).isTrue();
        return List.of(choices.group(1).split(", "));
    }
}
