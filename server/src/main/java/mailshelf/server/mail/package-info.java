/**
 * Puts mails together as bytes and hands them to the mail server.
 * Open {@link mailshelf.server.mail.MailAssembler} first, then {@link mailshelf.server.mail.MailServer}.
 */
package mailshelf.server.mail;
