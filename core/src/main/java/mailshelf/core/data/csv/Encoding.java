package mailshelf.core.data.csv;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;

/**
 * Which encoding a file is in, told by its beginning.
 *
 * @param mark how many bytes at the beginning say so and are no text
 */
public record Encoding(Charset charset, int mark) {
    /** What is left once UTF-8 is ruled out: the usual one of office programs in the west. */
    public static final Charset WINDOWS_1252 = Charset.forName("windows-1252");

    /** @param head the first bytes of a file; a character may be cut at their end */
    public static Encoding of(byte[] head) {
        if (begins(head, 0xEF, 0xBB, 0xBF)) {
            return new Encoding(StandardCharsets.UTF_8, 3);
        }
        if (begins(head, 0xFF, 0xFE)) {
            return new Encoding(StandardCharsets.UTF_16LE, 2);
        }
        if (begins(head, 0xFE, 0xFF)) {
            return new Encoding(StandardCharsets.UTF_16BE, 2);
        }
        return new Encoding(isUtf8(head) ? StandardCharsets.UTF_8 : WINDOWS_1252, 0);
    }

    private static boolean begins(byte[] head, int... bytes) {
        for (int i = 0; i < bytes.length; i++) {
            if (i >= head.length || (head[i] & 0xFF) != bytes[i]) {
                return false;
            }
        }
        return true;
    }

    private static boolean isUtf8(byte[] head) {
        CoderResult result = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .decode(ByteBuffer.wrap(head), CharBuffer.allocate(head.length), false);
        return !result.isError();
    }
}
