package mailshelf.core.data;

import java.math.BigDecimal;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Filters as anybody would write them down, over raw values, for tests; and random ones. */
public final class Plainly {
    private Plainly() {}

    public static boolean passes(List<Filter> filters, Table table, int row) {
        return filters.stream()
                .allMatch(filter ->
                        passes(filter, table.column(filter.column()).type(), table.raw(filter.column(), row)));
    }

    private static boolean passes(Filter filter, ColumnType type, String raw) {
        return switch (filter.test()) {
            case ANY_OF -> !raw.isEmpty() && filter.values().stream().anyMatch(value -> isSame(type, value, raw));
            case NONE_OF -> raw.isEmpty() || filter.values().stream().noneMatch(value -> isSame(type, value, raw));
            case CONTAINS -> raw.toLowerCase().contains(filter.values().get(0).toLowerCase());
            case BETWEEN ->
                !raw.isEmpty()
                        && isInOrder(type, filter.values().get(0), raw)
                        && isInOrder(type, raw, filter.values().get(1));
            case EMPTY -> raw.isEmpty();
            case FILLED -> !raw.isEmpty();
            case TOP, ANSWER -> throw new IllegalArgumentException("Not by one row alone");
        };
    }

    private static boolean isSame(ColumnType type, String a, String b) {
        return type == ColumnType.NUMBER ? new BigDecimal(a).compareTo(new BigDecimal(b)) == 0 : a.equals(b);
    }

    private static boolean isInOrder(ColumnType type, String less, String more) {
        if (less.isEmpty() || more.isEmpty()) {
            return true;
        }
        return type == ColumnType.NUMBER
                ? new BigDecimal(less).compareTo(new BigDecimal(more)) <= 0
                : less.compareTo(more) <= 0;
    }

    /** Of any sort, with values that rows may have and values that none has. */
    static Filter anyFilter(Table table, Random random) {
        Column column = table.columns().get(random.nextInt(table.columns().size()));
        List<Filter.Test> tests = Stream.of(Filter.Test.values())
                .filter(test -> test != Filter.Test.TOP && test != Filter.Test.ANSWER)
                .filter(test -> test != Filter.Test.CONTAINS || column.type() == ColumnType.TEXT)
                .filter(test -> test != Filter.Test.BETWEEN || column.type() != ColumnType.TEXT)
                .toList();
        Filter.Test test = tests.get(random.nextInt(tests.size()));
        String some = value(table, column, random);
        return switch (test) {
            case ANY_OF, NONE_OF ->
                new Filter(
                        column.name(),
                        test,
                        random.ints(1 + random.nextInt(3), 0, 1000)
                                .mapToObj(any -> value(table, column, random))
                                .collect(Collectors.toList()));
            case CONTAINS -> new Filter(column.name(), test, List.of(some.isBlank() ? "e" : some));
            case BETWEEN ->
                new Filter(column.name(), test, random.nextBoolean() ? List.of(some, "") : List.of("", some));
            case EMPTY, FILLED, TOP, ANSWER -> new Filter(column.name(), test, List.of());
        };
    }

    private static String value(Table table, Column column, Random random) {
        String raw = table.rows() == 0 ? "" : table.raw(column.name(), random.nextInt(table.rows()));
        return switch (column.type()) {
            case TEXT -> raw.isEmpty() || random.nextInt(4) == 0 ? "none such" : raw;
            case NUMBER -> raw.isEmpty() ? "12.345" : random.nextInt(4) == 0 ? raw + "1" : raw;
            case DATE -> raw.isEmpty() ? "2026-02-28" : raw;
            case TIME -> raw.isEmpty() ? "2026-02-28T04:00" : raw;
        };
    }
}
