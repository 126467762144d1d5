package mailshelf.core.data;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.time.Window;
import mailshelf.core.work.StillWanted;

/**
 * Everything that a page asks of a table, answered by going over its rows once: first all is asked, then it runs, then
 * the answers are read. Rows go by in chunks that the processor's cache holds, filters are judged once a chunk, and rows
 * outside all windows are never looked at. For one thread.
 */
public final class Pass {
    static final int CHUNK = 2048;

    /** What a chart or table can still be read with, and memory can hold. */
    private static final int MOST_GROUPS = 2_000_000;

    private final Table table;
    private final Choice all = Choice.all();
    private final Choice passing;
    private final Map<Condition, Choice> choices = new HashMap<>();
    private final Map<Key, Asked> groupings = new HashMap<>();
    private final List<Picked> picked = new ArrayList<>();

    private record Key(Window window, Dimension first, Dimension second) {}

    /** What beside the page's own filters is asked of a row: conditions, and a number in a column ("" for none). */
    private record Condition(List<Filter> where, String present) {}

    /** @param filters all of them hold for every answer; those by a measure must be resolved to values */
    public Pass(Table table, List<Filter> filters) {
        this.table = table;
        this.passing = all.where(tests(filters));
    }

    private List<RowTest> tests(List<Filter> filters) {
        return filters.stream()
                .filter(filter -> filter.test() != Filter.Test.ANSWER)
                .map(filter -> RowTest.of(table, filter))
                .toList();
    }

    /**
     * Asks for what the rows in a window come to.
     *
     * @param second no span of time
     * @throws Problem {@code report.too-many-groups}
     */
    public Grouping grouped(
            Window window, Dimension first, Dimension second, List<Tally> tallies, List<Spread> spreads) {
        if (second instanceof Dimension.Spans) {
            throw new IllegalArgumentException("Spans of time come first");
        }
        long groups = (long) first.labels().size() * second.labels().size();
        if (groups > MOST_GROUPS) {
            throw Problem.invalid("report.too-many-groups", groups, MOST_GROUPS);
        }
        Asked asked = groupings.computeIfAbsent(
                new Key(window, first, second),
                key -> new Asked(table, window, new Grouping(first, second), (int) groups));
        tallies.forEach(tally -> asked.add(tally, choice(tally)));
        spreads.forEach(spread -> asked.add(spread, choice(Tally.rows(spread.where()))));
        return asked.result();
    }

    /** Asks for the rows themselves that lie in a window and pass more filters. */
    public Picked rows(Window window, List<Filter> where) {
        Picked asked = new Picked(window, choice(Tally.rows(where)));
        picked.add(asked);
        return asked;
    }

    private Choice choice(Tally tally) {
        boolean mayLack = tally.kind() == Tally.Kind.VALUES
                && !table.numbers(tally.column()).isComplete();
        return choices.computeIfAbsent(new Condition(tally.where(), mayLack ? tally.column() : ""), condition -> {
            List<RowTest> tests = new ArrayList<>(tests(condition.where()));
            if (mayLack) {
                tests.add(new RowTest.Present(table.numbers(condition.present()).unscaled()));
            }
            return passing.where(tests);
        });
    }

    /** Row numbers, in the table's order; there once the pass has run. */
    public final class Picked {
        private final int firstRow;
        private final int endRow;
        private final Choice chosen;
        private final IntList found = new IntList();

        private Picked(Window window, Choice chosen) {
            this.firstRow = table.firstRow(window);
            this.endRow = table.endRow(window);
            this.chosen = chosen;
        }

        public int[] rows() {
            return found.toArray();
        }

        private void take(int chunkFirst, int chunkEnd) {
            int from = Math.max(chunkFirst, firstRow);
            int end = Math.min(chunkEnd, endRow);
            if (from < end) {
                chosen.rows().appendTo(found, from, end);
            }
        }
    }

    public void run() {
        int first = Stream.concat(
                        groupings.values().stream().map(Asked::firstRow),
                        picked.stream().map(some -> some.firstRow))
                .min(Integer::compare)
                .orElse(0);
        int end = Stream.concat(
                        groupings.values().stream().map(Asked::endRow),
                        picked.stream().map(some -> some.endRow))
                .max(Integer::compare)
                .orElse(0);
        for (int chunk = first; chunk < end; chunk += CHUNK) {
            StillWanted.require();
            int chunkEnd = Math.min(end, chunk + CHUNK);
            begin(chunk, chunkEnd);
            for (Asked asked : groupings.values()) {
                asked.take(chunk, chunkEnd);
            }
            for (Picked some : picked) {
                some.take(chunk, chunkEnd);
            }
        }
    }

    private void begin(int firstRow, int endRow) {
        passing.begin();
        choices.values().forEach(Choice::begin);
        all.begin(firstRow, endRow);
    }
}
