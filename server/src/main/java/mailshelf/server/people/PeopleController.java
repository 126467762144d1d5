package mailshelf.server.people;

import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.audience.MailAddress;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SessionStore;
import mailshelf.store.people.SupposedRights;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** People, for administrators; who there is, for all who give rights. */
@RestController
@RequestMapping("/api/v1/people")
class PeopleController {
    private final Gate gate;
    private final Database database;
    private final PersonStore people;
    private final SessionStore sessions;
    private final Invite invite;
    private final AddressChanges addresses;
    private final GrantEffect effect;
    private final AuditTrail audit;

    /**
     * @param newAddress one that waits to be confirmed by whoever reads it
     * @param invited whether no password was set yet
     */
    record PersonView(
            PersonId id,
            String name,
            String address,
            Optional<String> newAddress,
            boolean invited,
            String zone,
            Set<Role> roles,
            boolean active,
            List<GroupId> groups) {}

    record NewPerson(String name, String address, ZoneId zone, Set<Role> roles) {}

    record NewAddress(String address) {}

    record PersonChange(String name, ZoneId zone, Set<Role> roles, boolean active) {}

    PeopleController(
            Gate gate,
            Database database,
            PersonStore people,
            SessionStore sessions,
            Invite invite,
            AddressChanges addresses,
            GrantEffect effect,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.people = people;
        this.sessions = sessions;
        this.invite = invite;
        this.addresses = addresses;
        this.effect = effect;
        this.audit = audit;
    }

    @GetMapping
    List<PersonView> people(Person who) {
        return database.inTransaction(tx -> {
            gate.requireGrantReader(tx, who);
            return people.all(tx).stream().map(person -> view(tx, person)).toList();
        });
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    PersonView post(Person who, @RequestBody NewPerson wish) {
        gate.requireAdministrator(who);
        List<Problem.Fault> faults = new ArrayList<>(faultsOfName(wish.name()));
        if (!MailAddress.isOne(wish.address())) {
            faults.add(new Problem.Fault("address", "one mail address, such as ida@brinewater.example"));
        }
        require(faults);
        return database.inTransaction(tx -> {
            if (people.byAddress(tx, wish.address()).isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "person.address-taken", wish.address());
            }
            Person person = new Person(
                    new PersonId(0),
                    wish.name().strip(),
                    wish.address(),
                    wish.zone(),
                    Locale.ENGLISH,
                    DayOfWeek.MONDAY,
                    wish.roles(),
                    true);
            Person made =
                    people.find(tx, people.insert(tx, person, Optional.empty())).orElseThrow();
            invite.invite(tx, made, who);
            audit.keep(tx, who, Act.PERSON_ADDED, Thing.of(made), "", said(made));
            return view(tx, made);
        });
    }

    private static List<Problem.Fault> faultsOfName(String name) {
        return OneLine.isName(name)
                ? List.of()
                : List.of(new Problem.Fault("name", "1 to " + OneLine.LONGEST_NAME + " characters on one line"));
    }

    private static void require(List<Problem.Fault> faults) {
        if (!faults.isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "person.bad-fields",
                    faults,
                    faults.get(0).field());
        }
    }

    /** What a change of roles, or of who is active, would do, before it is made. */
    @GetMapping("/{id}/effect")
    GrantEffect.Effect effect(
            Person who,
            @PathVariable PersonId id,
            @RequestParam(defaultValue = "") Set<Role> roles,
            @RequestParam boolean active) {
        gate.requireHouseReader(who);
        Person is = database.inTransaction(tx -> people.find(tx, id)).orElseThrow(Problem::notFound);
        PersonChange change = new PersonChange(is.name(), is.zone(), roles, active);
        return effect.of(who, new SupposedRights.OfPerson(changed(is, change)));
    }

    @PutMapping("/{id}")
    PersonView put(Person who, @PathVariable PersonId id, @RequestBody PersonChange change) {
        gate.requireAdministrator(who);
        if (id.equals(who.id()) && (!change.roles().contains(Role.ADMINISTRATOR) || !change.active())) {
            throw new Problem(Problem.Kind.CONFLICT, "person.not-yourself");
        }
        require(faultsOfName(change.name()));
        return database.inTransaction(tx -> {
            Person before = people.find(tx, id).orElseThrow(Problem::notFound);
            people.update(tx, changed(before, change));
            Person after = people.find(tx, id).orElseThrow();
            if (!after.active()) {
                sessions.endOthers(tx, id, Optional.empty());
            }
            audit.keep(tx, who, Act.PERSON_CHANGED, Thing.of(after), said(before), said(after));
            return view(tx, after);
        });
    }

    private static Person changed(Person before, PersonChange change) {
        return new Person(
                before.id(),
                change.name().strip(),
                before.address(),
                change.zone(),
                before.locale(),
                before.firstDayOfWeek(),
                change.roles(),
                change.active());
    }

    /** Mails somebody who has not come in yet a link in the place of the one before. */
    @PostMapping("/{id}/invitations")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void inviteAgain(Person who, @PathVariable PersonId id) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> {
            Person person = active(tx, id);
            if (people.passwordHash(tx, id).isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "person.has-password", person.name());
            }
            invite.invite(tx, person, who);
            audit.keep(tx, who, Act.PERSON_INVITED_AGAIN, Thing.of(person));
        });
    }

    /** Asks the new address for its confirmation; until then the old one goes on. */
    @PutMapping("/{id}/address")
    PersonView changeAddress(Person who, @PathVariable PersonId id, @RequestBody NewAddress wish) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            Person person = active(tx, id);
            addresses.ask(tx, who, person, wish.address());
            return view(tx, person);
        });
    }

    @DeleteMapping("/{id}/address")
    PersonView withdrawAddress(Person who, @PathVariable PersonId id) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            Person person = people.find(tx, id).orElseThrow(Problem::notFound);
            addresses.withdraw(tx, who, person);
            return view(tx, person);
        });
    }

    private Person active(Tx tx, PersonId id) {
        Person person = people.find(tx, id).orElseThrow(Problem::notFound);
        if (!person.active()) {
            throw new Problem(Problem.Kind.CONFLICT, "person.not-active", person.name());
        }
        return person;
    }

    private static String said(Person person) {
        return String.join(
                ", ",
                person.name(),
                person.address(),
                person.zone().getId(),
                said(person.roles()),
                person.active() ? "active" : "not active");
    }

    private static String said(Set<Role> roles) {
        return roles.isEmpty()
                ? "no role"
                : roles.stream()
                        .sorted()
                        .map(role -> role.name().toLowerCase(Locale.ROOT))
                        .collect(Collectors.joining(" and "));
    }

    private PersonView view(Tx tx, Person person) {
        return new PersonView(
                person.id(),
                person.name(),
                person.address(),
                addresses.waiting(tx, person.id()),
                people.passwordHash(tx, person.id()).isEmpty(),
                person.zone().getId(),
                person.roles(),
                person.active(),
                people.asker(tx, person).groups().stream()
                        .sorted((a, b) -> Long.compare(a.value(), b.value()))
                        .toList());
    }
}
