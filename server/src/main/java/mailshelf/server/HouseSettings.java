package mailshelf.server;

import java.nio.file.Path;
import java.util.Optional;
import mailshelf.server.delivery.Arrow;
import mailshelf.server.mail.MailTls;

/**
 * What a server is started with.
 *
 * @param data the folder that holds everything
 * @param database host and port of the database that servers share; empty where this one has it for itself
 * @param server this server's number among those that share the work; part of its archive files' names
 * @param baseUrl how readers reach the server; links in mails begin with it, without a slash at the end
 * @param mailAddress the house's own address, from which mails come
 * @param smtpHost mail server
 * @param demo whether the demo's parts (one-click sign-in, mail room, movable clock) are there
 * @param demoTickets how many rows the largest data set of a new demo has
 * @param deadlyArrow where a test has the process die
 */
public record HouseSettings(
        Path data,
        Optional<String> database,
        int server,
        String baseUrl,
        String mailAddress,
        String smtpHost,
        int smtpPort,
        MailTls smtpTls,
        boolean demo,
        long demoTickets,
        Optional<Arrow> deadlyArrow) {

    /** The domain of Message-IDs and List-Ids. */
    public String mailDomain() {
        return mailAddress.substring(mailAddress.indexOf('@') + 1);
    }

    public String issueUrl(long issue) {
        return baseUrl + "/issues/" + issue;
    }
}
