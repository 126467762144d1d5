package mailshelf.store.archive;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.function.Function;
import mailshelf.core.json.CoreJson;
import mailshelf.core.shelf.Sha256;

/**
 * A mail in pieces: its own text, and the contents that it shares with other mails. Kept with a checksum in the place of
 * each shared content, so that a thousand mails with the same PDF hold it once; sent with what was encoded once for all
 * of them. Both are the same mail, byte for byte.
 */
public final class MailPieces {
    private static final Base64.Encoder ENCODER = Base64.getMimeEncoder(76, new byte[] {'\r', '\n'});
    private static final int MARK_BYTES = 54;

    private final List<Piece> kept;
    private final List<byte[]> sent;

    private MailPieces(List<Piece> kept, List<byte[]> sent) {
        this.kept = kept;
        this.sent = sent;
    }

    /** Either text (mail on the wire is ASCII or UTF-8; kept as Latin-1, byte by byte), or a part in Base64. */
    record Piece(String text, String sha256) {}

    /**
     * A content that many mails carry.
     *
     * @param mark what stands for it while a mail is put together, short enough for one line of Base64
     * @param encoded in Base64 with lines of 76 (RFC 2045 §6.8), as it stands in the mail
     */
    public record Shared(String sha256, byte[] mark, byte[] encoded) {
        public static Shared of(byte[] content) {
            String sha256 = Sha256.of(content);
            byte[] mark = sha256.substring(0, MARK_BYTES).getBytes(StandardCharsets.ISO_8859_1);
            return new Shared(sha256, mark, ENCODER.encode(content));
        }

        private String encodedMark() {
            return new String(ENCODER.encode(mark), StandardCharsets.ISO_8859_1);
        }
    }

    /**
     * @param marked a mail that holds the marks, encoded in Base64
     * @param shared in the order in which they stand in it
     */
    public static MailPieces of(byte[] marked, List<Shared> shared) {
        List<Piece> kept = new ArrayList<>();
        List<byte[]> sent = new ArrayList<>();
        String rest = new String(marked, StandardCharsets.ISO_8859_1);
        for (Shared content : shared) {
            String mark = content.encodedMark();
            int at = rest.indexOf(mark);
            if (at < 0) {
                throw new IllegalStateException("The mail does not hold the content " + content.sha256());
            }
            kept.add(new Piece(rest.substring(0, at), ""));
            kept.add(new Piece("", content.sha256()));
            sent.add(rest.substring(0, at).getBytes(StandardCharsets.ISO_8859_1));
            sent.add(content.encoded());
            rest = rest.substring(at + mark.length());
        }
        kept.add(new Piece(rest, ""));
        sent.add(rest.getBytes(StandardCharsets.ISO_8859_1));
        return new MailPieces(kept, sent);
    }

    /** As it is kept. */
    public byte[] kept() {
        return CoreJson.bytes(kept);
    }

    /** The bytes on the wire, in order; the arrays are shared with other mails. */
    public List<byte[]> sent() {
        return List.copyOf(sent);
    }

    /**
     * Puts a kept mail together again.
     *
     * @param contentOf fetches a shared content by its checksum
     */
    public static byte[] join(byte[] kept, Function<String, byte[]> contentOf) {
        ByteArrayOutputStream mail = new ByteArrayOutputStream();
        for (Piece piece : CoreJson.read(kept, Piece[].class)) {
            mail.writeBytes(
                    piece.sha256().isEmpty()
                            ? piece.text().getBytes(StandardCharsets.ISO_8859_1)
                            : ENCODER.encode(contentOf.apply(piece.sha256())));
        }
        return mail.toByteArray();
    }
}
