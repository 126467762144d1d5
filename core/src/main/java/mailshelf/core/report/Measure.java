package mailshelf.core.report;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;

/**
 * A figure that a report defines: one tally, or one over another, times a factor (100 for a percentage).
 *
 * @param over empty for a plain tally
 */
public record Measure(String id, String title, Tally tally, Optional<Tally> over, int factor, Format format) {

    /** The tallies that it needs, in order. */
    public List<Tally> tallies() {
        return over.map(bottom -> List.of(tally, bottom)).orElse(List.of(tally));
    }

    /** The figure from the sums of its tallies; empty where it is a ratio over nothing. */
    public Optional<BigDecimal> value(Table table, long sum, long overSum) {
        BigDecimal top = BigDecimal.valueOf(sum, tally.decimals(table));
        if (over.isEmpty()) {
            return Optional.of(top);
        }
        BigDecimal bottom = BigDecimal.valueOf(overSum, over.get().decimals(table));
        if (bottom.signum() == 0) {
            return Optional.empty();
        }
        return Optional.of(top.multiply(BigDecimal.valueOf(factor)).divide(bottom, MathContext.DECIMAL64));
    }
}
