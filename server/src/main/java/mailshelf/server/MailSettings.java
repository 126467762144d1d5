package mailshelf.server;

import java.util.Optional;
import mailshelf.server.mail.MailTls;

/**
 * How mails leave.
 *
 * @param address the organisation's own address, from which mails come
 * @param host mail server
 * @param tls whether the connection to it is encrypted
 * @param login empty for a server that asks for none
 */
public record MailSettings(String address, String host, int port, MailTls tls, Optional<Login> login) {
    /** Who the mail server is told that we are (RFC 4954); never in a log. */
    public record Login(String user, String password) {
        @Override
        public String toString() {
            return user;
        }
    }

    /** The domain of Message-IDs and List-Ids. */
    public String domain() {
        return address.substring(address.indexOf('@') + 1);
    }
}
