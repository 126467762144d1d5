package mailshelf.bench;

import java.io.IOException;
import java.io.Writer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;

/**
 * A report whose every figure is another one for each of many people: each may see his own hundred rows, by a mapping
 * table. Two pages, each with four figures and their trends, two charts of 3 x 26 points, and a table of 40 rows and 6
 * columns.
 */
final class OwnCrossings {
    static final List<String> PAGES = List.of("one", "two");

    private static final int ROWS_EACH = 100;
    private static final int DAYS = 182;
    private static final String PAGE = """
              - page: Crossings, part %1$s
                id: %1$s
                blocks:
                  - {figure: crossings, trend: 12 weeks}
                  - {figure: passengers, trend: 12 weeks}
                  - {figure: amount, trend: 12 weeks}
                  - {figure: average, trend: 12 weeks}
                  - {chart: bars, title: Passengers a week, measure: passengers, over: 26 weeks, split: class}
                  - {chart: line, title: Amount a week, measure: amount, over: 26 weeks, split: class}
                  - {table: route, title: By route, measures: [crossings, passengers, amount, average, change of amount]}
            """;
    private static final String REPORT = """
            report: Own crossings
            about: What each sold himself.
            data: crossings
            measures:
              crossings: {title: Crossings, count: rows}
              passengers: {title: Passengers, sum: passengers}
              amount: {title: Amount, sum: amount, unit: kr, decimals: 2}
              average: {title: Average, average: amount, unit: kr, decimals: 2}
            pages:
            """ + PAGE.formatted("one") + PAGE.formatted("two");

    private OwnCrossings() {}

    /** The half-year that the rows lie in. */
    static String period() {
        return today().minusDays(DAYS) + "/" + today();
    }

    private static LocalDate today() {
        return LocalDate.ofEpochDay(System.currentTimeMillis() / 86_400_000L);
    }

    /** Loads the rows and who may see which, and publishes the report; its id. */
    static long published(House house, int people, Path folder) throws IOException {
        long crossings = house.load(
                dataSet(
                        "crossings",
                        "day DATE",
                        "seller TEXT",
                        "route TEXT",
                        "class TEXT",
                        "passengers NUMBER",
                        "amount NUMBER"),
                rows(people, folder.resolve("crossings.csv")));
        long sellers = house.load(
                dataSet("sellers", "who TEXT", "seller TEXT"), sellers(people, folder.resolve("sellers.csv")));
        house.put(
                "data-sets/" + crossings + "/row-rules",
                Map.of(
                        "ownerView",
                        true,
                        "rules",
                        List.of(Map.of("column", "seller", "mapping", sellers, "who", "who", "values", "seller"))));
        return house.post("reports", Map.of("folder", 1, "yaml", REPORT))
                .get("id")
                .asLong();
    }

    private static Map<String, Object> dataSet(String name, String... columns) {
        List<Map<String, Object>> all = Stream.of(columns)
                .map(column -> column.split(" "))
                .map(column -> Map.<String, Object>of(
                        "name", column[0], "type", column[1], "decimals", column[0].equals("amount") ? 2 : 0))
                .toList();
        return columns[0].endsWith("DATE")
                ? Map.of("folder", 1, "name", name, "columns", all, "dateColumn", "day")
                : Map.of("folder", 1, "name", name, "columns", all);
    }

    /** In the last 26 weeks, on 40 routes. */
    private static Path rows(int people, Path csv) throws IOException {
        Random random = new Random(1);
        try (Writer out = Files.newBufferedWriter(csv)) {
            out.write("day,seller,route,class,passengers,amount\n");
            for (int i = 0; i < people * ROWS_EACH; i++) {
                out.write("%s,seller %d,route %d,class %d,%d,%d.%02d%n"
                        .formatted(
                                today().minusDays(random.nextInt(DAYS)),
                                i % people,
                                random.nextInt(40),
                                random.nextInt(3),
                                random.nextInt(200),
                                random.nextInt(900),
                                random.nextInt(100)));
            }
        }
        return csv;
    }

    private static Path sellers(int people, Path csv) throws IOException {
        try (Writer out = Files.newBufferedWriter(csv)) {
            out.write("who,seller\n");
            for (int i = 0; i < people; i++) {
                out.write("crew%d@brinewater.example,seller %d%n".formatted(i, i));
            }
        }
        return csv;
    }
}
