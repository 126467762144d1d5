package mailshelf.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import mailshelf.core.data.Column;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** A reader's requests to a running server: a page over many rows, down to the rows, and the search over many reports. */
@Command(name = "read", description = "A page over many rows, its rows sorted, and the search over many reports.")
final class Reading implements Callable<Integer> {
    private static final String REPORT = """
            report: Tickets sold %d
            about: What was sold on which route and in which class, number %d.
            data: tickets
            tags: [sales, t%d]
            filters: [route, vessel, class]
            measures:
              sold: {title: Sold, count: rows}
              amount: {title: Amount, sum: amount, unit: NOK, decimals: 2}
              mean: {title: Mean, average: amount, decimals: 2}
            pages:
              - page: Sales
                id: sales
                blocks:
                  - {figure: sold, trend: 12 weeks}
                  - {figure: amount, trend: 12 weeks}
                  - {figure: mean}
                  - {chart: bars, title: Sold, measure: sold, over: 26 weeks, split: class}
                  - {chart: line, title: Amount, measure: amount, over: 12 months}
                  - {table: route, title: By route, measures: [sold, amount, change of amount, share of amount]}
                  - {table: rows, id: all, title: Every ticket, columns: [date, route, vessel, amount]}
            """;

    @Option(names = "--rows", defaultValue = "1000000")
    int rows;

    @Option(names = "--reports", defaultValue = "5000")
    int reports;

    @Option(names = "--times", defaultValue = "15")
    int times;

    @Override
    public Integer call() throws IOException {
        Path folder = Files.createTempDirectory("bench-read");
        Path csv = folder.resolve("tickets.csv");
        Tickets.write(csv, rows);
        House house = House.of(folder, 1, 1);
        house.start("-Xmx1g");
        house.load(dataSet(), csv);
        long report = publish(house, 0);
        for (int i = 1; i < reports; i++) {
            publish(house, i);
        }
        house.stop();
        long begun = System.nanoTime();
        house.start("-Xmx1g");
        long answering = System.nanoTime();
        String year = "reports/" + report + "?period=2025-12-01/2026-11-22";
        house.get(year);
        System.out.printf(
                "after a start: answers after %d ms, the first page %d ms later%n",
                (answering - begun) / 1_000_000, (System.nanoTime() - answering) / 1_000_000);
        tell(house, "a page, a year", year);
        tell(house, "narrowed to the 3 with the most", year + "&top=route:3..amount&except=class:class%201");
        String every = year.replace("?", "/rows?") + "&block=all";
        tell(house, "rows, the first 200", every);
        tell(house, "rows, from the middle", every + "&from=250000");
        first(house, "rows, sorted by a number", every + "&sort=amount&descending=true");
        first(house, "rows, sorted by a text", every + "&sort=vessel");
        tell(house, "rows, sorted, the next 200", every + "&sort=amount&descending=true&from=200");
        tell(house, "what a column offers", "reports/" + report + "/values?column=vessel&" + year.split("\\?")[1]);
        first(house, "search of " + reports + " reports, the first time", "library/hits?words=tick");
        tell(house, "search: tick", "library/hits?words=tick");
        tell(house, "search: sold 4711", "library/hits?words=sold%204711");
        tell(house, "the library, 60 entries", "library");
        house.stop();
        return 0;
    }

    private static Map<String, Object> dataSet() {
        List<Map<String, Object>> columns =
                Tickets.COLUMNS.stream().map(Reading::column).toList();
        return Map.of("folder", 1, "name", "tickets", "dateColumn", "date", "columns", columns);
    }

    private static Map<String, Object> column(Column column) {
        return Map.of("name", column.name(), "type", column.type().name(), "decimals", column.decimals());
    }

    private static long publish(House house, int number) {
        String yaml = REPORT.formatted(number, number, number);
        return house.post("reports", Map.of("folder", 1, "yaml", yaml))
                .get("id")
                .asLong();
    }

    private void tell(House house, String what, String path) {
        long[] taken = new long[times];
        for (int i = 0; i < times; i++) {
            taken[i] = millis(house, path);
        }
        Arrays.sort(taken);
        System.out.printf("%-40s median %4d ms, slowest %4d ms%n", what, taken[times / 2], taken[times - 1]);
    }

    private static void first(House house, String what, String path) {
        System.out.printf("%-40s once   %4d ms%n", what, millis(house, path));
    }

    private static long millis(House house, String path) {
        long begun = System.nanoTime();
        house.get(path);
        return (System.nanoTime() - begun) / 1_000_000;
    }
}
