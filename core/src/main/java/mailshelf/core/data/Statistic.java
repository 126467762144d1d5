package mailshelf.core.data;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Arrays;
import java.util.Optional;

/**
 * What values come to that do not add up.
 *
 * @param percent of {@link Kind#PERCENTILE}, above 0 and below 100; 0 otherwise
 */
public record Statistic(Kind kind, int percent) {
    /** Which figure of the values. */
    public enum Kind {
        DISTINCT,
        LEAST,
        GREATEST,
        /**
         * Of the sorted values, the one at {@code percent} of the way from the first to the last, between two in
         * proportion (Hyndman and Fan, 1996, definition 7). The median is at 50.
         */
        PERCENTILE
    }

    public static final Statistic DISTINCT = new Statistic(Kind.DISTINCT, 0);
    public static final Statistic LEAST = new Statistic(Kind.LEAST, 0);
    public static final Statistic GREATEST = new Statistic(Kind.GREATEST, 0);
    public static final Statistic MEDIAN = percentile(50);

    public static Statistic percentile(int percent) {
        return new Statistic(Kind.PERCENTILE, percent);
    }

    /**
     * Empty where there is no value, but for the number of different ones, which is 0 then.
     *
     * @param values unscaled, in any order; may be sorted by it
     */
    public Optional<BigDecimal> of(long[] values, int decimals) {
        if (values.length == 0) {
            return kind == Kind.DISTINCT ? Optional.of(BigDecimal.ZERO) : Optional.empty();
        }
        return Optional.of(
                switch (kind) {
                    case DISTINCT -> BigDecimal.valueOf(new Ranks(values).distinct());
                    case LEAST -> BigDecimal.valueOf(Arrays.stream(values).min().orElseThrow(), decimals);
                    case GREATEST ->
                        BigDecimal.valueOf(Arrays.stream(values).max().orElseThrow(), decimals);
                    case PERCENTILE -> percentile(values, decimals);
                });
    }

    private BigDecimal percentile(long[] values, int decimals) {
        Ranks ranks = new Ranks(values);
        BigDecimal place = BigDecimal.valueOf((long) (values.length - 1) * percent, 2);
        int below = place.setScale(0, RoundingMode.FLOOR).intValueExact();
        BigDecimal part = place.subtract(BigDecimal.valueOf(below));
        BigDecimal lower = BigDecimal.valueOf(ranks.at(below), decimals);
        if (part.signum() == 0) {
            return lower;
        }
        BigDecimal upper = BigDecimal.valueOf(ranks.at(below + 1), decimals);
        return lower.add(upper.subtract(lower).multiply(part), MathContext.DECIMAL64);
    }
}
