package mailshelf.server.mail;

import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeUtility;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import mailshelf.server.delivery.MailBodies;

/** Takes a mail apart, to show it as its reader sees it. */
public final class ReadMail {
    private static final Session SESSION = Session.getInstance(new Properties());

    private final List<AttachmentView> attachments = new ArrayList<>();
    private String html = "";
    private String text = "";
    private Optional<byte[]> picture = Optional.empty();

    /** A file that hangs on a mail. */
    public record AttachmentView(String name, int sizeBytes) {}

    /**
     * A mail as its reader sees it.
     *
     * @param html with pictures in place; "" where it has none
     */
    public record MailView(
            String from,
            String replyTo,
            String to,
            String subject,
            Optional<Date> date,
            String listId,
            String html,
            String text,
            List<AttachmentView> attachments,
            int sizeBytes) {}

    private ReadMail() {}

    public static MailView read(byte[] mail) {
        try {
            MimeMessage message = new MimeMessage(SESSION, new ByteArrayInputStream(mail));
            ReadMail reader = new ReadMail();
            reader.walk(message);
            String html = reader.picture
                    .map(png -> MailBodies.withPicture(reader.html, png))
                    .orElse(reader.html);
            return new MailView(
                    header(message, "From"),
                    header(message, "Reply-To"),
                    header(message, "To"),
                    Optional.ofNullable(message.getSubject()).orElse(""),
                    Optional.ofNullable(message.getSentDate()),
                    header(message, "List-Id"),
                    html,
                    reader.text,
                    reader.attachments,
                    mail.length);
        } catch (MessagingException | IOException e) {
            throw new IllegalStateException("A kept mail cannot be read", e);
        }
    }

    /** The file of a name that hangs on a mail. */
    public static Optional<byte[]> attachment(byte[] mail, String name) {
        try {
            return attachment(new MimeMessage(SESSION, new ByteArrayInputStream(mail)), name);
        } catch (MessagingException | IOException e) {
            throw new IllegalStateException("A kept mail cannot be read", e);
        }
    }

    private static Optional<byte[]> attachment(Part part, String name) throws MessagingException, IOException {
        if (part.getContent() instanceof Multipart many) {
            for (int i = 0; i < many.getCount(); i++) {
                Optional<byte[]> found = attachment(many.getBodyPart(i), name);
                if (found.isPresent()) {
                    return found;
                }
            }
            return Optional.empty();
        }
        return Part.ATTACHMENT.equalsIgnoreCase(part.getDisposition())
                        && name(part).equals(name)
                ? Optional.of(part.getInputStream().readAllBytes())
                : Optional.empty();
    }

    /** Also as it was written before RFC 2231 was followed. */
    private static String name(Part file) throws MessagingException, IOException {
        return MimeUtility.decodeText(file.getFileName());
    }

    private static String header(MimeMessage message, String name) throws MessagingException, IOException {
        String raw = message.getHeader(name, ", ");
        return raw == null ? "" : MimeUtility.decodeText(MimeUtility.unfold(raw));
    }

    private void walk(Part part) throws MessagingException, IOException {
        if (part.getContent() instanceof Multipart many) {
            for (int i = 0; i < many.getCount(); i++) {
                walk(many.getBodyPart(i));
            }
        } else if (Part.ATTACHMENT.equalsIgnoreCase(part.getDisposition())) {
            int size = part.getInputStream().readAllBytes().length;
            attachments.add(new AttachmentView(name(part), size));
        } else if (part.isMimeType("text/html")) {
            html = (String) part.getContent();
        } else if (part.isMimeType("text/plain")) {
            text = (String) part.getContent();
        } else if (part instanceof MimeBodyPart body && body.getContentID() != null) {
            picture = Optional.of(part.getInputStream().readAllBytes());
        }
    }
}
