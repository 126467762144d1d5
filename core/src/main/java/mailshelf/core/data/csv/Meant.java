package mailshelf.core.data.csv;

import java.util.Optional;

/**
 * What somebody says of values that can be read in two ways.
 *
 * @param dates which form days are in, such as 3/4/2026
 * @param decimalMark which mark stands before decimals, as in 1,234
 */
public record Meant(Optional<DateForm> dates, Optional<DecimalMark> decimalMark) {
    public static final Meant NOTHING = new Meant(Optional.empty(), Optional.empty());
}
