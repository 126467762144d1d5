package mailshelf.server.mail;

import jakarta.annotation.PreDestroy;
import jakarta.mail.Address;
import jakarta.mail.AuthenticationFailedException;
import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import javax.net.ssl.SSLException;
import mailshelf.core.delivery.Answer;
import mailshelf.server.HouseSettings;
import mailshelf.server.MailSettings;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.eclipse.angus.mail.smtp.SMTPSenderFailedException;
import org.eclipse.angus.mail.smtp.SMTPTransport;
import org.springframework.stereotype.Component;

/**
 * Hands mails to the house's mail server by SMTP (RFC 5321), over a few connections that are kept open and used again.
 * Never throws for what a server or a network does: that is an {@link Answer}. Thread-safe.
 */
@Component
public class MailServer {
    /** How many mails are handed over side by side. */
    public static final int CONNECTIONS = 4;

    private static final String CONNECT_MILLIS = "10000";

    /** Patience before a silent server is given up (RFC 5321 §4.5.3.2 asks for minutes). */
    private static final String ANSWER_MILLIS = "300000";

    private final HouseSettings settings;
    private final Session session;
    private final BlockingQueue<SMTPTransport> idle = new LinkedBlockingQueue<>(CONNECTIONS);

    MailServer(HouseSettings settings) {
        this.settings = settings;
        Properties properties = new Properties();
        properties.put("mail.smtp.connectiontimeout", CONNECT_MILLIS);
        properties.put("mail.smtp.timeout", ANSWER_MILLIS);
        properties.put("mail.smtp.writetimeout", ANSWER_MILLIS);
        properties.put("mail.smtp.quitwait", "false");
        // every mail would wait 40 ms for an acknowledgement without TCP_NODELAY
        properties.put("mail.smtp.socketFactory", new NoDelaySockets());
        properties.put(
                "mail.smtp.starttls.enable", Boolean.toString(settings.mail().tls() != MailTls.NEVER));
        properties.put(
                "mail.smtp.starttls.required", Boolean.toString(settings.mail().tls() == MailTls.REQUIRED));
        properties.put(
                "mail.smtp.auth", Boolean.toString(settings.mail().login().isPresent()));
        properties.put("mail.smtp.localhost", settings.mail().domain());
        // where a mail server says that a mail could not be delivered (RFC 5321 §4.4)
        properties.put("mail.smtp.from", settings.mail().address());
        this.session = Session.getInstance(properties);
    }

    /** Hands one mail to the server for one recipient, byte for byte as it is: its bytes in order. */
    public Answer send(List<byte[]> mail, String to) {
        SMTPTransport transport;
        try {
            transport = connected();
        } catch (MessagingException e) {
            return notConnected(e);
        }
        ExactMail message = new ExactMail(session, mail);
        try {
            transport.sendMessage(message, new Address[] {new InternetAddress(to, false)});
            Answer answer = Answer.ofCode(transport.getLastReturnCode(), reply(transport.getLastServerResponse()));
            giveBack(transport);
            return answer;
        } catch (MessagingException e) {
            closeQuietly(transport);
            return notSent(e, message);
        }
    }

    private SMTPTransport connected() throws MessagingException {
        SMTPTransport transport = idle.poll();
        if (transport != null && transport.isConnected()) {
            return transport;
        }
        SMTPTransport fresh = (SMTPTransport) session.getTransport("smtp");
        Optional<MailSettings.Login> login = settings.mail().login();
        fresh.connect(
                settings.mail().host(),
                settings.mail().port(),
                login.map(MailSettings.Login::user).orElse(null),
                login.map(MailSettings.Login::password).orElse(null));
        return fresh;
    }

    private void giveBack(SMTPTransport transport) {
        if (!idle.offer(transport)) {
            closeQuietly(transport);
        }
    }

    private static void closeQuietly(SMTPTransport transport) {
        try {
            transport.close();
        } catch (MessagingException e) {
            // it is being thrown away because it failed; a second failure tells nothing new
        }
    }

    private static Answer notConnected(MessagingException e) {
        if (e instanceof AuthenticationFailedException) {
            return new Answer.NoLogin(reply(e.getMessage()));
        }
        Exception deepest = deepest(e);
        String words = reply(deepest.getMessage());
        // a server without STARTTLS is told by these words alone
        boolean unsafe = deepest instanceof SSLException || words.contains("STARTTLS is required");
        return unsafe ? new Answer.Unsafe(words) : new Answer.Unreached(words);
    }

    private static Answer notSent(MessagingException e, ExactMail message) {
        int code = code(e);
        String words = reply(deepest(e).getMessage());
        if (code > 0) {
            return Answer.ofCode(code, words);
        }
        return message.isWritten() ? new Answer.Lost(words) : new Answer.CutOff(words);
    }

    /** The reply code of RFC 5321 that stands behind a failure; 0 where the server said nothing. */
    private static int code(MessagingException e) {
        for (Exception at = e; at != null; at = at instanceof MessagingException m ? m.getNextException() : null) {
            int code = 0;
            if (at instanceof SMTPAddressFailedException failed) {
                code = failed.getReturnCode();
            } else if (at instanceof SMTPSenderFailedException failed) {
                code = failed.getReturnCode();
            } else if (at instanceof SMTPSendFailedException failed
                    && !(failed.getNextException() instanceof SendFailedException)) {
                code = failed.getReturnCode();
            }
            if (code > 0) {
                return code;
            }
        }
        return 0;
    }

    private static Exception deepest(MessagingException e) {
        Exception at = e;
        while (at instanceof MessagingException m && m.getNextException() != null) {
            at = m.getNextException();
        }
        return at;
    }

    private static String reply(String words) {
        return words == null ? "" : words.strip();
    }

    @PreDestroy
    void close() {
        SMTPTransport transport = idle.poll();
        while (transport != null) {
            closeQuietly(transport);
            transport = idle.poll();
        }
    }

    /** A message that is written exactly as it was put together, and knows whether all of it went out. */
    private static final class ExactMail extends MimeMessage {
        private final List<byte[]> bytes;
        private boolean written;

        ExactMail(Session session, List<byte[]> bytes) {
            super(session);
            this.bytes = bytes;
        }

        @Override
        public void writeTo(OutputStream out, String[] ignoreHeaders) throws IOException {
            for (byte[] some : bytes) {
                out.write(some);
            }
            written = true;
        }

        boolean isWritten() {
            return written;
        }
    }
}
