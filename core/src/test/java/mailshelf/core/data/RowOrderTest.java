package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

class RowOrderTest {
    private static final List<Column> COLUMNS =
            List.of(Column.date("day"), Column.text("route"), Column.number("amount", 2), Column.number("large", 0));

    @Property(tries = 100, seed = "20261126")
    void rows_come_as_a_plain_stable_sort_has_them_and_those_without_a_value_last(
            @ForAll @IntRange(max = 1_000_000) int seed, @ForAll boolean descending) {
        Random random = new Random(seed);
        Table table = table(random, random.nextInt(300));
        int[] some = IntStream.range(0, table.rows())
                .filter(row -> random.nextInt(3) > 0)
                .toArray();

        for (Column column : COLUMNS) {
            Comparator<String> values = column.type() == ColumnType.NUMBER
                    ? Comparator.comparing(BigDecimal::new)
                    : Comparator.naturalOrder();
            Comparator<String> order = descending ? values.reversed() : values;
            Comparator<Integer> lacking =
                    Comparator.comparing(row -> table.raw(column.name(), row).isEmpty());
            int[] expected = IntStream.of(some)
                    .boxed()
                    .sorted(lacking.thenComparing((a, b) -> {
                        String left = table.raw(column.name(), a);
                        String right = table.raw(column.name(), b);
                        return left.isEmpty() || right.isEmpty() ? 0 : order.compare(left, right);
                    }))
                    .mapToInt(row -> row)
                    .toArray();

            assertThat(RowOrder.by(table, column.name(), descending, some))
                    .as(column.name())
                    .containsExactly(expected);
        }
    }

    private static Table table(Random random, int size) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        for (int i = 0; i < size; i++) {
            rows.add(List.of(
                    "20" + (10 + random.nextInt(30)) + "-0" + (1 + random.nextInt(9)) + "-11",
                    random.nextInt(4) == 0 ? "" : "route " + random.nextInt(20),
                    random.nextInt(4) == 0 ? "" : (random.nextInt(2000) - 1000) + ".25",
                    random.nextInt(4) == 0 ? "" : String.valueOf(random.nextLong() / 100)));
        }
        return rows.build();
    }
}
