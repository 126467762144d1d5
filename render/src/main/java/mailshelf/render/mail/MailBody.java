package mailshelf.render.mail;

/**
 * A mail's body, twice: as HTML and as plain text, with the same figures.
 *
 * @param text lines end with a line feed
 */
public record MailBody(String html, String text) {
    /** Mail programs hide what is beyond some 100 kB, the line for leaving with it. */
    private static final int LARGEST_HTML = 100_000;

    private static final int FEWEST_ROWS = 5;

    /** With tables so short that the HTML is shown whole. */
    public static MailBody of(MailContent content) {
        String html = MailHtml.of(content);
        boolean isTooLarge = html.length() > LARGEST_HTML && content.mostRows() > FEWEST_ROWS;
        return isTooLarge ? of(content.shorter()) : new MailBody(html, MailText.of(content));
    }
}
