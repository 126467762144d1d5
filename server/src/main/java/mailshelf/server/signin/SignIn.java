package mailshelf.server.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.server.audit.AuditTrail;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

/** Signs a person in by address and password, slowly for those who guess. */
@Component
public class SignIn {
    private final Database database;
    private final PersonStore people;
    private final Passwords passwords;
    private final Throttle throttle;
    private final Sessions sessions;
    /** Made when it is first needed: making it takes as long as it is meant to. */
    private final Supplier<String> nobodysHash;

    private final AuditTrail audit;

    SignIn(
            Database database,
            PersonStore people,
            Passwords passwords,
            Throttle throttle,
            Sessions sessions,
            AuditTrail audit) {
        this.database = database;
        this.people = people;
        this.passwords = passwords;
        this.throttle = throttle;
        this.sessions = sessions;
        this.nobodysHash = SingletonSupplier.of(() -> passwords.hash("somebody else"));
        this.audit = audit;
    }

    /** @throws Problem {@code signin.wrong}, {@code signin.throttled} */
    void withPassword(String address, String password, HttpServletRequest request, HttpServletResponse response) {
        List<Throttle.Key> keys = List.of(
                Throttle.Key.account(address.strip().toLowerCase(Locale.ROOT)),
                Throttle.Key.network(request.getRemoteAddr()));
        throttle.count(keys);
        Optional<Person> person = database.inTransaction(tx -> people.byAddress(tx, address));
        String hash = person.flatMap(p -> database.inTransaction(tx -> people.passwordHash(tx, p.id())))
                .orElseGet(nobodysHash);
        // compared also for unknown addresses, so that the time it takes tells nothing
        boolean right = passwords.matches(password, hash);
        if (!right || person.filter(Person::active).isEmpty()) {
            throttle.refused(keys);
            database.doInTransaction(tx -> keepRefusal(tx, person));
            throw new Problem(Problem.Kind.NOT_SIGNED_IN, "signin.wrong");
        }
        throttle.succeeded(keys);
        start(person.get(), request, response);
    }

    /** What was typed is not kept: it may be a password in the wrong field. */
    private void keepRefusal(Tx tx, Optional<Person> tried) {
        Thing thing = tried.map(Thing::of).orElse(new Thing(Thing.Kind.PERSON, 0, "an address that nobody has"));
        audit.keepOfNobody(tx, thing.name(), Act.SIGN_IN_REFUSED, thing, "", "");
    }

    /** Begins a session of its own (against session fixation). */
    public void start(Person person, HttpServletRequest request, HttpServletResponse response) {
        sessions.begin(person, request, response);
        database.doInTransaction(tx -> audit.keep(tx, person, Act.SIGNED_IN, Thing.of(person)));
    }
}
