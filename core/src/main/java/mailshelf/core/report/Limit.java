package mailshelf.core.report;

import java.math.BigDecimal;

/** A limit beyond which values are emphasised. */
public record Limit(Side side, BigDecimal value) {
    /** On which side of it values stand out. */
    public enum Side {
        OVER,
        UNDER
    }

    public boolean isBeyond(BigDecimal other) {
        int against = other.compareTo(value);
        return side == Side.OVER ? against > 0 : against < 0;
    }
}
