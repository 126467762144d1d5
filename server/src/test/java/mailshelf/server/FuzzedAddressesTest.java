package mailshelf.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.Viewer;
import mailshelf.core.expression.BadExpression;
import mailshelf.core.expression.Expression;
import mailshelf.core.expression.Given;
import mailshelf.core.named.References;
import mailshelf.core.report.Definition;
import mailshelf.core.report.DefinitionReader;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Period;
import mailshelf.core.wording.Words;
import mailshelf.server.library.Filters;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Whatever stands in an address, or is written as an expression, gives a page or is refused in words. */
@Timeout(300)
class FuzzedAddressesTest {
    private static final int TRIES = 10_000;
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 26);

    private static final List<Column> COLUMNS = List.of(
            Column.date("day"),
            Column.text("route"),
            Column.number("delay", 1),
            Column.time("seen", ZoneId.of("Europe/Oslo")));

    private static final String REPORT = """
            report: Delays
            about: How late boats were.
            data: delays
            questions:
              - {name: bound, ask: "How late is late?", answer: number, default: 10}
              - {name: from, ask: "Since when?", answer: day, default: 2026-11-01}
            compute: {late: 'if delay > bound then "yes" else "no"', age: day - from}
            filters: [route, late]
            rows: [day, route, delay]
            measures:
              all: {title: Sailings, count: rows}
              mean: {title: Mean, average: delay, decimals: 1}
            pages:
              - page: Overview
                blocks:
                  - {figure: all, trend: 4 weeks, against: year ago}
                  - {chart: bars, title: A, measure: mean, over: 8 weeks, split: route}
                  - {table: route, title: B, measures: [all, change of mean], sort: all, top: 3}
                  - {table: rows, title: C, columns: [day, route, delay]}
            """;

    private static final List<String> PARAMETERS = List.of(
            "filter=route:1 Ness",
            "filter=day:2026-11-20",
            "filter=delay:7.5",
            "except=late:yes",
            "contains=route:hov",
            "between=delay:5..10.5",
            "between=day:2026-11-01..2026-11-20",
            "between=delay:{late}..",
            "between=seen:2026-11-20..2026-11-21T07:00",
            "filter=seen:2026-11-20T07:30",
            "top=route:2..all",
            "empty=route",
            "filled=delay",
            "answer=bound:7",
            "answer=from:2026-10-01",
            "filter=route:{mine}");

    private static final List<String> PERIODS = List.of(
            "last-week",
            "last-4-weeks-with-this",
            "past-12-months",
            "whole-quarter",
            "since-last-issue",
            "last-24-hours",
            "last-90-hours-with-this",
            "last-week@04:30",
            "2026-11-01T06:00/2026-11-20T18:00",
            "since-last-issue/2026-11-20",
            "2026-11-01/2026-11-20",
            "last-999-years",
            "-999999999-01-01/-999999999-01-02",
            "+999999999-12-30/+999999999-12-31",
            "-999999999-01-01/+999999999-12-31");

    private static final List<String> EXPRESSIONS = List.of(
            "delay * 2 - 1 / 3",
            "if delay > 10 and not (route is missing) then \"late\" else \"on time\"",
            "left(upper(route), 3) & \" \" & text(day)",
            "first(delay, min(1, 2.5), round(delay, 1))",
            "day + 7 - weekday(day)",
            "if hour(seen + 90) < 12 then date(seen) - day else seen - 2026-11-20T04:00",
            "route in (\"a\", 'b') or contains(lower(route), \"ø\")");

    private static final Definition DEFINITION = DefinitionReader.read(REPORT, COLUMNS);
    private static final Table ROWS = rows();

    private static Table rows() {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("seen"));
        for (int i = 60; i > 0; i--) {
            rows.add(List.of(
                    TODAY.minusDays(i).toString(),
                    List.of("1 Ness", "2 Hovden", "").get(i % 3),
                    i % 5 == 0 ? "" : i + ".5",
                    TODAY.minusDays(i).atTime(i % 24, 30).toString()));
        }
        return rows.build();
    }

    @Test
    void any_address_gives_a_page_that_its_own_address_gives_again_or_is_refused() {
        Random random = new Random(20261128);
        int shown = 0;
        for (int i = 0; i < TRIES; i++) {
            List<String> address = address(random);
            String code = mutated(PERIODS.get(random.nextInt(PERIODS.size())), random, 3);
            try {
                Period period = Period.parse(code).orElseThrow(() -> Problem.invalid("report.bad-period", code));
                List<Filter> filters = filters(address);
                assertThat(filters(List.of(Filters.query(filters)
                                .substring(filters.isEmpty() ? 0 : 1)
                                .split("&"))))
                        .containsExactlyInAnyOrderElementsOf(filters);
                show(period, References.resolved(filters, name -> Optional.empty()));
                shown++;
            } catch (Problem e) {
                assertThat(e.code()).matches("(report|named)\\.[a-z-]+");
            }
        }
        assertThat(shown).isBetween(TRIES / 10, TRIES);
    }

    private static List<String> address(Random random) {
        List<String> address = new ArrayList<>();
        for (int i = random.nextInt(4); i > 0; i--) {
            address.add(mutated(PARAMETERS.get(random.nextInt(PARAMETERS.size())), random, 4));
        }
        return address;
    }

    private static List<Filter> filters(List<String> address) {
        Map<String, List<String>> parameters = new HashMap<>();
        for (String each : address) {
            int is = each.indexOf('=');
            if (is >= 0) {
                parameters
                        .computeIfAbsent(each.substring(0, is), added -> new ArrayList<>())
                        .add(decoded(each.substring(is + 1)));
            }
        }
        Map<String, String[]> all = new HashMap<>();
        parameters.forEach((name, values) -> all.put(name, values.toArray(String[]::new)));
        return Filters.parse(all, DEFINITION);
    }

    private static String decoded(String value) {
        try {
            return URLDecoder.decode(value, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return value; // as it is, where it is not encoded
        }
    }

    private static void show(Period period, List<Filter> filters) {
        if (!DEFINITION.unanswered(filters).isEmpty()) {
            throw Problem.invalid("report.unanswered", "");
        }
        Definition answered = DEFINITION.answered(filters);
        PageModel.Freshness freshness =
                new PageModel.Freshness(ROWS.lastDay(), Instant.parse("2026-11-25T04:40:00Z"), 3);
        Evaluation.Question question = Evaluation.Question.of(
                period, TODAY.atTime(7, 0).atZone(ZoneOffset.UTC), DayOfWeek.MONDAY, filters, freshness);
        PageModel page = Evaluation.page(
                answered,
                answered.pages().get(0),
                new Slicing(ROWS).of(new Viewer(new PersonId(1), List.of())),
                question);
        assertThat(page.blocks()).hasSize(4);
        assertThat(Writing.page(page, Words.in(Locale.ENGLISH), ZoneId.of("Europe/Oslo"))
                        .tables())
                .hasSize(2);
    }

    @Test
    void any_expression_is_read_or_refused_at_a_place_in_it() {
        Random random = new Random(20261129);
        int read = 0;
        for (int i = 0; i < TRIES; i++) {
            String text = mutated(EXPRESSIONS.get(random.nextInt(EXPRESSIONS.size())), random, 2);
            try {
                Expression expression =
                        Expression.read(text, COLUMNS, Map.of("today", new Given(ColumnType.DATE, TODAY.toString())));
                Table with = ROWS.with(List.of(expression.column("it")));
                for (int row = 0; row < with.rows(); row++) {
                    assertThat(with.raw("it", row)).isNotNull();
                }
                read++;
            } catch (BadExpression e) {
                assertThat(e.getMessage()).isNotBlank();
                assertThat(e.position()).isBetween(0, text.length());
            }
        }
        assertThat(read).isBetween(TRIES / 10, TRIES);
    }

    /** The same now and then; else with some characters changed, removed, doubled or put in. */
    private static String mutated(String text, Random random, int oneIn) {
        StringBuilder made = new StringBuilder(text);
        for (int i = random.nextInt(oneIn) == 0 ? 1 + random.nextInt(4) : 0; i > 0 && made.length() > 1; i--) {
            int at = random.nextInt(made.length());
            switch (random.nextInt(4)) {
                case 0 ->
                    made.setCharAt(
                            at, (char) (random.nextInt(10) == 0 ? random.nextInt(65_536) : 32 + random.nextInt(95)));
                case 1 -> made.delete(at, Math.min(made.length(), at + 1 + random.nextInt(4)));
                case 2 ->
                    made.insert(
                            at,
                            List.of("..", "{", "}", ":", "-", "9", "99999999999999999999", "+9")
                                    .get(random.nextInt(8)));
                default -> made.insert(at, made.substring(at, Math.min(made.length(), at + 6)));
            }
        }
        return made.toString();
    }
}
