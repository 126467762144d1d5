package mailshelf.server.http;

import mailshelf.core.wording.Words;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.util.HtmlUtils;

/** Small pages for people without an account, who come from a link in a mail; they need no script. */
public final class PlainPage {
    private static final String PAGE = """
            <!DOCTYPE html>
            <html lang="%s"><head><meta charset="utf-8"><title>%s</title>
            <meta name="viewport" content="width=device-width, initial-scale=1">%s
            <style>
              body { margin: 0; background: #FBF8F1; color: #1D2B2A; font: 18px/1.5 'Source Sans 3', sans-serif }
              main { max-width: 34rem; margin: 12vh auto; padding: 0 24px }
              h1 { font: 600 34px/1.2 Fraunces, Georgia, serif }
              button { font: inherit; font-weight: 600; padding: 8px 16px; border: 0; border-radius: 2px;
                       background: #1F5C4D; color: #FBF8F1; cursor: pointer }
              progress { appearance: none; width: 100%%; height: 6px; border: 0; background: #DDD5C4; color: #1F5C4D }
              progress::-webkit-progress-bar { background: #DDD5C4 }
              progress::-webkit-progress-value { background: #1F5C4D }
              progress::-moz-progress-bar { background: #1F5C4D }
              @media (prefers-color-scheme: dark) {
                body { background: #17211f; color: #efeadd }
                progress { background: #34423f }
                progress::-webkit-progress-bar { background: #34423f }
                progress::-webkit-progress-value { background: #8fc4b2 }
                progress::-moz-progress-bar { background: #8fc4b2 }
              }
            </style></head>
            <body><main><h1>%s</h1><p>%s</p>%s</main></body></html>
            """;

    private PlainPage() {}

    public static ResponseEntity<String> ok(Words words, String title, String text) {
        return page(HttpStatus.OK, words, title, text, "");
    }

    /** With a button that posts to the page's own address. */
    public static ResponseEntity<String> okWithButton(Words words, String title, String text, String button) {
        String form = "<form method=\"post\"><button>" + HtmlUtils.htmlEscape(button) + "</button></form>";
        return page(HttpStatus.OK, words, title, text, form);
    }

    /**
     * The page itself, with a bar, for what takes a while.
     *
     * @param label what the bar shows, in words
     * @param percent 0 to 100
     * @param againSeconds when the browser asks again by itself
     */
    public static String progress(Words words, String title, String text, String label, int percent, int againSeconds) {
        String bar = "<p role=\"status\">" + HtmlUtils.htmlEscape(label)
                + "</p><progress aria-hidden=\"true\" max=\"100\" value=\"" + percent + "\"></progress>";
        return html(words, title, text, bar, "<meta http-equiv=\"refresh\" content=\"" + againSeconds + "\">");
    }

    /** The page itself, for what failed before or inside a controller. */
    static String failed(Words words, String title, String text) {
        return html(words, title, text, "", "");
    }

    public static ResponseEntity<String> notFound(Words words, String title, String text) {
        return page(HttpStatus.NOT_FOUND, words, title, text, "");
    }

    private static ResponseEntity<String> page(HttpStatus status, Words words, String title, String text, String form) {
        return ResponseEntity.status(status).body(html(words, title, text, form, ""));
    }

    private static String html(Words words, String title, String text, String more, String meta) {
        String escaped = HtmlUtils.htmlEscape(title);
        return PAGE.formatted(words.locale().toLanguageTag(), escaped, meta, escaped, HtmlUtils.htmlEscape(text), more);
    }
}
