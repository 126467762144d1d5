package mailshelf.render.sheet;

/** What spreadsheets take for a formula when they read or edit a text. */
final class Formulas {
    private static final String BEGINNINGS = "=+-@\t\r\n";

    private Formulas() {}

    static boolean looksLikeOne(String text) {
        return !text.isEmpty() && BEGINNINGS.indexOf(text.charAt(0)) >= 0;
    }
}
