package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.data.Dimension;
import mailshelf.core.data.Grouping;
import mailshelf.core.data.Pass;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;
import mailshelf.core.time.Window;

/**
 * What one measure comes to in the groups of two dimensions, once the pass has run. Over several groups together it is
 * made from their sums and values, never from what it is in each.
 */
final class Amounts {
    private static final Tally ROWS = Tally.rows(List.of());

    private final Measure measure;
    private final Table table;
    private final Grouping grouping;
    private final Grouping.Cells rows;
    private final boolean isKnown;

    /** @param isKnown false where it comes to nothing: it is made from what is not to be shown, or of days without figures */
    Amounts(
            Pass pass,
            Table table,
            Measure measure,
            Dimension first,
            Dimension second,
            Window window,
            boolean isKnown) {
        this.measure = measure;
        this.isKnown = isKnown;
        this.table = table;
        List<Tally> tallies = new ArrayList<>(measure.calculation().tallies());
        tallies.add(ROWS);
        this.grouping = pass.grouped(
                window, first, second, tallies, measure.calculation().spreads());
        this.rows = grouping.cells(ROWS);
    }

    Dimension first() {
        return grouping.first();
    }

    String secondLabel(int group) {
        return grouping.second().labels().get(group);
    }

    List<Integer> firstGroups() {
        return all(grouping.first());
    }

    List<Integer> secondGroups() {
        return all(grouping.second());
    }

    private static List<Integer> all(Dimension dimension) {
        return IntStream.range(0, dimension.labels().size()).boxed().toList();
    }

    Optional<BigDecimal> value(List<Integer> firsts, List<Integer> seconds) {
        if (!isKnown) {
            return Optional.empty();
        }
        Calculation calculation = measure.calculation();
        if (calculation instanceof Calculation.Sum sum) {
            return Optional.of(sum.value(table, total(sum.tally(), firsts, seconds)));
        }
        if (calculation instanceof Calculation.Ratio ratio) {
            return ratio.value(table, total(ratio.upper(), firsts, seconds), total(ratio.lower(), firsts, seconds));
        }
        Calculation.Statistics statistics = (Calculation.Statistics) calculation;
        return statistics.value(table, grouping.values(statistics.spread()).at(firsts, seconds));
    }

    private long total(Tally tally, List<Integer> firsts, List<Integer> seconds) {
        Grouping.Cells cells = grouping.cells(tally);
        long sum = 0;
        for (int first : firsts) {
            for (int second : seconds) {
                sum += cells.at(first, second);
            }
        }
        return sum;
    }

    /** For each of several lists of first groups. */
    List<Optional<BigDecimal>> values(List<List<Integer>> firsts, List<Integer> seconds) {
        return firsts.stream().map(first -> value(first, seconds)).toList();
    }

    /** Whether any row lies in a pair of groups. */
    boolean touches(int first, int second) {
        return rows.at(first, second) > 0;
    }

    List<Integer> firstGroupsWithRows() {
        return firstGroups().stream()
                .filter(first -> secondGroups().stream().anyMatch(second -> touches(first, second)))
                .toList();
    }

    /** Largest first; those without anything are left out. */
    List<Integer> secondGroupsBySize() {
        Comparator<Integer> bySize = Comparator.comparing(this::secondSize).reversed();
        return secondGroups().stream()
                .filter(second -> secondSize(second) != 0)
                .sorted(bySize)
                .toList();
    }

    /** What does not add up has the size of its rows. */
    private Long secondSize(int second) {
        List<Tally> tallies = measure.calculation().tallies();
        return total(tallies.isEmpty() ? ROWS : tallies.get(0), firstGroups(), List.of(second));
    }
}
