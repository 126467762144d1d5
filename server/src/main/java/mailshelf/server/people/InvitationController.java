package mailshelf.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.InstantSource;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.signin.Passwords;
import mailshelf.server.signin.SignIn;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.InvitationStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SessionStore;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Setting one's password by a link that was mailed, without an account yet. */
@RestController
@RequestMapping("/api/v1/invitations")
class InvitationController {
    private final Database database;
    private final InvitationStore invitations;
    private final PersonStore people;
    private final SessionStore sessions;
    private final Passwords passwords;
    private final SignIn signIn;
    private final InstantSource machineClock;
    private final AuditTrail audit;

    record InvitationView(String name, String address) {}

    record NewPassword(String password) {}

    InvitationController(
            Database database,
            InvitationStore invitations,
            PersonStore people,
            SessionStore sessions,
            Passwords passwords,
            SignIn signIn,
            InstantSource machineClock,
            AuditTrail audit) {
        this.database = database;
        this.invitations = invitations;
        this.people = people;
        this.sessions = sessions;
        this.passwords = passwords;
        this.signIn = signIn;
        this.machineClock = machineClock;
        this.audit = audit;
    }

    @GetMapping("/{token}")
    InvitationView get(@PathVariable String token) {
        Person person = database.inTransaction(tx -> invited(tx, token));
        return new InvitationView(person.name(), person.address());
    }

    @PostMapping("/{token}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void post(
            @PathVariable String token,
            @RequestBody NewPassword wish,
            HttpServletRequest request,
            HttpServletResponse response) {
        String hash = passwords.hash(wish.password());
        Person person = database.inTransaction(tx -> {
            Person invited = invited(tx, token);
            people.setPasswordHash(tx, invited.id(), hash);
            sessions.endOthers(tx, invited.id(), Optional.empty());
            invitations.remove(tx, invited.id());
            audit.keep(tx, invited, Act.PASSWORD_SET, Thing.of(Thing.Kind.PERSON, invited.id(), invited.name()));
            return invited;
        });
        signIn.start(person, request, response);
    }

    private Person invited(Tx tx, String token) {
        PersonId id = invitations
                .find(tx, token, machineClock.instant())
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "invitation.over"));
        return people.find(tx, id).filter(Person::active).orElseThrow(Problem::notFound);
    }
}
