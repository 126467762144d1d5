package mailshelf.server.mail;

import jakarta.activation.DataHandler;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.ContentDisposition;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.internet.ParameterList;
import jakarta.mail.internet.PreencodedMimeBodyPart;
import jakarta.mail.util.ByteArrayDataSource;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Date;
import java.util.Optional;
import java.util.Properties;
import mailshelf.core.letter.Letter;
import mailshelf.render.mail.MailBody;
import mailshelf.server.HouseSettings;
import org.springframework.stereotype.Component;

/** Puts a mail together as the bytes that are kept and sent (RFC 5322, RFC 2045). */
@Component
public class MailAssembler {
    public static final String PICTURE_ID = "page@mailshelf";

    static {
        // named here, they are not looked up anew through all jars for each part of each mail
        System.setProperty("jakarta.mail.util.StreamProvider", "org.eclipse.angus.mail.util.MailStreamProvider");
        System.setProperty(
                "jakarta.activation.spi.MailcapRegistryProvider",
                "org.eclipse.angus.activation.MailcapRegistryProviderImpl");
    }

    private static final Session SESSION = Session.getInstance(new Properties());

    private static final int LONGEST_LINE = 998;

    private final HouseSettings settings;

    /** A file to attach. */
    public record Attachment(String name, String type, byte[] content) {}

    MailAssembler(HouseSettings settings) {
        this.settings = settings;
    }

    /** @param encoder knows the lines of the mails before this one */
    public byte[] issue(
            Letter letter,
            MailBody body,
            Optional<byte[]> picture,
            Optional<Attachment> file,
            QuotedPrintable encoder) {
        try {
            MimeMessage message = message(letter.messageId());
            message.setFrom(new InternetAddress(settings.mail().address(), letter.fromName(), "UTF-8"));
            message.setReplyTo(new InternetAddress[] {new InternetAddress(letter.replyTo())});
            message.setRecipient(
                    Message.RecipientType.TO, new InternetAddress(letter.toAddress(), letter.toName(), "UTF-8"));
            message.setSubject(letter.subject(), "UTF-8");
            message.setSentDate(Date.from(letter.date()));
            message.setHeader("List-Id", "<" + letter.listId() + ">");
            if (!letter.leaveUrl().isEmpty()) {
                message.setHeader("List-Unsubscribe", "<" + letter.leaveUrl() + ">");
                if (letter.leaveUrl().startsWith("https:")) { // RFC 8058 §3.1
                    message.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
                }
            }
            message.setHeader("Auto-Submitted", "auto-generated");
            message.setHeader("Shelf-Chain", "sha256=" + letter.chainHead());
            message.setContent(content(body, picture, file, encoder));
            return bytes(message);
        } catch (MessagingException | IOException e) {
            throw new IllegalStateException("A mail could not be put together", e);
        }
    }

    /** A short mail of plain text. */
    byte[] plain(String toName, String toAddress, String messageId, Date date, String subject, String text) {
        try {
            MimeMessage message = message(messageId);
            message.setFrom(new InternetAddress(settings.mail().address(), "Mail Shelf", "UTF-8"));
            message.setRecipient(Message.RecipientType.TO, new InternetAddress(toAddress, toName, "UTF-8"));
            message.setSubject(subject, "UTF-8");
            message.setSentDate(date);
            message.setHeader("Auto-Submitted", "auto-generated");
            message.setText(text, "UTF-8");
            return bytes(message);
        } catch (MessagingException | IOException e) {
            throw new IllegalStateException("A mail could not be put together", e);
        }
    }

    private static MimeMessage message(String messageId) {
        return new MimeMessage(SESSION) {
            @Override
            protected void updateMessageID() throws MessagingException {
                setHeader("Message-ID", messageId);
            }
        };
    }

    private static byte[] bytes(MimeMessage message) throws MessagingException, IOException {
        message.saveChanges();
        ByteArrayOutputStream out = new ByteArrayOutputStream(128_000);
        message.writeTo(out);
        return out.toByteArray();
    }

    private static MimeMultipart content(
            MailBody body, Optional<byte[]> picture, Optional<Attachment> file, QuotedPrintable encoder)
            throws MessagingException, IOException {
        MimeBodyPart html = text(encoder, body.html(), "text/html; charset=UTF-8");
        MimeMultipart alternatives = new MimeMultipart(
                "alternative",
                text(encoder, body.text(), "text/plain; charset=UTF-8"),
                picture.isPresent() ? part(new MimeMultipart("related", html, picture(picture.get()))) : html);
        return file.isPresent() ? new MimeMultipart("mixed", part(alternatives), attachment(file.get())) : alternatives;
    }

    /** As it is where every mail server takes it so, which costs nothing (RFC 2045 §6.2); encoded otherwise. */
    private static MimeBodyPart text(QuotedPrintable encoder, String text, String type) throws MessagingException {
        boolean plain = isPlain(text);
        MimeBodyPart part = new PreencodedMimeBodyPart(plain ? "7bit" : QuotedPrintable.NAME);
        byte[] content = plain ? text.replace("\n", "\r\n").getBytes(StandardCharsets.US_ASCII) : encoder.encode(text);
        part.setDataHandler(new DataHandler(new ByteArrayDataSource(content, type)));
        return part;
    }

    /** ASCII, in lines that are not too long (RFC 5322 §2.1.1), none of which a mailbox file would take for a new mail. */
    private static boolean isPlain(String text) {
        if (text.startsWith(QuotedPrintable.FROM) || text.contains("\n" + QuotedPrintable.FROM)) {
            return false;
        }
        int length = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            length = c == '\n' ? 0 : length + 1;
            if (c > '~' || length > LONGEST_LINE) {
                return false;
            }
        }
        return true;
    }

    private static MimeBodyPart part(MimeMultipart content) throws MessagingException {
        MimeBodyPart part = new MimeBodyPart();
        part.setContent(content);
        return part;
    }

    private static MimeBodyPart picture(byte[] png) throws MessagingException {
        MimeBodyPart part = new MimeBodyPart();
        part.setDataHandler(new DataHandler(new ByteArrayDataSource(png, "image/png")));
        part.setHeader("Content-ID", "<" + PICTURE_ID + ">");
        part.setHeader("Content-Transfer-Encoding", "base64");
        part.setDisposition(MimeBodyPart.INLINE);
        return part;
    }

    private static MimeBodyPart attachment(Attachment file) throws MessagingException {
        MimeBodyPart part = new MimeBodyPart();
        part.setDataHandler(new DataHandler(new ByteArrayDataSource(file.content(), file.type())));
        part.setHeader("Content-Transfer-Encoding", "base64");
        part.setHeader("Content-Disposition", disposition(file.name()));
        return part;
    }

    /** With the name as RFC 2231 has it, which is no quoted string. */
    private static String disposition(String fileName) {
        ParameterList parameters = new ParameterList();
        parameters.set("filename", fileName, "UTF-8");
        return new ContentDisposition(MimeBodyPart.ATTACHMENT, parameters).toString();
    }
}
