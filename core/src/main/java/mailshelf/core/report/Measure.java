package mailshelf.core.report;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.data.Filter;

/** A figure that a report defines. */
public record Measure(String id, String title, Calculation calculation, Format format) {
    /** The columns that it is made from: whose values it takes, and those that say which rows count. */
    Set<String> columns() {
        Stream<String> tallied = calculation.tallies().stream()
                .flatMap(tally -> Stream.concat(Stream.of(tally.column()), conditions(tally.where())));
        Stream<String> collected = calculation.spreads().stream()
                .flatMap(spread -> Stream.concat(Stream.of(spread.column()), conditions(spread.where())));
        return Stream.concat(tallied, collected)
                .filter(column -> !column.isEmpty())
                .collect(Collectors.toSet());
    }

    private static Stream<String> conditions(List<Filter> where) {
        return where.stream().map(Filter::column);
    }

    /** Whether its values in several groups add up to that of all of them. */
    public boolean addsUp() {
        return calculation instanceof Calculation.Sum;
    }
}
