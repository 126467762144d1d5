package mailshelf.core.subscription;

/**
 * What a mail brings. The first page's figures always stand in its body as text.
 *
 * @param pdf all chosen pages attached as one PDF
 * @param picture the first page in the body as a picture too
 */
public record Output(boolean pdf, boolean picture) {}
