package mailshelf.core.expression;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Computed;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExpressionTest {
    private static final List<Column> COLUMNS = List.of(
            Column.date("day"),
            Column.text("route"),
            Column.text("on time"),
            Column.number("seats", 0),
            Column.number("fare", 2),
            Column.time("left", ZoneOffset.UTC));

    /** The first row has all values, the second has none but its day. */
    private static final Table TABLE = table(
            List.of("2026-11-25", "3 Sandvoll–Ness", "yes", "40", "12.50", "2026-11-25T07:05:30"),
            List.of("2026-01-01", "", "", "", "", ""));

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', emptyValue = "-", textBlock = """
            seats + 2                                         | 42        | -
            seats * fare                                      | 500.00    | -
            seats * -1.5                                      | -60.0     | -
            fare / seats                                      | 0.312500  | -
            fare / 0                                          | -         | -
            2 + 3 * 4 - (1 + 1)                               | 12        | 12
            round(fare / 3, 1)                                | 4.2       | -
            round(-2.5, 0)                                    | -3        | -3
            abs(10 - seats)                                   | 30        | -
            999999999999999999 * 1000                         | -         | -
            min(seats, 12, 100)                               | 12        | -
            max(seats, 12)                                    | 40        | -
            first(seats, 0)                                   | 40        | 0
            number("12.345", 2)                               | 12.35     | 12.35
            number(route, 0)                                  | -         | -
            length(route)                                     | 15        | 0
            day + 7                                           | 2026-12-02 | 2026-01-08
            day - 2026-01-01                                  | 328       | 0
            year(day) * 100 + month(day)                      | 202611    | 202601
            quarter(day)                                      | 4         | 1
            week(day)                                         | 48        | 1
            weekday(day)                                      | 3         | 4
            day(day)                                          | 25        | 1
            left(route, 1)                                    | 3         | -
            right(route, 4)                                   | Ness      | -
            left(route, 99)                                   | 3 Sandvoll–Ness | -
            upper(right(route, 4)) & "!"                      | NESS!     | !
            route & ", " & seats & " seats on " & day         | 3 Sandvoll–Ness, 40 seats on 2026-11-25 | , ` seats on 2026-01-01`
            text(fare)                                        | 12.50     | -
            [on time] = 'yes'                                 | yes       | -
            not [on time] = "yes"                             | no        | -
            seats > 39.5 and fare <= 12.5                     | yes       | -
            seats > 100 or route is missing                   | no        | yes
            seats is not missing                              | yes       | no
            seats > 100 and fare > 1                          | no        | -
            seats > 0 or 1 = 1                                | yes       | yes
            route in ("1 Ness–Hovden", "3 Sandvoll–Ness")     | yes       | -
            contains(lower(route), "sand") and starts(route, "3") and ends(route, "Ness") | yes | -
            day >= 2026-11-01                                 | yes       | no
            if seats > 30 then "large" else "small"           | large     | small
            if seats is missing then 0 else seats / 8         | 5.000000  | 0.000000
            if fare < 10 then 1 else if fare < 20 then 2.5 else 3 | 2.5   | 3.0
            hour(left) * 100 + minute(left)                   | 705       | -
            date(left) - day                                  | 0         | -
            weekday(left)                                     | 3         | -
            left - 2026-11-24T23:00                           | 485       | -
            left + 55                                         | 2026-11-25T08:00:30 | -
            max(left, 2026-11-25T12:00)                       | 2026-11-25T12:00    | -
            first(left, 2026-01-01T04:00)                     | 2026-11-25T07:05:30 | 2026-01-01T04:00
            left > 2026-11-25T07:05                           | yes       | -
            "at " & left                                      | at 2026-11-25T07:05:30 | `at `
            if route is missing then day else 2000-01-01      | 2000-01-01 | 2026-01-01
            """)
    void comes_to(String text, String full, String empty) throws BadExpression {
        assertThat(values(text)).containsExactly(unless(full), unless(empty));
    }

    private static String unless(String dash) {
        return dash.equals("-") ? "" : dash.replace("` seats", " seats").replace("`", "");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            seats +                          | 7  | something is missing at the end
            seats + route                    | 6  | a number + a text makes no sense; texts are joined by &
            seat + 1                         | 0  | no column "seat"; there are day, route, on time, seats, fare, left
            seats ? 1                        | 6  | this cannot be read
            "open                            | 0  | this text has no closing "
            seats > 1 and route = 'open      | 22 | this text has no closing '
            [seats                           | 0  | this bracket is not closed
            route == "x"                     | 6  | write = instead of ==
            route != "x"                     | 6  | write <> instead of !=
            seats > 1 && seats < 3           | 10 | write and instead of &&
            `seats > 1 || seats < 3`         | 10 | `write or instead of ||`
            1,19                             | 1  | expected the end, not ","; decimals are written with a point, as in 1.19
            seats > "10"                     | 6  | a number cannot be compared with a text
            if seats then 1 else 2           | 3  | expected a condition, and this is a number
            if seats > 1 then 1              | 19 | expected "else", not the end
            if seats > 1 then 1 else "x"     | 25 | "else" gives a text, and "then" at character 19 a number
            rond(fare, 1)                    | 0  | no function "rond"; there are
            round(fare)                      | 0  | round() takes a number and how many decimals, 0 to 9, not (a number)
            round(fare, seats)               | 0  | round() takes
            2026-02-30                       | 0  | "2026-02-30" is no day of the calendar
            (seats + 1                       | 10 | expected ")", not the end
            seats seats                      | 6  | expected the end, not "seats"
            left > day                       | 5  | a time cannot be compared with a day
            2026-02-01T25:00                 | 0  | "2026-02-01T25:00" is no day of the calendar
            not seats                        | 4  | expected a condition, and this is a number
            1234567890123456789              | 0  | a number has at most 18 digits
            else                             | 0  | expected a value, not "else"
            """)
    void is_refused_with_its_place(String text, int position, String message) {
        BadExpression bad = catchThrowableOfType(BadExpression.class, () -> Expression.read(text, COLUMNS, Map.of()));

        assertThat(bad).isNotNull();
        assertThat(bad.position()).isEqualTo(position);
        assertThat(bad).hasMessageContaining(message);
    }

    @Test
    void deep_and_long_ones_are_refused_or_computed_but_never_exhaust_the_stack() throws BadExpression {
        assertThat(values("1" + "+1".repeat(900))).contains("901");
        BadExpression deep = catchThrowableOfType(
                BadExpression.class, () -> Expression.read("(".repeat(900) + "1" + ")".repeat(900), COLUMNS, Map.of()));
        assertThat(deep).hasMessageContaining("nested more than");
        assertThat(catchThrowableOfType(
                        BadExpression.class, () -> Expression.read("not ".repeat(400) + "1 = 1", COLUMNS, Map.of())))
                .hasMessageContaining("nested more than");
    }

    @Test
    void texts_that_are_joined_to_more_than_a_cell_holds_are_refused() throws BadExpression {
        String half = "x".repeat(Column.LONGEST_TEXT / 2);
        Table rows = table(List.of("2026-11-25", half, "y", "1", "1.00", ""));

        assertThat(value("route & route", rows)).hasSize(half.length() * 2);
        Problem refused = catchThrowableOfType(Problem.class, () -> value("route & route & [on time] & \"z\"", rows));
        assertThat(refused.code()).isEqualTo("report.text-too-long");
    }

    @Property(tries = 20_000, seed = "20261126")
    void whatever_is_written_is_computed_or_refused_at_a_place_in_it(@ForAll long seed) {
        String text = anything(new Random(seed));
        try {
            values(text);
        } catch (BadExpression e) {
            assertThat(e.position()).isBetween(0, text.length());
            assertThat(e.getMessage()).isNotBlank();
        }
    }

    /** Words of the language in any order, so that many get far. */
    private static String anything(Random random) {
        List<String> words = List.of(
                "seats",
                "fare",
                "route",
                "day",
                "left",
                "2026-11-25T04:00",
                "hour",
                "[on time]",
                "1",
                "0",
                "2.5",
                "\"x\"",
                "2026-11-25",
                "+",
                "-",
                "*",
                "/",
                "&",
                "=",
                "<>",
                "<",
                ">=",
                "(",
                ")",
                ",",
                "if",
                "then",
                "else",
                "and",
                "or",
                "not",
                "is",
                "missing",
                "in",
                "round",
                "min",
                "first",
                "year",
                "left",
                "number",
                "text",
                "\u00e9",
                "#",
                "\"",
                "[",
                "\n");
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(14); i >= 0; i--) {
            text.append(words.get(random.nextInt(words.size()))).append(random.nextBoolean() ? " " : "");
        }
        return text.toString();
    }

    @Property(tries = 500, seed = "20261126")
    void arithmetic_agrees_with_exact_decimals(
            @ForAll @IntRange(min = -99_999, max = 99_999) int cents,
            @ForAll @IntRange(min = -9_999, max = 9_999) int seats)
            throws BadExpression {
        BigDecimal fare = BigDecimal.valueOf(cents, 2);
        BigDecimal count = BigDecimal.valueOf(seats);
        Table row = table(List.of("2026-11-25", "x", "yes", count.toString(), fare.toString(), ""));

        assertThat(value("fare * seats - fare", row))
                .isEqualTo(fare.multiply(count).subtract(fare).toPlainString());
        assertThat(value("fare / seats", row))
                .isEqualTo(
                        seats == 0
                                ? ""
                                : fare.divide(count, 6, RoundingMode.HALF_UP).toPlainString());
        assertThat(value("round(fare, 1)", row))
                .isEqualTo(fare.setScale(1, RoundingMode.HALF_UP).toPlainString());
    }

    @Test
    void one_may_be_computed_from_another_and_equal_ones_are_computed_once() throws BadExpression {
        Computed total = Expression.read("seats * fare", COLUMNS, Map.of()).column("total");
        List<Column> more = List.of(COLUMNS.get(0), total.column());
        Computed large = Expression.read("total > 100", more, Map.of()).column("large");
        Table table = TABLE.with(List.of(total, large));

        assertThat(table.raw("large", 1)).isEqualTo("yes");
        assertThat(table.values("large")).containsExactly("yes");
        assertThat(TABLE.with(List.of(
                        Expression.read("seats * fare", COLUMNS, Map.of()).column("total"), large)))
                .isSameAs(table);
    }

    private static List<String> values(String text) throws BadExpression {
        return List.of(value(text, TABLE, 1), value(text, TABLE, 0));
    }

    private static String value(String text, Table table) throws BadExpression {
        return value(text, table, 0);
    }

    private static String value(String text, Table table, int row) throws BadExpression {
        return table.with(List.of(Expression.read(text, COLUMNS, Map.of()).column("result")))
                .raw("result", row);
    }

    @SafeVarargs
    private static Table table(List<String>... rows) {
        TableBuilder builder = new TableBuilder(COLUMNS, Optional.of("day"));
        for (List<String> row : rows) {
            builder.add(row);
        }
        return builder.build();
    }
}
