package mailshelf.core.data;

import java.time.LocalDate;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mailshelf.core.Problem;

/**
 * What a load would do to the rows in use. One that loses most of them, or adds what is there already, is more often a file
 * that was cut or sent twice than meant, and waits for somebody to say that it is.
 */
public final class LoadChange {
    /** Of a hundred. */
    static final int ALL = 100;

    private static final int USUALLY_MOST = 50;
    /** Fewer are lost every day, as where a list of people shrinks. */
    private static final int FEWEST_LOST = 100;

    private LoadChange() {}

    /**
     * Rows in the place of others.
     *
     * @param mostLost how many of a hundred may go; where nobody has said it, half, if it is a hundred rows or more
     * @throws Problem {@code data.loses-rows} where none are left, or more are gone
     */
    public static void requireReplaces(long before, long after, Optional<Integer> mostLost) {
        long lost = before - after;
        boolean isMany = mostLost.isPresent() || lost >= FEWEST_LOST;
        boolean isMost = isMany && lost * ALL > before * mostLost.orElse(USUALLY_MOST);
        if (before > 0 && (after == 0 || isMost)) {
            throw Problem.invalid("data.loses-rows", after, before);
        }
    }

    /**
     * Rows besides others of the same columns.
     *
     * @throws Problem {@code data.repeats-rows} where each of them is there already
     */
    public static void requireAdds(Table before, Table added) {
        if (added.rows() == 0 || isLater(added.lastDay(), before.lastDay())) {
            return;
        }
        Set<String> missing = IntStream.range(0, added.rows())
                .mapToObj(row -> row(added, row))
                .collect(Collectors.toCollection(HashSet::new));
        for (int row = 0; row < before.rows() && !missing.isEmpty(); row++) {
            missing.remove(row(before, row));
        }
        if (missing.isEmpty()) {
            throw Problem.invalid("data.repeats-rows", added.rows());
        }
    }

    /** As nearly always, which spares looking at all rows: the row of that day is not there. */
    private static boolean isLater(Optional<LocalDate> day, Optional<LocalDate> other) {
        return day.filter(added -> other.filter(last -> !added.isAfter(last)).isEmpty())
                .isPresent();
    }

    private static String row(Table table, int row) {
        return IntStream.range(0, table.columns().size())
                .mapToObj(column -> table.raw(column, row))
                .collect(Collectors.joining("\u001f"));
    }
}
