package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two servers on one database in server mode and one archive; another demo's stand-in is their mail server. */
class TwoServersTest {
    private static final int CREW = 60;
    private static final String ADDRESS = "olga.vik@brinewater.example";
    private static final String PASSWORD = "a ferry leaves at nine";

    @Test
    void one_is_killed_in_a_run_and_the_other_finishes_it_without_doubling() throws Exception {
        Path data = DemoData.copy("shared");
        int smtpPort = RunningServer.freePort();
        try (RunningServer mailServer = RunningServer.at(
                Moments.START, DemoData.copy("shared-mails"), "--smtp-port", String.valueOf(smtpPort))) {
            Crew crew = prepared(data).receivingIn(mailServer);
            DemoData.turnIntoAnOrganisation(data);
            crew.treat(Api.as(mailServer, "Marit Lunde"), "SLOW");
            int port = RunningServer.freePort();
            Process database = database(data, port);
            try (RunningServer first = RunningServer.sharing(data, port, 1, smtpPort);
                    RunningServer second = RunningServer.sharing(data, port, 2, smtpPort)) {
                long run = crew.sendNow(Api.withPassword(first, ADDRESS, PASSWORD));
                Wait.until("some have it", () -> crew.arrived() > 4);
                first.kill();
                assertThat(crew.arrived()).isLessThan(CREW);

                crew.treat(Api.as(mailServer, "Marit Lunde"), "NONE");
                crew.assertWhole(Api.withPassword(second, ADDRESS, PASSWORD));
                assertThat(crew.newestRun(Api.withPassword(second, ADDRESS, PASSWORD)))
                        .isEqualTo(run);
            } finally {
                database.destroy();
            }
            assertThat(database.waitFor()).isNotZero(); // ended by the signal, its file closed in good order
            try (RunningServer alone = RunningServer.organisation(data, smtpPort)) {
                crew.assertWhole(Api.withPassword(alone, ADDRESS, PASSWORD));
            }
            assertThat(RunningServer.refusal(data.resolveSibling("demo-refused"), "demo", "--data", data.toString()))
                    .contains("is that of an organisation, and a demo would let anybody sign in to it");
        }
    }

    /** People, a subscription, and an administrator with a password, made while the demo has the data to itself. */
    private static Crew prepared(Path data) {
        try (RunningServer demo = RunningServer.at(Moments.START, data)) {
            Crew crew = Crew.hired(demo, CREW);
            Api sunniva = Api.as(demo, "Sunniva Rein");
            sunniva.post(
                    "people",
                    Map.of(
                            "name",
                            "Olga Vik",
                            "address",
                            ADDRESS,
                            "zone",
                            "Europe/Oslo",
                            "roles",
                            List.of("ADMINISTRATOR")));
            Invitations.accept(demo, ADDRESS, PASSWORD);
            return crew;
        }
    }

    private static Process database(Path data, int port) {
        Path out = data.resolveSibling("database.out");
        Process database =
                RunningServer.launch(out, "database", "--data", data.toString(), "--port", String.valueOf(port));
        Wait.until("the database answers", () -> RunningServer.read(out).contains("answers at"));
        return database;
    }
}
