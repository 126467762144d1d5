package mailshelf.server.signin;

import java.security.SecureRandom;
import java.util.Base64;

/** Secrets that nobody guesses, for sessions and links. */
public final class Tokens {
    private static final int BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Tokens() {}

    /** 256 random bits, in letters that an address may have. */
    public static String fresh() {
        byte[] secret = new byte[BYTES];
        RANDOM.nextBytes(secret);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
    }
}
