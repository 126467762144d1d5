/**
 * The stand-in mail server that ships for demo and tests: takes mail by SMTP, keeps it, shows it, misbehaves on request.
 * Open {@link mailshelf.demo.mailroom.MailRoom} first.
 */
package mailshelf.demo.mailroom;
