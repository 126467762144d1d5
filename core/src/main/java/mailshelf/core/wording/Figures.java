package mailshelf.core.wording;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.DecimalFormatSymbols;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Writes numbers for people: grouped by the locale's sign (a thin space in English, as the house sets it), with a true
 * minus sign and a fixed number of decimals. Thread-safe.
 */
public final class Figures {
    /** Stands for a figure that cannot be computed, such as a share of nothing. */
    public static final String NOTHING = "–";

    private static final char THIN_SPACE = '\u2009';
    private static final char MINUS = '\u2212';
    private static final Map<Locale, Figures> BY_LOCALE = new ConcurrentHashMap<>();

    private static final int GROUP = 3;

    private final char zero;
    private final char grouping;
    private final char point;

    private Figures(Locale locale) {
        DecimalFormatSymbols symbols = DecimalFormatSymbols.getInstance(locale);
        char usual = symbols.getGroupingSeparator();
        grouping = "en".equals(locale.getLanguage()) || Character.isSpaceChar(usual) ? THIN_SPACE : usual;
        point = symbols.getDecimalSeparator();
        zero = symbols.getZeroDigit();
    }

    static Figures in(Locale locale) {
        return BY_LOCALE.computeIfAbsent(locale, Figures::new);
    }

    /** The number alone; half rounds away from zero, and what rounds to zero has no sign. */
    public String number(BigDecimal value, int decimals) {
        BigDecimal rounded = value.setScale(decimals, RoundingMode.HALF_UP);
        String plain = rounded.abs().toPlainString();
        int whole = decimals == 0 ? plain.length() : plain.length() - decimals - 1;
        StringBuilder text = new StringBuilder(plain.length() * 2);
        if (rounded.signum() < 0) {
            text.append(MINUS);
        }
        for (int i = 0; i < plain.length(); i++) {
            if (i > 0 && i < whole && (whole - i) % GROUP == 0) {
                text.append(grouping);
            }
            text.append(i == whole ? point : (char) (plain.charAt(i) - '0' + zero));
        }
        return text.toString();
    }

    public String number(long value) {
        return number(BigDecimal.valueOf(value), 0);
    }

    /** The number with its unit behind a no-break space: "93.4 %". */
    public String withUnit(BigDecimal value, int decimals, String unit) {
        String text = number(value, decimals);
        return unit.isEmpty() ? text : text + '\u00a0' + unit;
    }

    /** With its sign always shown: "+3", "−2", "0". */
    public String signed(BigDecimal value, int decimals) {
        String text = number(value, decimals);
        boolean positive = value.setScale(decimals, RoundingMode.HALF_UP).signum() > 0;
        return positive ? "+" + text : text;
    }

    /** A size as people read it: "84 kB", "1.2 MB" (SI units). */
    public String size(long bytes) {
        if (bytes < 1000) {
            return number(bytes) + "\u00a0B";
        }
        if (bytes < 1_000_000) {
            return number((bytes + 500) / 1000) + "\u00a0kB";
        }
        return number(BigDecimal.valueOf(bytes, 6), 1) + "\u00a0MB";
    }
}
