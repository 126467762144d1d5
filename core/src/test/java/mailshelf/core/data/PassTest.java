package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.time.Grain;
import mailshelf.core.time.Window;
import mailshelf.core.work.StillWanted;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

/** One pass over chunks of columns against a loop over raw rows, on random tables, filters, windows and groups. */
class PassTest {
    private static final LocalDate FIRST = LocalDate.parse("2026-01-01");
    private static final List<Column> COLUMNS = List.of(
            Column.date("day"),
            Column.text("route"),
            Column.text("cause"),
            Column.number("amount", 2),
            Column.time("answered", ZoneOffset.UTC));

    private Random random;

    @Test
    void a_pass_ends_when_nobody_waits_for_it() {
        random = new Random(20261130);
        Pass pass = new Pass(table(3 * Pass.CHUNK), List.of());
        pass.rows(window(), List.of());
        StillWanted.by(() -> false);
        try {
            assertThatThrownBy(() -> {
                        for (int i = 0; i < 1_000_000; i++) {
                            pass.run();
                        }
                    })
                    .isInstanceOf(StillWanted.NobodyWaits.class);
        } finally {
            StillWanted.byAnybody();
        }
        pass.run();
    }

    @Property(tries = 60, seed = "20261126")
    void every_sum_is_that_of_a_plain_loop(@ForAll @IntRange(max = 1_000_000) int seed) {
        random = new Random(seed);
        Table table = table(random.nextInt(3) * Pass.CHUNK + random.nextInt(100));
        List<Filter> filters = random.nextBoolean() ? List.of() : List.of(Plainly.anyFilter(table, random));
        Pass pass = new Pass(table, filters);
        List<Tally> tallies = List.of(
                Tally.rows(List.of()),
                Tally.rows(List.of(filter("cause"), Plainly.anyFilter(table, random))),
                new Tally(Tally.Kind.VALUES, "amount", List.of()),
                new Tally(Tally.Kind.SUM, "amount", List.of(filter("cause"))));
        List<Grouping> asked = new ArrayList<>();
        List<Window> windows = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Window window = window();
            windows.add(window);
            asked.add(pass.grouped(window, first(table, window), second(table), tallies, List.of()));
        }
        pass.run();

        for (int i = 0; i < asked.size(); i++) {
            for (Tally tally : tallies) {
                check(table, windows.get(i), filters, tally, asked.get(i));
            }
        }
    }

    @Test
    void rows_are_picked_in_order_across_chunks() {
        random = new Random(1);
        Table table = table(3 * Pass.CHUNK);
        Window window = new Window(FIRST.plusDays(10), FIRST.plusDays(80));
        Pass pass = new Pass(table, List.of(Filter.anyOf("route", List.of("1", "2"))));
        Pass.Picked picked = pass.rows(window, List.of(Filter.anyOf("cause", List.of("0"))));
        pass.run();

        assertThat(picked.rows())
                .containsExactly(IntStream.range(0, table.rows())
                        .filter(row -> window.contains(LocalDate.parse(table.raw("day", row))))
                        .filter(row -> List.of("1", "2").contains(table.raw("route", row)))
                        .filter(row -> table.raw("cause", row).equals("0"))
                        .toArray());
    }

    @Test
    void more_groups_than_anybody_can_read_are_refused_before_memory_is_taken() {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        for (int i = 0; i < 2000; i++) {
            rows.add(List.of(FIRST.toString(), "route " + i, "cause " + i, "", ""));
        }
        Table table = rows.build();
        Pass pass = new Pass(table, List.of());

        assertThatThrownBy(() -> pass.grouped(
                        new Window(FIRST, FIRST),
                        Dimension.values(table, "route"),
                        Dimension.values(table, "cause"),
                        List.of(Tally.rows(List.of())),
                        List.of()))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("too-many-groups");
    }

    private static void check(Table table, Window window, List<Filter> filters, Tally tally, Grouping grouping) {
        int[] rows = IntStream.range(0, table.rows())
                .filter(row -> window.contains(LocalDate.parse(table.raw("day", row))))
                .filter(row -> Plainly.passes(filters, table, row) && Plainly.passes(tally.where(), table, row))
                .toArray();
        for (int first = 0; first < grouping.first().labels().size(); first++) {
            for (int second = 0; second < grouping.second().labels().size(); second++) {
                long sum = 0;
                for (int row : rows) {
                    if (isIn(table, row, grouping.first(), first) && isIn(table, row, grouping.second(), second)) {
                        sum += share(tally, table.raw("amount", row));
                    }
                }
                assertThat(grouping.cells(tally).at(first, second))
                        .as("%s", tally)
                        .isEqualTo(sum);
            }
        }
    }

    private static long share(Tally tally, String amount) {
        if (tally.kind() == Tally.Kind.ROWS) {
            return 1;
        }
        if (amount.isEmpty()) {
            return 0;
        }
        return tally.kind() == Tally.Kind.VALUES
                ? 1
                : new BigDecimal(amount).unscaledValue().longValueExact();
    }

    private static boolean isIn(Table table, int row, Dimension dimension, int group) {
        if (dimension instanceof Dimension.Values values) {
            return table.raw(values.column(), row).equals(values.labels().get(group));
        }
        if (dimension instanceof Dimension.Spans spans) {
            LocalDate day = LocalDate.parse(table.raw("day", row));
            boolean begun = !day.isBefore(spans.starts().get(group));
            boolean over = group + 1 < spans.starts().size()
                    && !day.isBefore(spans.starts().get(group + 1));
            return begun && !over;
        }
        return true;
    }

    /** Half of the tables have amounts that lack. */
    private Table table(int size) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        int lacking = random.nextInt(2);
        for (int i = 0; i < size; i++) {
            String amount = lacking == 1 && random.nextInt(4) == 0 ? "" : random.nextInt(50) + ".25";
            String cause = random.nextInt(4) == 0 ? "" : String.valueOf(random.nextInt(3));
            LocalDate day = FIRST.plusDays(random.nextInt(100));
            String answered = random.nextInt(4) == 0
                    ? ""
                    : day.atTime(random.nextInt(24), random.nextInt(2) * 30).toString();
            rows.add(List.of(day.toString(), String.valueOf(random.nextInt(4)), cause, amount, answered));
        }
        return rows.build();
    }

    /** At times of a value that no row has. */
    private Filter filter(String column) {
        return Filter.anyOf(column, List.of(String.valueOf(random.nextInt(4)), "none such"));
    }

    private Window window() {
        LocalDate from = FIRST.plusDays(random.nextInt(90));
        return new Window(from, from.plusDays(random.nextInt(60)));
    }

    private Dimension first(Table table, Window window) {
        return switch (random.nextInt(3)) {
            case 0 -> Dimension.none();
            case 1 -> Dimension.values(table, "route");
            default -> Dimension.spans(Grain.WEEK.covering(window, DayOfWeek.MONDAY));
        };
    }

    private Dimension second(Table table) {
        return random.nextBoolean() ? Dimension.none() : Dimension.values(table, "cause");
    }
}
