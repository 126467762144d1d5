package mailshelf.bench;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Definition;
import mailshelf.core.report.DefinitionReader;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Window;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** A page of 12 blocks over many rows of 12 columns, on one thread. */
@Command(name = "evaluation", description = "A page of 12 blocks over many rows of 12 columns.")
final class PageEvaluation implements Callable<Integer> {
    private static final LocalDate LAST = LocalDate.parse("2026-11-22");
    private static final int DAYS = 730;
    private static final int VIEWERS = 1000;

    private static final String REPORT = """
            report: Tickets
            about: What was sold, where and by whom.
            data: tickets
            measures:
              sold: {title: Sold, count: rows}
              lost: {title: Cancelled, count: rows, where: {cancelled: "cancelled 1"}}
              amount: {title: Amount, sum: amount, decimals: 2}
              share: {title: Share cancelled, ratio: [lost, sold], unit: "%", decimals: 1}
              delay: {title: Mean delay, average: delay, decimals: 1}
            pages:
              - page: Overview
                id: overview
                blocks:
                  - {figure: sold, trend: 12 weeks}
                  - {figure: amount, trend: 12 weeks}
                  - {figure: share, trend: 12 weeks}
                  - {figure: delay, trend: 12 weeks}
                  - {chart: bars, title: "By cause", measure: lost, over: 26 weeks, split: cause}
                  - {chart: line, title: "Amount", measure: amount, over: 26 weeks}
                  - {chart: bars, title: "By route", measure: sold, by: route}
                  - {chart: bars, title: "By channel", measure: amount, by: channel}
                  - {chart: line, title: "Delay", measure: delay, over: 26 weeks}
                  - {table: route, title: By route, measures: [sold, lost, share, amount]}
                  - {table: vessel, title: By vessel, measures: [sold, share, delay]}
                  - {table: class, title: By class, measures: [sold, amount]}
            """;

    /** What has to keep values rather than add them up. */
    private static final String SPREAD = """
            report: Delays
            about: How late most were, how late the latest, and how many sorts there are.
            data: tickets
            measures:
              middle: {title: Median delay, median: delay, decimals: 1}
              late: {title: Nine of ten, percentile 90: delay, decimals: 1}
              amounts: {title: Different amounts, distinct: amount}
              causes: {title: Different causes, distinct: cause}
            pages:
              - page: Spread
                id: spread
                blocks:
                  - {figure: middle, trend: 12 weeks}
                  - {figure: late, trend: 12 weeks}
                  - {figure: amounts}
                  - {figure: causes}
                  - {chart: line, title: "Median delay", measure: middle, over: 26 weeks}
                  - {table: route, title: By route, measures: [middle, late, amounts, causes]}
            """;

    @Option(names = "--rows", defaultValue = "1000000")
    int rows;

    @Option(names = "--times", defaultValue = "50")
    int times;

    @Override
    public Integer call() {
        Table table = table(Tickets.COLUMNS);
        Definition definition = DefinitionReader.read(REPORT, Tickets.COLUMNS);
        // a week skips most rows by their date; a year is compared with the year before; the last is narrowed to half
        measure(table, definition, 7, List.of());
        measure(table, definition, DAYS / 2, List.of());
        measure(table, definition, DAYS, List.of());
        Definition spread = DefinitionReader.read(SPREAD, Tickets.COLUMNS);
        measure(table, spread, 7, List.of());
        measure(table, spread, DAYS / 2, List.of());
        measure(
                table,
                definition,
                DAYS / 2,
                List.of(Filter.anyOf("route", List.of("route 0", "route 1", "route 2", "route 3"))));
        slices(definition);
        return 0;
    }

    /** The page for each of many people, none of whom may see a row of another's. */
    private void slices(Definition definition) {
        List<Column> columns = Stream.concat(Tickets.COLUMNS.stream(), Stream.of(Column.text("seller")))
                .toList();
        Table table = table(columns);
        double whole = measure(table, definition, DAYS / 2, List.of());
        double all = Cpu.medianMillis(times / 5, 20, () -> {
            Slicing slicing = new Slicing(table, VIEWERS);
            for (int i = 0; i < VIEWERS; i++) {
                Allowed own = new Allowed("seller", List.of("seller " + i));
                Slice slice = slicing.of(new Viewer(new PersonId(i + 1), List.of(own)));
                Evaluation.page(definition, definition.pages().get(0), slice, question(DAYS / 2, List.of()));
            }
        });
        System.out.printf(
                "the same for each of %d people, his own rows alone: %.0f ms of CPU, as much as %.1f pages%n",
                VIEWERS, all, all / whole);
    }

    private static Evaluation.Question question(int days, List<Filter> filters) {
        Window window = new Window(LAST.minusDays(days - 1L), LAST);
        return new Evaluation.Question(
                "fixed",
                window,
                window,
                window.before(),
                DayOfWeek.MONDAY,
                filters,
                List.of(),
                new PageModel.Freshness(Optional.of(LAST), Instant.parse("2026-11-23T04:40:00Z"), 1));
    }

    private double measure(Table table, Definition definition, int days, List<Filter> filters) {
        Evaluation.Question question = question(days, filters);
        Slice slice = new Slicing(table).of(new Viewer(new PersonId(1), List.of()));
        double millis = Cpu.medianMillis(
                times, 20, () -> Evaluation.page(definition, definition.pages().get(0), slice, question));
        System.out.printf(
                "%s, %d blocks over %,d rows, a period of %d days, %d filters: %.1f ms of CPU%n",
                definition.title(), definition.pages().get(0).blocks().size(), rows, days, filters.size(), millis);
        return millis;
    }

    private Table table(List<Column> columns) {
        TableBuilder builder = new TableBuilder(columns, Optional.of("date"));
        Random random = new Random(1);
        for (int row = 0; row < rows; row++) {
            String day = LAST.minusDays(random.nextInt(DAYS)).toString();
            List<String> values = new ArrayList<>(List.of(day));
            Tickets.COLUMNS.subList(1, 7).forEach(column -> values.add(column.name() + " " + random.nextInt(8)));
            IntStream.range(0, 5).forEach(i -> values.add(random.nextInt(100) + "." + random.nextInt(100)));
            if (columns.size() > values.size()) {
                values.add("seller " + random.nextInt(VIEWERS));
            }
            builder.add(values);
        }
        return builder.build();
    }
}
