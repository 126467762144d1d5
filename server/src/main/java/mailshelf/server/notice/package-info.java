/**
 * Tells people about their own things by short mails. Open {@link mailshelf.server.notice.Notices} first.
 */
package mailshelf.server.notice;
