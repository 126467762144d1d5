package mailshelf.core.report;

import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.data.Spread;
import mailshelf.core.data.Tally;

/** A figure that a report defines. */
public record Measure(String id, String title, Calculation calculation, Format format) {
    /** The columns whose values it is made from; those that only say which rows count are none. */
    Set<String> columns() {
        Stream<String> summed = calculation.tallies().stream()
                .filter(tally -> tally.kind() == Tally.Kind.SUM)
                .map(Tally::column);
        Stream<String> collected = calculation.spreads().stream().map(Spread::column);
        return Stream.concat(summed, collected).collect(Collectors.toSet());
    }

    /** Whether its values in several groups add up to that of all of them. */
    public boolean addsUp() {
        return calculation instanceof Calculation.Sum;
    }
}
