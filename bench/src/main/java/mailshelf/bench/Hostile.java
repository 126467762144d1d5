package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Sends hostile requests while somebody works, and compares heap, how long that person waits, and all figures. */
@Command(
        name = "hostile",
        description = "Sends hostile requests while somebody reads; compares what they see and wait for.")
final class Hostile implements Callable<Integer> {
    private static final List<String> VIEWS = List.of(
            "shelf?scope=ALL&days=92",
            "subscriptions",
            "reports/1?period=last-week",
            "reports/2?period=last-4-weeks",
            "audit");

    @Option(names = "--minutes", defaultValue = "60", description = "how long (default ${DEFAULT-VALUE})")
    int minutes;

    @Option(names = "--senders", defaultValue = "2", description = "how many send at once (default ${DEFAULT-VALUE})")
    int senders;

    @Option(
            names = "--pause",
            defaultValue = "2000",
            description = "milliseconds between two rounds of a sender (default ${DEFAULT-VALUE})")
    long pause;

    private final AtomicBoolean over = new AtomicBoolean();
    private final Map<String, Integer> answered = new TreeMap<>();

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("hostile");
        Path collections = folder.resolve("gc.log");
        try (MailSink sink = new MailSink();
                House house = House.of(folder, 0, sink.port())) {
            house.start("-Xmx512m -Xlog:gc:file=" + collections);
            List<JsonNode> before = figures(house);
            tell("before", house, collections);
            List<Thread> threads = IntStream.range(0, senders)
                    .mapToObj(i -> new Thread(() -> send(new HostileRequests(house, i))))
                    .toList();
            threads.forEach(Thread::start);
            for (int minute = 1; minute <= minutes; minute++) {
                tell("minute " + minute, house, collections);
            }
            over.set(true);
            for (Thread thread : threads) {
                thread.join();
            }
            tell("after", house, collections);
            answered.forEach((what, times) -> System.out.printf("%6d  %s%n", times, what));
            boolean same = before.equals(figures(house));
            long faults = answered.entrySet().stream()
                    .filter(answer -> answer.getKey().startsWith("500"))
                    .mapToInt(Map.Entry::getValue)
                    .sum();
            System.out.printf("figures %s; %d faults of the server%n", same ? "as before" : "CHANGED", faults);
            return same && faults == 0 ? 0 : 1;
        }
    }

    private void send(HostileRequests requests) {
        while (!over.get()) {
            requests.round().forEach(this::count);
            House.pause(pause);
        }
    }

    private synchronized void count(String kind, int status) {
        answered.merge(status + " " + kind, 1, Integer::sum);
    }

    /** All reports' figures over all the data. */
    private static List<JsonNode> figures(House house) {
        return IntStream.rangeClosed(1, 8)
                .mapToObj(report -> house.get("reports/" + report + "?period=last-12-months")
                        .get("shown"))
                .toList();
    }

    /** What somebody waits for who asks for a view each second, for a minute; and the heap after the last collection. */
    private static void tell(String when, House house, Path collections) throws IOException {
        List<Long> millis = new ArrayList<>();
        long end = System.nanoTime() + 60_000_000_000L;
        for (int i = 0; System.nanoTime() < end; i++) {
            long begun = System.nanoTime();
            house.get(VIEWS.get(i % VIEWS.size()));
            long took = (System.nanoTime() - begun) / 1_000_000;
            millis.add(took);
            House.pause(Math.max(0, 1000 - took));
        }
        List<Long> sorted = millis.stream().sorted().toList();
        List<Heap> heap = Heap.all(collections);
        System.out.printf(
                "%s: median %d ms, slowest %d ms; heap after the last collection %d MB%n",
                when,
                sorted.get(sorted.size() / 2),
                sorted.get(sorted.size() - 1),
                heap.isEmpty() ? 0 : heap.get(heap.size() - 1).after());
    }
}
