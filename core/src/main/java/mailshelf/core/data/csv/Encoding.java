package mailshelf.core.data.csv;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CoderResult;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import mailshelf.core.Problem;

/**
 * Which encoding a file is in, told by its beginning.
 *
 * @param mark how many bytes at the beginning say so and are no text
 */
public record Encoding(Charset charset, int mark) {
    /** What is left once UTF-8 is ruled out: the usual one of office programs in the west. */
    public static final Charset WINDOWS_1252 = Charset.forName("windows-1252");

    private static final int LOOKED_AT_FOR_ZEROS = 1000;

    /**
     * @param head the first bytes of a file; a character may be cut at their end
     * @throws Problem {@code data.is-spreadsheet}, {@code data.not-text} for what is none
     */
    public static Encoding of(byte[] head) {
        requireText(head);
        if (begins(head, 0xEF, 0xBB, 0xBF)) {
            return new Encoding(StandardCharsets.UTF_8, 3);
        }
        if (begins(head, 0xFF, 0xFE)) {
            return new Encoding(StandardCharsets.UTF_16LE, 2);
        }
        if (begins(head, 0xFE, 0xFF)) {
            return new Encoding(StandardCharsets.UTF_16BE, 2);
        }
        if (zeros(head, 1) > zeros(head, 0)) {
            return new Encoding(StandardCharsets.UTF_16LE, 0);
        }
        if (zeros(head, 0) > 0) {
            return new Encoding(StandardCharsets.UTF_16BE, 0);
        }
        return new Encoding(isUtf8(head) ? StandardCharsets.UTF_8 : WINDOWS_1252, 0);
    }

    private static void requireText(byte[] head) {
        boolean isZip = begins(head, 'P', 'K', 3, 4); // XLSX and ODS are ZIP files
        boolean isOldSpreadsheet = begins(head, 0xD0, 0xCF, 0x11, 0xE0);
        if (isZip || isOldSpreadsheet) {
            throw Problem.invalid("data.is-spreadsheet");
        }
        // text in UTF-16 without a mark has zeros at every other place, no text has them at both
        if (zeros(head, 0) > 0 && zeros(head, 1) > 0 && !begins(head, 0xFF, 0xFE) && !begins(head, 0xFE, 0xFF)) {
            throw Problem.invalid("data.not-text");
        }
    }

    /** How many zero bytes stand at even (0) or odd (1) places of the beginning. */
    private static int zeros(byte[] head, int from) {
        int zeros = 0;
        for (int i = from; i < Math.min(head.length, LOOKED_AT_FOR_ZEROS); i += 2) {
            zeros += head[i] == 0 ? 1 : 0;
        }
        return zeros;
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
