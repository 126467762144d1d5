package mailshelf.core.report;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.Viewer;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Period;

/** A small report over made-up sailings, for tests. */
public final class Ferries {
    public static final LocalDate TODAY = LocalDate.of(2026, 11, 25);
    public static final List<Column> COLUMNS = List.of(
            Column.date("date"),
            Column.text("route"),
            Column.text("cancelled"),
            Column.text("cause"),
            Column.number("passengers", 0),
            Column.number("fare", 2));
    public static final String YAML = """
            report: Cancelled sailings
            about: Which sailings did not go, and why.
            data: sailings
            tags: [traffic]
            filters: [route, cause]
            columns: {route: Route, date: Day, passengers: Passengers}
            measures:
              sailings: {title: Sailings, count: rows}
              cancelled: {title: Cancelled, count: rows, where: {cancelled: "yes"}, good: less}
              share: {title: Share, ratio: [cancelled, sailings], unit: "%", decimals: 1, good: less}
              passengers: {title: Passengers, sum: passengers, good: more}
              fare: {title: Mean fare, average: fare, unit: NOK, decimals: 2}
            pages:
              - page: Overview
                blocks:
                  - {figure: cancelled, trend: 12 weeks}
                  - {figure: share}
                  - {figure: fare}
                  - {chart: bars, title: "Cancelled sailings a week, by cause", measure: cancelled, over: 26 weeks, split: cause}
                  - {chart: line, title: Passengers, measure: passengers, over: 12 weeks}
                  - {table: route, title: By route, measures: [sailings, cancelled, share, change of cancelled]}
              - page: Every sailing
                blocks:
                  - {table: rows, title: Every cancelled sailing, columns: [date, route, cause, passengers], where: {cancelled: "yes"}}
            """;

    private static final List<String> ROUTES = List.of("1 Ness–Hovden", "2 Hovden–Skarv", "3 Sandvoll–Ness");
    private static final List<String> CAUSES = List.of("wind", "crew", "engine");

    private Ferries() {}

    public static Definition definition() {
        return DefinitionReader.read(YAML, COLUMNS);
    }

    /** Sailings of 300 days up to yesterday, the same for the same seed. */
    public static Table table(long seed) {
        Random random = new Random(seed);
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("date"));
        for (int day = 300; day > 0; day--) {
            for (String route : ROUTES) {
                boolean cancelled = random.nextInt(5) == 0;
                rows.add(List.of(
                        TODAY.minusDays(day).toString(),
                        route,
                        cancelled ? "yes" : "no",
                        cancelled ? CAUSES.get(random.nextInt(3)) : "",
                        cancelled ? "" : Integer.toString(random.nextInt(200)),
                        random.nextInt(50) + ".50"));
            }
        }
        return rows.build();
    }

    public static Evaluation.Question question(String periodCode, Table table, List<Filter> filters) {
        Period period = Period.parse(periodCode).orElseThrow();
        return Evaluation.Question.of(
                period,
                TODAY.atTime(7, 0).atZone(ZoneOffset.UTC),
                DayOfWeek.MONDAY,
                filters,
                new PageModel.Freshness(table.lastDay(), Instant.parse("2026-11-25T04:40:00Z"), 3));
    }

    /** As somebody sees it whom no row rule limits. */
    public static Slice all(Table table) {
        return new Slicing(table).of(new Viewer(new PersonId(1), List.of()));
    }

    public static PageModel page(int number, String period, List<Filter> filters) {
        Table table = table(7);
        Definition definition = definition();
        return Evaluation.page(
                definition, definition.pages().get(number - 1), all(table), question(period, table, filters));
    }
}
