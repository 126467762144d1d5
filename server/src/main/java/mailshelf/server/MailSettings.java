package mailshelf.server;

import mailshelf.server.mail.MailTls;

/**
 * How mails leave.
 *
 * @param address the organisation's own address, from which mails come
 * @param host mail server
 * @param tls whether the connection to it is encrypted
 */
public record MailSettings(String address, String host, int port, MailTls tls) {
    /** The domain of Message-IDs and List-Ids. */
    public String domain() {
        return address.substring(address.indexOf('@') + 1);
    }
}
