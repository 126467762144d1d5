package mailshelf.server.signin;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.server.audit.AuditTrail;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SessionStore;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** What a password must be, and the form in which it is kept. */
@Component
public class Passwords {
    private static final int SHORTEST = 10;

    /** In bytes: bcrypt looks at no more. */
    private static final int LONGEST = 72;

    /** Each keeps a processor busy for as long as it is meant to. */
    private static final int AT_ONCE = 2;

    private static final int MOST_WAITING = 20;

    private final Semaphore turns = new Semaphore(AT_ONCE, true);
    private final PasswordEncoder encoder = new BCryptPasswordEncoder(12);
    private final PersonStore people;
    private final SessionStore sessions;
    private final AuditTrail audit;

    Passwords(PersonStore people, SessionStore sessions, AuditTrail audit) {
        this.people = people;
        this.sessions = sessions;
        this.audit = audit;
    }

    /** @throws Problem {@code invitation.password} for one that is too short or too long */
    public String hash(String password) {
        int bytes = password.getBytes(StandardCharsets.UTF_8).length;
        if (bytes < SHORTEST || bytes > LONGEST) {
            throw Problem.invalid("invitation.password", SHORTEST, LONGEST);
        }
        return inTurn(() -> encoder.encode(password));
    }

    /** @throws Problem {@code signin.busy} where too many wait already */
    private <T> T inTurn(Supplier<T> work) {
        if (turns.getQueueLength() >= MOST_WAITING) {
            throw new Problem(Problem.Kind.UNAVAILABLE, "signin.busy");
        }
        turns.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            turns.release();
        }
    }

    /**
     * Sets a person's password, and ends the sessions that the old one began.
     *
     * @param hash as {@link #hash} made it, outside of any transaction, since it takes as long as it is meant to
     * @param but the session that goes on
     * @return how many were ended
     */
    public int set(Tx tx, Person person, String hash, Optional<Long> but) {
        people.setPasswordHash(tx, person.id(), hash);
        audit.keep(tx, person, Act.PASSWORD_SET, Thing.of(person));
        return sessions.endOthers(tx, person.id(), but);
    }

    boolean matches(String password, String hash) {
        return inTurn(() -> encoder.matches(password, hash));
    }
}
