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

    /** Joiners, without which some scripts and emoji cannot be written; between other characters alone. */
    private static final String JOINERS = "\u200c\u200d";

    /** Letters by their category, which show nothing (Unicode's Default_Ignorable_Code_Point). */
    private static final String FILLERS = "\u034f\u115f\u1160\u17b4\u17b5\u3164\uffa0";

    /**
     * Whether a name can be kept as it is: something to be seen in it, not too long, and nothing that {@link #of} leaves
     * out, that cannot be seen, or that is half a character: two names that look alike would be two things.
     */
    public static boolean isName(String text) {
        return text.length() <= LONGEST_NAME
                && text.equals(of(text))
                && text.codePoints().noneMatch(OneLine::isHidden)
                && text.codePoints().anyMatch(c -> !Character.isWhitespace(c) && !Character.isSpaceChar(c) && !joins(c))
                && !joins(text.codePointAt(0))
                && !joins(text.codePointBefore(text.length()));
    }

    private static boolean joins(int c) {
        return JOINERS.indexOf(c) >= 0;
    }

    private static boolean isHidden(int c) {
        int type = Character.getType(c);
        boolean format = type == Character.FORMAT && !joins(c) && !isTag(c);
        return format || type == Character.SURROGATE || FILLERS.indexOf(c) >= 0;
    }

    /** Some flags are written with these. */
    private static boolean isTag(int c) {
        return c >= 0xe0020 && c <= 0xe007f;
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
