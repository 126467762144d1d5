package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Ends the server by SIGTERM in the middle of runs: how long that takes, and whether anybody got a mail twice. */
@Command(name = "stop", description = "Ends the server in good order in the middle of runs.")
final class StopInRun implements Callable<Integer> {
    @Option(names = "--people", defaultValue = "2000")
    int people;

    @Option(names = "--rounds", defaultValue = "5")
    int rounds;

    @Override
    public Integer call() throws IOException {
        int twice = 0;
        try (MailSink sink = new MailSink()) {
            House house = House.of(Files.createTempDirectory("bench-stop"), people, sink.port());
            house.start("-Xmx512m");
            long subscription = house.subscribe(1, List.of("overview"), "last-week");
            for (int round = 1; round <= rounds; round++) {
                long before = sink.distinct();
                long run = house.send(subscription);
                House.await(() -> sink.distinct() > before + people / 4);
                long start = System.nanoTime();
                house.stop();
                double seconds = (System.nanoTime() - start) / 1e9;
                long accepted = sink.distinct() - before;
                house.start("-Xmx512m");
                house.awaitClosed(subscription, run);
                for (JsonNode recipient : house.get("runs/" + run).get("recipients")) {
                    twice += sink.accepted(run, recipient.get("address").asString())
                                            .size()
                                    == 1
                            ? 0
                            : 1;
                }
                System.out.printf(
                        "ended %.1f s after SIGTERM with %d of %d mails accepted; %d not exactly once%n",
                        seconds, accepted, people, twice);
            }
            house.stop();
        }
        return twice == 0 ? 0 : 1;
    }
}
