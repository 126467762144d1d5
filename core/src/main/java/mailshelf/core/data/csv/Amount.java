package mailshelf.core.data.csv;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A number with what stands before or behind it: "12,5 %", "€ 1.234,50", "340 kr", "USD 12.00".
 *
 * @param unit a currency's sign or code (ISO 4217), "kr", or a percent sign
 * @param number the rest
 */
record Amount(String unit, String number) {
    private static final String UNIT = "(\\p{Sc}|[A-Z]{3}|kr\\.?|%)";
    private static final String SPACE = "[ \u00a0\u202f]?";
    private static final String NUMBER = "([-+\u2212]?\\d[\\d.,' \u00a0\u202f]*)";
    private static final Pattern BEFORE = Pattern.compile(UNIT + SPACE + NUMBER);
    private static final Pattern BEHIND = Pattern.compile(NUMBER + UNIT);

    static Optional<Amount> of(String text) {
        if (!hasNumberAtOneEnd(text)) {
            return Optional.empty();
        }
        Matcher before = BEFORE.matcher(text);
        if (before.matches()) {
            return Optional.of(new Amount(before.group(1), before.group(2)));
        }
        Matcher behind = BEHIND.matcher(text);
        return behind.matches() ? Optional.of(new Amount(behind.group(2), trimmed(behind.group(1)))) : Optional.empty();
    }

    /** Few values have; looking at two characters is far quicker than two patterns. */
    private static boolean hasNumberAtOneEnd(String text) {
        return !text.isEmpty() && beginsNumber(text.charAt(0)) != Character.isDigit(text.charAt(text.length() - 1));
    }

    private static boolean beginsNumber(char sign) {
        return Character.isDigit(sign) || sign == '-' || sign == '+' || sign == '\u2212';
    }

    private static String trimmed(String number) {
        return number.replaceFirst("[ \u00a0\u202f]$", "");
    }
}
