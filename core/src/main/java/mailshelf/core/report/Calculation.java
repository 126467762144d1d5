package mailshelf.core.report;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Spread;
import mailshelf.core.data.Statistic;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;

/** How a figure is made from rows. */
public sealed interface Calculation {
    /** What has to be added up for it, in order. */
    List<Tally> tallies();

    /** Whose values have to be collected for it. */
    List<Spread> spreads();

    /** What one tally adds up to: it may be summed over groups, shared out, and run on. */
    record Sum(Tally tally) implements Calculation {
        @Override
        public List<Tally> tallies() {
            return List.of(tally);
        }

        @Override
        public List<Spread> spreads() {
            return List.of();
        }

        BigDecimal value(Table table, long sum) {
            return BigDecimal.valueOf(sum, tally.decimals(table));
        }
    }

    /**
     * One tally over another, times a factor: 100 for a percentage. An average is the sum over the number of values.
     */
    record Ratio(Tally upper, Tally lower, int factor) implements Calculation {
        @Override
        public List<Tally> tallies() {
            return List.of(upper, lower);
        }

        @Override
        public List<Spread> spreads() {
            return List.of();
        }

        /** Empty over nothing. */
        Optional<BigDecimal> value(Table table, long upperSum, long lowerSum) {
            BigDecimal top = BigDecimal.valueOf(upperSum, upper.decimals(table));
            BigDecimal bottom = BigDecimal.valueOf(lowerSum, lower.decimals(table));
            return bottom.signum() == 0
                    ? Optional.empty()
                    : Optional.of(top.multiply(BigDecimal.valueOf(factor)).divide(bottom, MathContext.DECIMAL64));
        }
    }

    /** A statistic of the values themselves. */
    record Statistics(Spread spread, Statistic statistic) implements Calculation {
        @Override
        public List<Tally> tallies() {
            return List.of();
        }

        @Override
        public List<Spread> spreads() {
            return List.of(spread);
        }

        Optional<BigDecimal> value(Table table, long[] values) {
            return statistic.of(values, table.column(spread.column()).decimals());
        }
    }
}
