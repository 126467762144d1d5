package mailshelf.render.html;

/**
 * Puts HTML together with every text escaped; the only way that text gets into markup. All of it is ASCII, so
 * that it needs no encoding in a mail.
 */
public final class Html {
    private final StringBuilder out = new StringBuilder(16_384);

    /** Markup of ours, as it is. */
    public Html raw(String markup) {
        out.append(markup);
        return this;
    }

    public Html text(String text) {
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            int c = text.codePointAt(i);
            switch (c) {
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '&' -> out.append("&amp;");
                case '"' -> out.append("&quot;");
                case '\'' -> out.append("&#39;");
                case '\n' -> out.append('\n');
                default -> character(c);
            }
        }
        return this;
    }

    private void character(int c) {
        if (c > '~') {
            out.append("&#").append(c).append(';');
        } else if (c >= ' ') {
            out.append((char) c);
        }
    }

    /**
     * An element with a class, an inline style (many mail programs drop style sheets) and a text. Paragraphs and
     * headings end a line of the source, which mails of one copy have in common but for a few.
     */
    public Html element(String tag, String attributes, String text) {
        return raw("<" + tag + (attributes.isEmpty() ? "" : " " + attributes) + ">")
                .text(text)
                .raw("</" + tag + (tag.equals("p") || tag.startsWith("h") ? ">\n" : ">"));
    }

    public Html link(String url, String text) {
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
