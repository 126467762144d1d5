package mailshelf.core.data;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The one reader for numbers that come from outside: cells, filters, answers, limits. What it takes is bounded, since
 * calculating with the rest could take for ever: of {@code 1E-600000000} only the digits of a scale would be written out.
 */
public final class NumberText {
    /** More than any figure is written with. */
    private static final int LONGEST = 64;

    private static final int MOST_DIGITS_BEFORE_POINT = 18;

    private static final Pattern FORM = Pattern.compile("[+-]?(\\d+\\.?\\d*|\\.\\d+)([eE][+-]?\\d{1,2})?");

    private NumberText() {}

    /**
     * A text as a number.
     *
     * @return with 18 digits before its point at most, and no negative scale; empty where it is none, or is too long
     */
    public static Optional<BigDecimal> read(String text) {
        if (text.length() > LONGEST || !FORM.matcher(text).matches()) {
            return Optional.empty();
        }
        BigDecimal number = new BigDecimal(text);
        if (number.precision() - number.scale() > MOST_DIGITS_BEFORE_POINT) {
            return Optional.empty();
        }
        return Optional.of(number.scale() < 0 ? number.setScale(0) : number);
    }

    /** As {@link #read}, rounded half up to so many decimals at most. */
    public static Optional<BigDecimal> read(String text, int mostDecimals) {
        return read(text)
                .map(number ->
                        number.scale() > mostDecimals ? number.setScale(mostDecimals, RoundingMode.HALF_UP) : number);
    }
}
