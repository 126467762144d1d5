package mailshelf.render.mail;

/**
 * A mail's body, twice: as HTML and as plain text, with the same figures.
 *
 * @param text lines end with a line feed
 */
public record MailBody(String html, String text) {
    public static MailBody of(MailContent content) {
        return new MailBody(MailHtml.of(content), MailText.of(content));
    }
}
