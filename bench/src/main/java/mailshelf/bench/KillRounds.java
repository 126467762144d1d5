package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/**
 * Kills the server at a random moment of a run, again and again on the same data, and compares what it has on record
 * with what the mail server accepted.
 */
@Command(name = "kills", description = "Kills the server at random moments of runs.")
final class KillRounds implements Callable<Integer> {
    private static final String LOST_ANSWER = "the answer was lost; sent again with the same Message-ID";

    @Option(names = "--rounds", defaultValue = "200")
    int rounds;

    @Option(names = "--people", defaultValue = "200")
    int people;

    @Option(names = "--seed", defaultValue = "20261123")
    long seed;

    private int resent;
    private int killedOpen;
    private final List<String> faults = new ArrayList<>();

    @Override
    public Integer call() throws IOException {
        Path folder = Files.createTempDirectory("bench-kills");
        Random random = new Random(seed);
        try (MailSink sink = new MailSink()) {
            House house = House.of(folder, people, sink.port());
            house.start("-Xmx512m");
            long subscription = house.subscribe(1, List.of("overview"), "last-week");
            long longest = timed(house, subscription);
            for (int round = 1; round <= rounds; round++) {
                long run = house.send(subscription);
                House.pause(random.nextLong(longest));
                house.kill();
                house.start("-Xmx512m");
                killedOpen += house.get("runs/" + run).get("state").asString().equals("CLOSED") ? 0 : 1;
                house.awaitClosed(subscription, run);
                check(round, house.get("runs/" + run), sink);
                if (round % 10 == 0 || round == rounds) {
                    tell(round, house);
                }
            }
            checkNumbers(house, subscription);
            house.stop();
            checkArchive(house);
        }
        faults.forEach(System.out::println);
        return faults.isEmpty() ? 0 : 1;
    }

    /** How long a run takes that nobody disturbs, in ms: kills fall within that. */
    private static long timed(House house, long subscription) {
        house.awaitClosed(subscription, house.send(subscription));
        long start = System.nanoTime();
        house.awaitClosed(subscription, house.send(subscription));
        return (System.nanoTime() - start) / 1_000_000;
    }

    private void tell(int round, House house) throws IOException {
        System.out.printf(
                "%d rounds: %d killed before the run was closed, %d mails sent again after a lost answer, "
                        + "%d faults; the database has %.0f MB%n",
                round, killedOpen, resent, faults.size(), house.databaseMegabytes());
    }

    private void check(int round, JsonNode run, MailSink sink) {
        JsonNode recipients = run.get("recipients");
        if (recipients.size() != people) {
            faults.add("round " + round + ": " + recipients.size() + " recipients");
        }
        for (JsonNode recipient : recipients) {
            String address = recipient.get("address").asString();
            List<String> mails = sink.accepted(run.get("id").asLong(), address);
            boolean same = mails.stream().distinct().count() == 1;
            boolean told = recipient
                    .get("tries")
                    .valueStream()
                    .anyMatch(attempt -> attempt.get("words").asString().equals(LOST_ANSWER));
            resent += told ? 1 : 0;
            boolean accepted = recipient.get("words").asString().equals("accepted");
            if (!accepted || !same || mails.size() > 1 && !told) {
                faults.add("round " + round + ", " + address + ": on record "
                        + recipient.get("words").asString() + ", accepted by the mail server: " + mails);
            }
        }
    }

    private void checkNumbers(House house, long subscription) {
        int issues = rounds + 2;
        int newest = house.get("subscriptions/" + subscription)
                .get("runs")
                .get(0)
                .get("number")
                .asInt();
        if (newest != issues) {
            faults.add("the newest number is " + newest + " after " + issues + " issues");
        }
    }

    private void checkArchive(House house) throws IOException {
        Process verify = new ProcessBuilder(
                        "../mailshelf", "verify", house.archive().toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(verify.getInputStream().readAllBytes());
        System.out.println(said.strip());
        if (!said.contains("no fault found")) {
            faults.add(said);
        }
    }
}
