package mailshelf.server.http;

import java.util.Locale;

/** The languages that there are message files for. */
public final class Languages {
    private Languages() {}

    /** The locale if it can be served, English otherwise. */
    public static Locale supported(Locale locale) {
        return locale.getLanguage().equals("en") ? locale : Locale.ENGLISH;
    }
}
