package mailshelf.server.signin;

import java.nio.charset.StandardCharsets;
import mailshelf.core.Problem;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** What a password must be, and the form in which it is kept. */
@Component
public class Passwords {
    private static final int SHORTEST = 10;

    /** In bytes: bcrypt looks at no more. */
    private static final int LONGEST = 72;

    private final PasswordEncoder encoder = new BCryptPasswordEncoder(12);

    /** @throws Problem {@code invitation.password} for one that is too short or too long */
    public String hash(String password) {
        int bytes = password.getBytes(StandardCharsets.UTF_8).length;
        if (bytes < SHORTEST || bytes > LONGEST) {
            throw Problem.invalid("invitation.password", SHORTEST, LONGEST);
        }
        return encoder.encode(password);
    }

    boolean matches(String password, String hash) {
        return encoder.matches(password, hash);
    }
}
