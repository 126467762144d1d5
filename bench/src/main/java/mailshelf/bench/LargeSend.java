package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import mailshelf.store.Row;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** One issue to many people, in equal or personal copies, by the real server into a sink: time by step, heap. */
@Command(name = "send", description = "One issue to many people.")
final class LargeSend implements Callable<Integer> {
    @Option(names = "--people", defaultValue = "10000")
    int people;

    @Option(names = "--personal", description = "a copy for each, which differs in every figure")
    boolean personal;

    @Option(names = "--times", defaultValue = "3", description = "issues sent, the first of them cold")
    int times;

    @Option(names = "--java", defaultValue = "", description = "more options of the server's Java, such as a recording")
    String java;

    /** The moments of a run, as the tables hold them. */
    private record Moments(
            Instant booked, Instant made, Instant firstAccepted, Instant lastAccepted, Instant closed, long accepted) {
        static Moments of(Row row) {
            return new Moments(
                    row.instant("booked_at"),
                    row.instant("made_at"),
                    row.instant("first_at"),
                    row.instant("last_at"),
                    row.instant("closed_at"),
                    row.number("n"));
        }
    }

    @Override
    public Integer call() throws IOException {
        Path folder = Files.createTempDirectory("bench-send");
        Path collections = folder.resolve("gc.log");
        try (MailSink sink = new MailSink()) {
            House house = House.of(folder, people, sink.port());
            house.start("-Xmx512m -Xlog:gc:file=" + collections + " " + java);
            long subscription = personal
                    ? house.subscribe(
                            OwnCrossings.published(house, people, folder), OwnCrossings.PAGES, OwnCrossings.period())
                    : house.subscribe(1, List.of("overview"), "last-week");
            for (int i = 0; i < times; i++) {
                long run = house.send(subscription);
                house.awaitClosed(subscription, run);
            }
            house.stop();
            house.ask(tx -> tx.list("""
                                    SELECT r.booked_at, i.made_at, r.closed_at, MIN(a.at) AS first_at,
                                           MAX(a.at) AS last_at, COUNT(*) AS n
                                      FROM run r
                                      JOIN issue i ON i.run = r.id
                                      JOIN delivery d ON d.run = r.id
                                      JOIN attempt a ON a.delivery = d.id AND a.answer = 'ACCEPTED'
                                     WHERE r.subscription = ?
                                     GROUP BY r.id, r.booked_at, i.made_at, r.closed_at
                                     ORDER BY r.id""", Moments::of, subscription)).forEach(LargeSend::tell);
            System.out.printf("accepted by the sink: %d%n", sink.distinct());
        }
        System.out.println(Heap.greatest(collections));
        return 0;
    }

    private static void tell(Moments run) {
        System.out.printf(
                "booked to figures %d ms, to the first mail accepted %d ms, to the last %d ms, to closed %d ms;"
                        + " %d mails at %.0f a second%n",
                millis(run.booked(), run.made()),
                millis(run.booked(), run.firstAccepted()),
                millis(run.booked(), run.lastAccepted()),
                millis(run.booked(), run.closed()),
                run.accepted(),
                run.accepted() * 1000.0 / millis(run.firstAccepted(), run.lastAccepted()));
    }

    private static long millis(Instant from, Instant to) {
        return Duration.between(from, to).toMillis();
    }
}
