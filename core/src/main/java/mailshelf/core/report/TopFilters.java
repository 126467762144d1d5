package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Dimension;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Pass;
import mailshelf.core.data.Table;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Alphabet;

/** Finds out which values have the most of a measure, among the rows that the other filters let through. */
final class TopFilters {
    private TopFilters() {}

    /** The same filters, those by a measure as the values that they come to in a window. */
    static List<Filter> resolved(Definition definition, Table table, Window window, List<Filter> filters) {
        List<Filter> resolved = new ArrayList<>(
                filters.stream().filter(filter -> !isTop(filter)).toList());
        List<Filter> tops = filters.stream().filter(TopFilters::isTop).toList();
        if (tops.isEmpty()) {
            return filters;
        }
        Pass pass = new Pass(table, List.copyOf(resolved));
        List<Amounts> amounts = tops.stream()
                .map(filter -> new Amounts(
                        pass,
                        table,
                        definition.measures().get(filter.values().get(1)),
                        Dimension.values(table, filter.column()),
                        Dimension.none(),
                        window,
                        false))
                .toList();
        pass.run();
        for (int i = 0; i < tops.size(); i++) {
            resolved.add(greatest(tops.get(i), amounts.get(i)));
        }
        return resolved;
    }

    private static boolean isTop(Filter filter) {
        return filter.test() == Filter.Test.TOP;
    }

    private static Filter greatest(Filter top, Amounts amounts) {
        record Ranked(String value, BigDecimal amount) {}
        List<String> labels = amounts.first().labels();
        List<String> values = amounts.firstGroupsWithRows().stream()
                .filter(group -> !labels.get(group).isEmpty())
                .map(group ->
                        amounts.value(List.of(group), List.of(0)).map(amount -> new Ranked(labels.get(group), amount)))
                .flatMap(Optional::stream)
                .sorted(Comparator.comparing(Ranked::amount).reversed().thenComparing(Ranked::value, Alphabet.order()))
                .limit(Integer.parseInt(top.values().get(0)))
                .map(Ranked::value)
                .toList();
        // where nothing ranks nothing is to pass: no row has the empty text
        return Filter.anyOf(top.column(), values.isEmpty() ? List.of("") : values);
    }
}
