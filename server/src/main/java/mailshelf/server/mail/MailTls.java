package mailshelf.server.mail;

/** Whether mails go to the mail server over an encrypted connection (STARTTLS, RFC 3207). */
public enum MailTls {
    /** Never; for a server on the same machine. */
    NEVER,
    /** When the server offers it; its certificate is checked then. */
    OFFERED,
    /** Only so; without it no mail leaves. */
    REQUIRED
}
