package mailshelf.core.report;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;

/** Values as they are shown: against others, in parts of a whole, or added up one after another. */
final class Shares {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);

    private Shares() {}

    /**
     * A value as it is shown where it stands alone; running totals are made of a whole column of them.
     *
     * @param before of the days before, and {@code whole} the total: made only where they are needed
     */
    static Optional<BigDecimal> shown(
            Shown shown,
            Optional<BigDecimal> now,
            Supplier<Optional<BigDecimal>> before,
            Supplier<Optional<BigDecimal>> whole) {
        return switch (shown) {
            case VALUE, RUNNING_TOTAL -> now;
            case CHANGE -> change(now, before.get());
            case CHANGE_IN_PERCENT -> changeInPercent(now, before.get());
            case SHARE -> share(now, whole.get());
        };
    }

    private static Optional<BigDecimal> change(Optional<BigDecimal> now, Optional<BigDecimal> before) {
        return now.flatMap(value -> before.map(value::subtract));
    }

    /** Empty where there is nothing before. */
    private static Optional<BigDecimal> changeInPercent(Optional<BigDecimal> now, Optional<BigDecimal> before) {
        return change(now, before).flatMap(change -> percent(change, before.map(BigDecimal::abs)));
    }

    static Optional<BigDecimal> share(Optional<BigDecimal> part, Optional<BigDecimal> whole) {
        return part.flatMap(value -> percent(value, whole));
    }

    private static Optional<BigDecimal> percent(BigDecimal part, Optional<BigDecimal> whole) {
        return whole.filter(value -> value.signum() != 0)
                .map(value -> part.multiply(HUNDRED).divide(value, MathContext.DECIMAL64));
    }

    /**
     * Each with those before it; where there is no value, the total stays.
     *
     * @param subtotals places of sums of those behind them, which do not count twice
     */
    static List<Optional<BigDecimal>> runningTotals(List<Optional<BigDecimal>> values, List<Integer> subtotals) {
        List<Optional<BigDecimal>> totals = new ArrayList<>();
        BigDecimal total = BigDecimal.ZERO;
        for (int i = 0; i < values.size(); i++) {
            BigDecimal with = total.add(values.get(i).orElse(BigDecimal.ZERO));
            totals.add(Optional.of(with));
            total = subtotals.contains(i) && !isLastOrSum(i, values.size(), subtotals) ? total : with;
        }
        return totals;
    }

    /** A sum without any of its parts behind it counts itself. */
    private static boolean isLastOrSum(int place, int size, List<Integer> subtotals) {
        return place + 1 == size || subtotals.contains(place + 1);
    }
}
