package mailshelf.server.mail;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeUtility;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The quoted-printable form (RFC 2045 §6.7) of texts that have most lines in common, as the mails of one issue have:
 * each different line is encoded once. Made anew for each group of mails, so that it does not grow. Thread-safe.
 */
public final class QuotedPrintable {
    public static final String NAME = "quoted-printable";

    private static final int LONGEST_LINE = 76;

    private final Map<String, byte[]> lines = new ConcurrentHashMap<>();

    /** @param text its lines end with "\n"; they come out ending with CRLF */
    byte[] encode(String text) {
        ByteArrayOutputStream encoded = new ByteArrayOutputStream(text.length() + text.length() / 4);
        int from = 0;
        for (int end = text.indexOf('\n'); end >= 0; end = text.indexOf('\n', from)) {
            encoded.writeBytes(lines.computeIfAbsent(text.substring(from, end), line -> line(line + "\r\n")));
            from = end + 1;
        }
        encoded.writeBytes(line(text.substring(from)));
        return encoded.toByteArray();
    }

    private static byte[] line(String line) {
        if (isItsOwnForm(line)) {
            return line.getBytes(StandardCharsets.US_ASCII);
        }
        ByteArrayOutputStream encoded = new ByteArrayOutputStream();
        try (OutputStream out = MimeUtility.encode(encoded, NAME)) {
            out.write(line.getBytes(StandardCharsets.UTF_8));
        } catch (MessagingException | IOException e) {
            throw new IllegalStateException("A text could not be encoded", e);
        }
        return encoded.toByteArray();
    }

    /** Nothing in it has to be encoded, which holds for most lines of figures and spares them the way through a stream. */
    private static boolean isItsOwnForm(String line) {
        String text = line.endsWith("\r\n") ? line.substring(0, line.length() - 2) : line;
        return text.length() < LONGEST_LINE
                && !text.endsWith(" ")
                && text.chars().allMatch(c -> c >= ' ' && c <= '~' && c != '=');
    }
}
