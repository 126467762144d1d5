package mailshelf.core.data;

import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Meant;

/**
 * How a data set comes by its rows.
 *
 * @param mode what becomes of the rows before
 * @param dates which form days are in that fit several; for files alone
 * @param decimalMark which mark stands before decimals where numbers fit both; for files alone
 * @param mostLost how many of a hundred rows a load may lose without anybody's confirming it, 1 to 100; empty for the usual
 */
public record LoadPlan(
        Origin origin,
        LoadTimes times,
        LoadMode mode,
        Optional<DateForm> dates,
        Optional<DecimalMark> decimalMark,
        Optional<Integer> mostLost) {
    /** Files are sent by people, as they like. */
    public static final LoadPlan SENT = new LoadPlan(
            Origin.SENT, LoadTimes.BY_HAND, LoadMode.REPLACE, Optional.empty(), Optional.empty(), Optional.empty());

    public LoadPlan {
        decimalMark = decimalMark == null ? Optional.empty() : decimalMark; // kept before it was asked
        mostLost = mostLost == null ? Optional.empty() : mostLost; // likewise
    }

    /** How values are read that can be read in two ways. */
    public Meant meant() {
        return new Meant(dates, decimalMark);
    }

    /** Whether a load can be asked for; files that are sent or taken as they arrive cannot be had any sooner. */
    public boolean canBeAskedFor() {
        return origin.kind() != Origin.Kind.SENT && times.kind() != LoadTimes.Kind.ON_ARRIVAL;
    }

    /** @throws Problem {@code data.bad-plan} for one that lacks a part, or has parts that do not go together */
    public void requireWhole() {
        boolean isSent = origin.kind() == Origin.Kind.SENT;
        boolean isFolder = origin.kind() == Origin.Kind.FOLDER;
        boolean fits = switch (times.kind()) {
            case BY_HAND -> true;
            case DAILY, EVERY -> !isSent;
            case ON_ARRIVAL -> isFolder;
        };
        // a query gives all its rows each time, so that adding them would count each of them again
        boolean adds = mode == LoadMode.APPEND && origin.kind() == Origin.Kind.QUERY;
        boolean isShare =
                mostLost.filter(lost -> lost < 1 || lost > LoadChange.ALL).isEmpty();
        if (!origin.saysAll() || !times.saysAll() || !fits || adds || !isShare) {
            throw Problem.invalid("data.bad-plan");
        }
    }
}
