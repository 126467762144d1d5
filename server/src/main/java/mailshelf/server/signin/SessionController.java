package mailshelf.server.signin;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import org.springframework.http.HttpStatus;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The session: who am I, sign in, sign out. */
@RestController
@RequestMapping("/api/v1/session")
class SessionController {
    private final SignIn signIn;
    private final SignedIn signedIn;
    private final Sessions sessions;
    private final HouseSettings settings;
    private final InstantSource clock;
    private final Database database;
    private final Gate gate;
    private final AuditTrail audit;

    record Credentials(String address, String password) {}

    /** @param me empty when nobody is signed in */
    record SessionView(Optional<Me> me, boolean demo, Instant now) {}

    /**
     * @param locale as a language tag (BCP 47)
     * @param manages whether some folder
     */
    record Me(
            PersonId id,
            String name,
            String address,
            String zone,
            DayOfWeek firstDayOfWeek,
            String locale,
            Set<Role> roles,
            boolean manages) {}

    SessionController(
            SignIn signIn,
            SignedIn signedIn,
            Sessions sessions,
            HouseSettings settings,
            BusinessClock clock,
            Database database,
            Gate gate,
            AuditTrail audit) {
        this.signIn = signIn;
        this.signedIn = signedIn;
        this.sessions = sessions;
        this.settings = settings;
        this.clock = clock;
        this.database = database;
        this.gate = gate;
        this.audit = audit;
    }

    @GetMapping
    SessionView get(CsrfToken token) {
        token.getToken(); // asked for, so that the cookie with it is sent before the first change
        Optional<Me> me = signedIn.current().map(this::me);
        return new SessionView(me, settings.demo().isPresent(), clock.instant());
    }

    private Me me(Person person) {
        boolean manages = database.inTransaction(tx -> gate.managesSome(tx, person));
        return new Me(
                person.id(),
                person.name(),
                person.address(),
                person.zone().getId(),
                person.firstDayOfWeek(),
                person.locale().toLanguageTag(),
                person.roles(),
                manages);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void post(@RequestBody Credentials credentials, HttpServletRequest request, HttpServletResponse response) {
        signIn.withPassword(credentials.address(), credentials.password(), request, response);
    }

    @DeleteMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(HttpServletRequest request, HttpServletResponse response) {
        signedIn.current()
                .ifPresent(who -> database.doInTransaction(tx -> audit.keep(tx, who, Act.SIGNED_OUT, Thing.of(who))));
        sessions.end(request, response);
    }
}
