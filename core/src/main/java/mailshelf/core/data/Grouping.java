package mailshelf.core.data;

import java.util.HashMap;
import java.util.Map;

/** The sums of tallies over the groups of two dimensions. They are there once the pass that was asked has run. */
public final class Grouping {
    private final Dimension first;
    private final Dimension second;
    private final int seconds;
    private final Map<Tally, long[]> sums = new HashMap<>();

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

    /** The sum (unscaled) of one tally over the rows that fall into a group of each dimension. */
    public long sum(Tally tally, int firstGroup, int secondGroup) {
        return sums.get(tally)[firstGroup * seconds + secondGroup];
    }

    /** Where a tally is summed up, by first × groups of second + second; made where it was not asked for before. */
    long[] sums(Tally tally, int groups) {
        return sums.computeIfAbsent(tally, asked -> new long[groups]);
    }

    boolean has(Tally tally) {
        return sums.containsKey(tally);
    }
}
