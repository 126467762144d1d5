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
 * A mail as it is kept: its own text, and in place of each shared attachment the checksum of what was encoded there, so
 * that a thousand mails with the same PDF hold it once. Put together again it is byte for byte what was sent.
 */
public final class MailPieces {
    private static final Base64.Encoder ENCODER = Base64.getMimeEncoder(76, new byte[] {'\r', '\n'});

    private MailPieces() {}

    /** Either text (mail on the wire is ASCII or UTF-8; kept as Latin-1, byte by byte), or a part in Base64. */
    record Piece(String text, String sha256) {}

    /** @param shared contents that may stand in the mail, each encoded in Base64 with lines of 76 */
    public static byte[] split(byte[] mail, List<byte[]> shared) {
        List<Piece> pieces = new ArrayList<>();
        String rest = new String(mail, StandardCharsets.ISO_8859_1);
        for (byte[] content : shared) {
            String encoded = new String(ENCODER.encode(content), StandardCharsets.ISO_8859_1);
            int at = rest.indexOf(encoded);
            if (at >= 0) {
                pieces.add(new Piece(rest.substring(0, at), ""));
                pieces.add(new Piece("", Sha256.of(content)));
                rest = rest.substring(at + encoded.length());
            }
        }
        pieces.add(new Piece(rest, ""));
        return CoreJson.write(pieces).getBytes(StandardCharsets.UTF_8);
    }

    /** @param contentOf fetches a shared part by its checksum */
    public static byte[] join(byte[] pieces, Function<String, byte[]> contentOf) {
        ByteArrayOutputStream mail = new ByteArrayOutputStream();
        for (Piece piece : CoreJson.read(pieces, Piece[].class)) {
            mail.writeBytes(
                    piece.sha256().isEmpty()
                            ? piece.text().getBytes(StandardCharsets.ISO_8859_1)
                            : ENCODER.encode(contentOf.apply(piece.sha256())));
        }
        return mail.toByteArray();
    }
}
