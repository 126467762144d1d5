package mailshelf.core.shelf;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 (FIPS 180-4) as lower-case hexadecimal, the name of everything in the archive. */
public final class Sha256 {
    private Sha256() {}

    public static String of(byte[] content) {
        MessageDigest digest = digest();
        digest.update(content);
        return hex(digest);
    }

    public static String of(String content) {
        return of(content.getBytes(StandardCharsets.UTF_8));
    }

    /** For what is too large to be held at once. */
    public static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
    }

    /** What has gone through a digest; it begins anew. */
    public static String hex(MessageDigest digest) {
        return HexFormat.of().formatHex(digest.digest());
    }
}
