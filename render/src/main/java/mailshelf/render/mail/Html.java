package mailshelf.render.mail;

import java.util.Map;

/** Puts HTML together with every text escaped; the only way that text gets into a mail's markup. */
final class Html {
    private static final Map<Character, String> ESCAPES =
            Map.of('<', "&lt;", '>', "&gt;", '&', "&amp;", '"', "&quot;", '\'', "&#39;");

    private final StringBuilder out = new StringBuilder(16_384);

    /** Markup of ours, as it is. */
    Html raw(String markup) {
        out.append(markup);
        return this;
    }

    Html text(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            String escaped = ESCAPES.get(c);
            if (escaped != null) {
                out.append(escaped);
            } else if (c >= ' ' || c == '\n') {
                out.append(c);
            }
        }
        return this;
    }

    /** An element with a class, an inline style (many mail programs drop style sheets) and a text. */
    Html element(String tag, String attributes, String text) {
        return raw("<" + tag + (attributes.isEmpty() ? "" : " " + attributes) + ">")
                .text(text)
                .raw("</" + tag + ">");
    }

    Html link(String url, String text) {
        return raw("<a href=\"")
                .text(url)
                .raw("\" class=\"l\" style=\"color:#3E5C86\">")
                .text(text)
                .raw("</a>");
    }

    @Override
    public String toString() {
        return out.toString();
    }
}
