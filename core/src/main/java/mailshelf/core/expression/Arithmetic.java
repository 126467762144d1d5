package mailshelf.core.expression;

import static mailshelf.core.data.Cells.Numbers.NONE;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.OptionalLong;
import mailshelf.core.data.Cells;
import mailshelf.core.data.Column;

/**
 * Exact decimals. What misses a part is missing, as are a division by zero and what needs more than 18 digits.
 */
final class Arithmetic {
    /** Of a quotient, rounded half up. */
    private static final int QUOTIENT_DECIMALS = 6;

    private static final long[] POWERS = new long[19];

    static {
        POWERS[0] = 1;
        for (int i = 1; i < POWERS.length; i++) {
            POWERS[i] = POWERS[i - 1] * 10;
        }
    }

    private Arithmetic() {}

    private interface Exact {
        long of(long left, long right);
    }

    static Term.Numbers constant(BigDecimal value) {
        long unscaled = value.unscaledValue().longValueExact();
        return new Term.Numbers(value.scale(), cells -> row -> unscaled, OptionalLong.of(unscaled));
    }

    static Term.Numbers add(Term.Numbers left, Term.Numbers right) {
        int decimals = Math.max(left.decimals(), right.decimals());
        return both(decimals, scaled(left, decimals), scaled(right, decimals), Math::addExact);
    }

    static Term.Numbers subtract(Term.Numbers left, Term.Numbers right) {
        int decimals = Math.max(left.decimals(), right.decimals());
        return both(decimals, scaled(left, decimals), scaled(right, decimals), Math::subtractExact);
    }

    static Term.Numbers multiply(Term.Numbers left, Term.Numbers right) {
        int exact = left.decimals() + right.decimals();
        return scaled(both(exact, left, right, Math::multiplyExact), Math.min(exact, Column.MOST_DECIMALS));
    }

    static Term.Numbers divide(Term.Numbers left, Term.Numbers right) {
        return both(QUOTIENT_DECIMALS, left, right, (upper, lower) -> {
            if (lower == 0) {
                return NONE;
            }
            return BigDecimal.valueOf(upper, left.decimals())
                    .divide(BigDecimal.valueOf(lower, right.decimals()), QUOTIENT_DECIMALS, RoundingMode.HALF_UP)
                    .unscaledValue()
                    .longValueExact();
        });
    }

    static Term.Numbers negate(Term.Numbers of) {
        return subtract(constant(BigDecimal.ZERO), of);
    }

    /** The same numbers with other decimals, rounded half up where there are fewer. */
    static Term.Numbers scaled(Term.Numbers of, int decimals) {
        if (of.decimals() == decimals) {
            return of;
        }
        long factor = POWERS[Math.abs(decimals - of.decimals())];
        boolean finer = decimals > of.decimals();
        return each(decimals, of, value -> finer ? Math.multiplyExact(value, factor) : rounded(value, factor));
    }

    private static long rounded(long value, long factor) {
        long half = factor / 2;
        return value >= 0 ? (value + half) / factor : -((-value + half) / factor);
    }

    interface One {
        long of(long value);
    }

    static Term.Numbers each(int decimals, Term.Numbers of, One change) {
        return new Term.Numbers(decimals, cells -> {
            Cells.Numbers values = of.over().apply(cells);
            return row -> {
                long value = values.at(row);
                try {
                    return value == NONE ? NONE : change.of(value);
                } catch (ArithmeticException tooLarge) {
                    return NONE;
                }
            };
        });
    }

    private static Term.Numbers both(int decimals, Term.Numbers left, Term.Numbers right, Exact change) {
        return new Term.Numbers(decimals, cells -> {
            Cells.Numbers lefts = left.over().apply(cells);
            Cells.Numbers rights = right.over().apply(cells);
            return row -> {
                long a = lefts.at(row);
                long b = rights.at(row);
                try {
                    return a == NONE || b == NONE ? NONE : change.of(a, b);
                } catch (ArithmeticException tooLarge) {
                    return NONE;
                }
            };
        });
    }
}
