package mailshelf.core.wording;

/**
 * Texts that stand in a line with others: names that people give, and labels that come from data. Control characters
 * would break the line (in a mail's header, start another), and marks of direction that are not ended there (Unicode
 * UAX #9, embeddings, overrides and isolates) would turn round what stands behind them.
 */
public final class OneLine {
    /** Characters of a name of a person, a group, a folder, a data set, a report or a subscription. */
    public static final int LONGEST_NAME = 120;

    private OneLine() {}

    /** Whether a name can be kept as it is: not blank, not too long, and nothing in it that {@link #of} leaves out. */
    public static boolean isName(String text) {
        return !text.isBlank() && text.length() <= LONGEST_NAME && text.equals(of(text));
    }

    /** The text without what does not belong into a line; a line break is a space. */
    public static String of(String text) {
        StringBuilder line = null;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean breaks = c == '\n' || c == '\r' || c == '\t' || c == '\u2028' || c == '\u2029';
            if (breaks || Character.isISOControl(c) || turns(c)) {
                line = line == null ? new StringBuilder(text.length()).append(text, 0, i) : line;
                line.append(breaks ? " " : "");
            } else if (line != null) {
                line.append(c);
            }
        }
        return line == null ? text : line.toString();
    }

    private static boolean turns(char c) {
        return c >= '\u202a' && c <= '\u202e' || c >= '\u2066' && c <= '\u2069';
    }
}
