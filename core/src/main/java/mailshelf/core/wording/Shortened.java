package mailshelf.core.wording;

/** Composed texts, such as a reason with somebody's names in it, that are stored in a column of limited width. */
public final class Shortened {
    private static final String CUT = "…";

    private Shortened() {}

    /**
     * The text as it is, or its beginning with an ellipsis.
     *
     * @param longest in UTF-16 code units, at least 2, as databases count; no character is cut in half
     */
    public static String to(int longest, String text) {
        if (text.length() <= longest) {
            return text;
        }
        int end = longest - CUT.length();
        return text.substring(0, Character.isHighSurrogate(text.charAt(end - 1)) ? end - 1 : end) + CUT;
    }
}
