package mailshelf.core.data;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import mailshelf.core.time.Window;

/** A grouping while it is filled: which rows belong to it, and what is added up of them. */
final class Asked {
    private final Grouping result;
    private final Table table;
    private final int groups;
    private final List<Segment> segments;
    private final List<Part> parts = new ArrayList<>();
    private final List<Collection> collections = new ArrayList<>();
    private final int[] firstCodes;
    private final int[] secondCodes;
    private final int seconds;
    private final int[] both;

    /** Rows of one group of time: the group that they begin with, as others may come by their codes. */
    private record Segment(int firstRow, int endRow, int base) {}

    /**
     * @param chosen the rows that count
     * @param values what is summed; null counts rows
     */
    private record Part(Choice chosen, long[] values, long[] into) {}

    /** @param chosen the rows that count */
    private record Collection(Choice chosen, Cells.Numbers values, LongList[] into) {}

    Asked(Table table, Window window, Grouping result, int groups) {
        this.table = table;
        this.result = result;
        this.groups = groups;
        this.seconds = result.second().labels().size();
        this.segments = segments(window);
        this.firstCodes = codes(result.first());
        this.secondCodes = codes(result.second());
        this.both = firstCodes != null && secondCodes != null ? new int[Pass.CHUNK] : null;
    }

    private int[] codes(Dimension dimension) {
        return dimension instanceof Dimension.Values values
                ? table.text(values.column()).codes()
                : null;
    }

    private List<Segment> segments(Window window) {
        int first = table.firstRow(window);
        int end = table.endRow(window);
        if (!(result.first() instanceof Dimension.Spans spans)) {
            return List.of(new Segment(first, end, 0));
        }
        List<Segment> found = new ArrayList<>();
        List<LocalDate> starts = spans.starts();
        for (int i = 0; i < starts.size(); i++) {
            int from = Math.max(first, table.firstRow(starts.get(i)));
            int to = i + 1 < starts.size() ? Math.min(end, table.firstRow(starts.get(i + 1))) : end;
            found.add(new Segment(from, Math.max(from, to), i * seconds));
        }
        return found;
    }

    Grouping result() {
        return result;
    }

    int firstRow() {
        return segments.get(0).firstRow();
    }

    int endRow() {
        return segments.get(segments.size() - 1).endRow();
    }

    void add(Tally tally, Choice chosen) {
        if (!result.has(tally)) {
            long[] values = tally.kind() == Tally.Kind.SUM
                    ? table.numbers(tally.column()).sums()
                    : null;
            parts.add(new Part(chosen, values, result.sums(tally, groups)));
        }
    }

    void add(Spread spread, Choice chosen) {
        if (!result.has(spread)) {
            collections.add(new Collection(chosen, table.compared(spread.column()), result.lists(spread, groups)));
        }
    }

    void take(int chunkFirst, int chunkEnd) {
        for (Segment segment : segments) {
            int from = Math.max(chunkFirst, segment.firstRow());
            int end = Math.min(chunkEnd, segment.endRow());
            if (from < end) {
                Rows.Groups where = groups(segment, chunkFirst, from, end);
                for (Part part : parts) {
                    Rows rows = part.chosen().rows();
                    if (where == null) {
                        part.into()[segment.base()] +=
                                part.values() == null ? rows.count(from, end) : rows.sum(part.values(), from, end);
                    } else if (part.values() == null) {
                        rows.count(where, from, end, part.into());
                    } else {
                        rows.sum(where, part.values(), from, end, part.into());
                    }
                }
                for (Collection each : collections) {
                    each.chosen().rows().collect(where, segment.base(), each.values(), from, end, each.into());
                }
            }
        }
    }

    /** Null where all rows of the segment are one group. */
    private Rows.Groups groups(Segment segment, int chunkFirst, int from, int end) {
        if (both != null) {
            for (int row = from; row < end; row++) {
                both[row - chunkFirst] = firstCodes[row] * seconds + secondCodes[row];
            }
            return new Rows.Groups(both, chunkFirst, 0);
        }
        int[] codes = firstCodes != null ? firstCodes : secondCodes;
        return codes == null ? null : new Rows.Groups(codes, 0, segment.base());
    }
}
