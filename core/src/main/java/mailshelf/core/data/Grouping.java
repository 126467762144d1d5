package mailshelf.core.data;

import java.util.List;

/**
 * The sums of several tallies over the groups of two dimensions, in one pass over the rows.
 *
 * @param sums by tally, then by group; a group is first × size of second + second
 * @param rows how many rows fell into each group
 */
public record Grouping(Dimension first, Dimension second, long[][] sums, long[] rows) {

    public static Grouping of(Selection selection, Dimension first, Dimension second, List<Tally> tallies) {
        int groups = first.size() * second.size();
        long[][] sums = new long[tallies.size()][groups];
        long[] rows = new long[groups];
        Tally.Adder[] adders =
                tallies.stream().map(tally -> tally.on(selection.table())).toArray(Tally.Adder[]::new);
        selection.forEachRow(row -> {
            int group = first.groupOf(row) * second.size() + second.groupOf(row);
            rows[group]++;
            for (int i = 0; i < adders.length; i++) {
                sums[i][group] += adders[i].at(row);
            }
        });
        return new Grouping(first, second, sums, rows);
    }

    public int group(int firstGroup, int secondGroup) {
        return firstGroup * second.size() + secondGroup;
    }
}
