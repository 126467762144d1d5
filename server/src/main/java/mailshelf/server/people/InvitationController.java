package mailshelf.server.people;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.InstantSource;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.server.signin.Passwords;
import mailshelf.server.signin.SignIn;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.InvitationStore;
import mailshelf.store.people.PersonStore;
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
    private final Passwords passwords;
    private final SignIn signIn;
    private final InstantSource machineClock;

    /** @param reset whether there is a password that another takes the place of */
    record InvitationView(String name, String address, boolean reset) {}

    record NewPassword(String password) {}

    InvitationController(
            Database database,
            InvitationStore invitations,
            PersonStore people,
            Passwords passwords,
            SignIn signIn,
            InstantSource machineClock) {
        this.database = database;
        this.invitations = invitations;
        this.people = people;
        this.passwords = passwords;
        this.signIn = signIn;
        this.machineClock = machineClock;
    }

    @GetMapping("/{token}")
    InvitationView get(@PathVariable String token) {
        return database.inTransaction(tx -> {
            Person person = invited(tx, token);
            boolean reset = people.passwordHash(tx, person.id()).isPresent();
            return new InvitationView(person.name(), person.address(), reset);
        });
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
            passwords.set(tx, invited, hash, Optional.empty());
            invitations.remove(tx, invited.id());
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
