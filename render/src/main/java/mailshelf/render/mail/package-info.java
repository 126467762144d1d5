/**
 * Decides how a page reads in a mail: as HTML that mail programs show alike, and as plain text.
 * Open {@link mailshelf.render.mail.MailBody} first.
 */
package mailshelf.render.mail;
