package mailshelf.store.source;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;
import javax.crypto.Cipher;
import javax.crypto.SecretKey;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import mailshelf.core.Problem;
import mailshelf.store.SecretFile;

/** Encrypts passwords with a key in the data folder (AES-256-GCM, NIST SP 800-38D); a random start for each. */
public final class Secrets {
    private static final String KEY_FILE = "secrets.key";
    private static final String CIPHER = "AES/GCM/NoPadding";
    private static final int START_BYTES = 12;
    private static final int TAG_BITS = 128;

    private final SecretFile file;

    public Secrets(Path dataFolder) {
        this.file = new SecretFile(dataFolder, KEY_FILE);
    }

    /** "" stays "". */
    public String encrypt(String plain) {
        if (plain.isEmpty()) {
            return "";
        }
        try {
            byte[] start = new byte[START_BYTES];
            new SecureRandom().nextBytes(start);
            Cipher cipher = cipher(Cipher.ENCRYPT_MODE, file.readOrMake(), start);
            byte[] hidden = cipher.doFinal(plain.getBytes(StandardCharsets.UTF_8));
            byte[] whole = ByteBuffer.allocate(start.length + hidden.length)
                    .put(start)
                    .put(hidden)
                    .array();
            return Base64.getEncoder().encodeToString(whole);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Cannot encrypt", e);
        }
    }

    /** @throws Problem {@code source.lost-key} when the key has gone or is another */
    public String decrypt(String secret) {
        if (secret.isEmpty()) {
            return "";
        }
        try {
            ByteBuffer whole = ByteBuffer.wrap(Base64.getDecoder().decode(secret));
            byte[] start = new byte[START_BYTES];
            whole.get(start);
            byte[] hidden = new byte[whole.remaining()];
            whole.get(hidden);
            return new String(cipher(Cipher.DECRYPT_MODE, file.read(), start).doFinal(hidden), StandardCharsets.UTF_8);
        } catch (GeneralSecurityException | IllegalArgumentException e) {
            throw Problem.invalid("source.lost-key", KEY_FILE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Cipher cipher(int mode, String key, byte[] start) throws GeneralSecurityException {
        SecretKey secretKey = new SecretKeySpec(HexFormat.of().parseHex(key), "AES");
        Cipher cipher = Cipher.getInstance(CIPHER);
        cipher.init(mode, secretKey, new GCMParameterSpec(TAG_BITS, start));
        return cipher;
    }
}
