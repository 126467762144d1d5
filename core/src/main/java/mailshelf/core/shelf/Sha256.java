package mailshelf.core.shelf;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 (FIPS 180-4) as lower-case hexadecimal, the name of everything in the archive. */
public final class Sha256 {
    private Sha256() {}

    public static String of(byte[] content) {
        return HexFormat.of().formatHex(digest().digest(content));
    }

    public static String of(String content) {
        return of(content.getBytes(StandardCharsets.UTF_8));
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }
}
