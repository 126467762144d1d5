package mailshelf.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/**
 * Reports are published and data loaded while pages are read: each version of a report says its number in every title,
 * and each load says its own in every row, so that a page that mixes two of either tells on itself.
 */
@Command(name = "mingled", description = "Publishes and loads while pages are read; looks for pages of two versions.")
final class Mingled implements Callable<Integer> {
    private static final int ROWS = 20_000;
    private static final int BLOCKS = 6;

    @Option(names = "--minutes", defaultValue = "30", description = "how long (default ${DEFAULT-VALUE})")
    int minutes;

    @Option(names = "--readers", defaultValue = "4", description = "how many read at once (default ${DEFAULT-VALUE})")
    int readers;

    private final AtomicBoolean over = new AtomicBoolean();
    private final AtomicLong read = new AtomicLong();
    private final AtomicLong published = new AtomicLong(1);
    private final AtomicLong loaded = new AtomicLong(1);
    private final List<String> faults = new ArrayList<>();

    @Override
    public Integer call() throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("mingled");
        try (MailSink sink = new MailSink();
                House house = House.of(folder, 0, sink.port())) {
            house.start("-Xmx512m");
            long data = house.load(
                    Map.of(
                            "folder",
                            1,
                            "name",
                            "mingled",
                            "dateColumn",
                            "day",
                            "columns",
                            List.of(column("day", "DATE"), column("load", "NUMBER"))),
                    rows(folder, 1));
            long report = house.post("reports", Map.of("folder", 1, "yaml", yaml(1)))
                    .get("id")
                    .asLong();
            List<Thread> threads = new ArrayList<>();
            threads.add(running(() ->
                    house.put("reports/" + report + "/definition", Map.of("yaml", yaml(published.incrementAndGet())))));
            threads.add(running(() -> house.loadAnew(data, rows(folder, loaded.incrementAndGet()))));
            IntStream.range(0, readers).forEach(i -> threads.add(running(() -> look(house, report))));
            threads.forEach(Thread::start);
            House.pause(minutes * 60_000L);
            over.set(true);
            for (Thread thread : threads) {
                thread.join();
            }
        }
        System.out.printf(
                "%d minutes: %d versions published, %d loads of %d rows, %d pages read; %d faults%n",
                minutes, published.get(), loaded.get(), ROWS, read.get(), faults.size());
        faults.stream().limit(20).forEach(System.out::println);
        return faults.isEmpty() ? 0 : 1;
    }

    private static Map<String, Object> column(String name, String type) {
        return Map.of("name", name, "type", type, "decimals", 0);
    }

    /** Over and over, until the time is over; what fails is a fault. */
    private Thread running(Runnable once) {
        return new Thread(() -> {
            while (!over.get()) {
                try {
                    once.run();
                } catch (RuntimeException e) {
                    fault(e.getMessage());
                }
            }
        });
    }

    private synchronized void fault(String what) {
        faults.add(what);
    }

    private void look(House house, long report) {
        JsonNode page = house.get("reports/" + report + "?period=2026-01-01/2026-12-31")
                .get("shown")
                .get("page");
        List<String> versions = page.get("figures")
                .valueStream()
                .map(figure -> figure.get("title").asString())
                .map(title -> title.substring(title.indexOf(' ') + 1))
                .distinct()
                .toList();
        List<String> loads = page.get("figures")
                .valueStream()
                .map(figure -> figure.get("value").asString())
                .distinct()
                .toList();
        read.incrementAndGet();
        if (versions.size() != 1 || loads.size() != 1 || page.get("figures").size() != BLOCKS) {
            fault("versions " + versions + ", loads " + loads);
        }
    }

    /** Least and greatest in turn, which are the same in rows that are all of one load. */
    private static String yaml(long version) {
        String blocks = IntStream.range(0, BLOCKS)
                .mapToObj(i -> "      - {figure: " + (i % 2 == 0 ? "least" : "greatest") + ", title: Version " + version
                        + "}\n")
                .collect(Collectors.joining());
        return """
                report: Mingled
                about: Whether a page is of one version of everything.
                data: mingled
                measures:
                  least: {title: Least, least: load}
                  greatest: {title: Greatest, greatest: load}
                pages:
                  - page: One
                    blocks:
                """ + blocks;
    }

    private static Path rows(Path folder, long load) {
        try {
            Path file = folder.resolve("mingled.csv");
            StringBuilder csv = new StringBuilder("day,load\n");
            for (int row = 0; row < ROWS; row++) {
                csv.append("2026-0")
                        .append(1 + row % 9)
                        .append("-01,")
                        .append(load)
                        .append('\n');
            }
            return Files.writeString(file, csv);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
