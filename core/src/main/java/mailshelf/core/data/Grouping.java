package mailshelf.core.data;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The sums of tallies over the groups of two dimensions. They are there once the pass that was asked has run. */
public final class Grouping {
    private final Dimension first;
    private final Dimension second;
    private final int seconds;
    private final Map<Tally, long[]> sums = new HashMap<>();
    private final Map<Spread, LongList[]> spreads = new HashMap<>();

    Grouping(Dimension first, Dimension second) {
        this.first = first;
        this.second = second;
        this.seconds = second.labels().size();
    }

    public Dimension first() {
        return first;
    }

    public Dimension second() {
        return second;
    }

    /** What one tally, which was asked for, comes to in each pair of groups. */
    public Cells cells(Tally tally) {
        return new Cells(sums.get(tally), seconds);
    }

    /** The values of a spread, which was asked for, in each pair of groups. */
    public Values values(Spread spread) {
        return new Values(spreads.get(spread), seconds);
    }

    /** The values of one spread by a group of each dimension. */
    public static final class Values {
        private final LongList[] lists;
        private final int seconds;

        private Values(LongList[] lists, int seconds) {
            this.lists = lists;
            this.seconds = seconds;
        }

        /** Over all groups of the two lists together; a copy. */
        public long[] at(List<Integer> firstGroups, List<Integer> secondGroups) {
            return firstGroups.stream()
                    .flatMap(first -> secondGroups.stream().map(second -> lists[first * seconds + second]))
                    .filter(Objects::nonNull)
                    .flatMapToLong(list -> Arrays.stream(list.toArray()))
                    .toArray();
        }
    }

    /** The sums (unscaled) of one tally over the rows that fall into a group of each dimension. */
    public static final class Cells {
        private final long[] sums;
        private final int seconds;

        private Cells(long[] sums, int seconds) {
            this.sums = sums;
            this.seconds = seconds;
        }

        public long at(int firstGroup, int secondGroup) {
            return sums[firstGroup * seconds + secondGroup];
        }
    }

    /** Where a tally is summed up, by first × groups of second + second; made where it was not asked for before. */
    long[] sums(Tally tally, int groups) {
        return sums.computeIfAbsent(tally, asked -> new long[groups]);
    }

    /** Where the values of a spread are collected, like sums; a group without values has none. */
    LongList[] lists(Spread spread, int groups) {
        return spreads.computeIfAbsent(spread, asked -> new LongList[groups]);
    }

    boolean has(Spread spread) {
        return spreads.containsKey(spread);
    }

    boolean has(Tally tally) {
        return sums.containsKey(tally);
    }
}
