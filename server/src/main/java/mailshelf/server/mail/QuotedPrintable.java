package mailshelf.server.mail;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * The quoted-printable form (RFC 2045 §6.7) of texts that have most lines in common, as the mails of one issue have:
 * each different line is encoded once. Made anew for each group of mails, so that it does not grow. Thread-safe.
 */
public final class QuotedPrintable {
    public static final String NAME = "quoted-printable";

    /** At the start of a line it begins another mail in mailbox files (RFC 4155), and gets a sign before it on the way. */
    static final String FROM = "From ";

    private static final int LONGEST_LINE = 76;
    private static final byte[] LINE_END = {'\r', '\n'};
    private static final byte[] HEX = "0123456789ABCDEF".getBytes(StandardCharsets.US_ASCII);
    private static final int ESCAPE = 3;

    /** Bytes that one becomes at most: an escape, and its share of the soft line ends. */
    private static final int WORST = ESCAPE + 1;

    private final Map<String, byte[]> lines = new ConcurrentHashMap<>();

    /** @param text its lines end with "\n"; they come out ending with CRLF */
    byte[] encode(String text) {
        ByteArrayOutputStream encoded = new ByteArrayOutputStream(text.length() + text.length() / 4);
        int from = 0;
        for (int end = text.indexOf('\n'); end >= 0; end = text.indexOf('\n', from)) {
            encoded.writeBytes(lines.computeIfAbsent(text.substring(from, end), QuotedPrintable::line));
            encoded.writeBytes(LINE_END);
            from = end + 1;
        }
        encoded.writeBytes(line(text.substring(from)));
        return encoded.toByteArray();
    }

    /** By hand: a sixth of the time that a mail takes went into the library's stream, which goes byte by byte. */
    private static byte[] line(String line) {
        byte[] bytes = line.getBytes(StandardCharsets.UTF_8);
        byte[] encoded = new byte[bytes.length * WORST + WORST];
        int length = 0;
        int column = 0;
        boolean isFrom = line.startsWith(FROM);
        for (int i = 0; i < bytes.length; i++) {
            boolean asItIs = isItsOwnForm(bytes[i], i == bytes.length - 1) && !(isFrom && i == 0);
            int width = asItIs ? 1 : ESCAPE;
            if (column + width >= LONGEST_LINE) {
                length = put(encoded, length, '=', '\r', '\n');
                column = 0;
            }
            length = asItIs
                    ? put(encoded, length, bytes[i])
                    : put(encoded, length, '=', HEX[bytes[i] >> 4 & 0xF], HEX[bytes[i] & 0xF]);
            column += width;
        }
        return Arrays.copyOf(encoded, length);
    }

    /** Blanks at the end of a line may get lost on the way. */
    private static boolean isItsOwnForm(byte each, boolean isLast) {
        return each > ' ' && each <= '~' && each != '=' || each == ' ' && !isLast;
    }

    private static int put(byte[] into, int at, int... signs) {
        int next = at;
        for (int sign : signs) {
            into[next++] = (byte) sign;
        }
        return next;
    }
}
