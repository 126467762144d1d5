package mailshelf.server.mail;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.server.HouseSettings;
import org.springframework.stereotype.Component;

/**
 * Signed links by which a recipient leaves one subscription without an account (RFC 8058): subscription and person, and
 * an HMAC-SHA256 over both under a key that lies in the data folder, readable by its owner alone.
 */
@Component
public class LeaveLinks {
    private static final int KEY_BYTES = 32;
    private static final int SIGNED_BYTES = 2 * Long.BYTES;

    private final SecretKeySpec key;
    private final String baseUrl;

    /** Who leaves what. */
    public record Leaver(SubscriptionId subscription, PersonId person) {}

    LeaveLinks(HouseSettings settings) {
        this.key = new SecretKeySpec(readOrMakeKey(settings.data().resolve("leave-links.key")), "HmacSHA256");
        this.baseUrl = settings.baseUrl();
    }

    private static byte[] readOrMakeKey(Path file) {
        try {
            if (Files.notExists(file)) {
                byte[] fresh = new byte[KEY_BYTES];
                new SecureRandom().nextBytes(fresh);
                Files.createFile(
                        file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
                Files.write(file, fresh);
            }
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public String url(SubscriptionId subscription, PersonId person) {
        byte[] who = ByteBuffer.allocate(SIGNED_BYTES)
                .putLong(subscription.value())
                .putLong(person.value())
                .array();
        byte[] token = Arrays.copyOf(who, SIGNED_BYTES + KEY_BYTES);
        System.arraycopy(sign(who), 0, token, SIGNED_BYTES, KEY_BYTES);
        return baseUrl + "/leave/" + Base64.getUrlEncoder().withoutPadding().encodeToString(token);
    }

    /** Empty for a token that was not made here. */
    public Optional<Leaver> read(String token) {
        byte[] bytes;
        try {
            bytes = Base64.getUrlDecoder().decode(token);
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
        if (bytes.length != SIGNED_BYTES + KEY_BYTES) {
            return Optional.empty();
        }
        byte[] who = Arrays.copyOf(bytes, SIGNED_BYTES);
        byte[] signature = Arrays.copyOfRange(bytes, SIGNED_BYTES, bytes.length);
        if (!MessageDigest.isEqual(signature, sign(who))) {
            return Optional.empty();
        }
        ByteBuffer buffer = ByteBuffer.wrap(who);
        return Optional.of(new Leaver(new SubscriptionId(buffer.getLong()), new PersonId(buffer.getLong())));
    }

    private byte[] sign(byte[] content) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            return mac.doFinal(content);
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Every Java has HMAC-SHA256", e);
        }
    }
}
