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
import mailshelf.core.rights.Group;
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
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** People and groups, for administrators; who there is, for all who give rights. */
@RestController
@RequestMapping("/api/v1")
class PeopleController {
    private final Gate gate;
    private final Database database;
    private final PersonStore people;
    private final SessionStore sessions;
    private final Invite invite;
    private final AuditTrail audit;

    record PersonView(
            PersonId id,
            String name,
            String address,
            String zone,
            Set<Role> roles,
            boolean active,
            List<GroupId> groups) {}

    record NewPerson(String name, String address, ZoneId zone, Set<Role> roles) {}

    record PersonChange(String name, ZoneId zone, Set<Role> roles, boolean active) {}

    record GroupView(GroupId id, String name, List<PersonId> members) {}

    record NewGroup(String name) {}

    record Members(List<PersonId> people) {}

    PeopleController(
            Gate gate, Database database, PersonStore people, SessionStore sessions, Invite invite, AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.people = people;
        this.sessions = sessions;
        this.invite = invite;
        this.audit = audit;
    }

    @GetMapping("/people")
    List<PersonView> people(Person who) {
        return database.inTransaction(tx -> {
            gate.requireGrantReader(tx, who);
            return people.all(tx).stream().map(person -> view(tx, person)).toList();
        });
    }

    @PostMapping("/people")
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
            invite.byMail(tx, made, who);
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

    @PutMapping("/people/{id}")
    PersonView put(Person who, @PathVariable PersonId id, @RequestBody PersonChange change) {
        gate.requireAdministrator(who);
        if (id.equals(who.id()) && (!change.roles().contains(Role.ADMINISTRATOR) || !change.active())) {
            throw new Problem(Problem.Kind.CONFLICT, "person.not-yourself");
        }
        require(faultsOfName(change.name()));
        return database.inTransaction(tx -> {
            Person before = people.find(tx, id).orElseThrow(Problem::notFound);
            people.update(
                    tx,
                    new Person(
                            id,
                            change.name().strip(),
                            before.address(),
                            change.zone(),
                            before.locale(),
                            before.firstDayOfWeek(),
                            change.roles(),
                            change.active()));
            Person after = people.find(tx, id).orElseThrow();
            if (!after.active()) {
                sessions.endOthers(tx, id, Optional.empty());
            }
            audit.keep(tx, who, Act.PERSON_CHANGED, Thing.of(after), said(before), said(after));
            return view(tx, after);
        });
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
                person.zone().getId(),
                person.roles(),
                person.active(),
                people.asker(tx, person).groups().stream()
                        .sorted((a, b) -> Long.compare(a.value(), b.value()))
                        .toList());
    }

    @GetMapping("/groups")
    List<GroupView> groups(Person who) {
        gate.requireHouseReader(who);
        return database.inTransaction(
                tx -> people.groups(tx).stream().map(group -> view(tx, group)).toList());
    }

    @PostMapping("/groups")
    @ResponseStatus(HttpStatus.CREATED)
    GroupView post(Person who, @RequestBody NewGroup wish) {
        gate.requireAdministrator(who);
        if (!OneLine.isName(wish.name())) {
            throw Problem.invalid("group.bad-name", OneLine.LONGEST_NAME);
        }
        return database.inTransaction(tx -> {
            if (people.groups(tx).stream()
                    .anyMatch(group -> group.name().equalsIgnoreCase(wish.name().strip()))) {
                throw new Problem(Problem.Kind.CONFLICT, "group.name-taken", wish.name());
            }
            Group made = new Group(
                    people.insertGroup(tx, wish.name().strip()), wish.name().strip());
            audit.keep(tx, who, Act.GROUP_ADDED, Thing.of(Thing.Kind.GROUP, made.id(), made.name()));
            return view(tx, made);
        });
    }

    @PutMapping("/groups/{id}/members")
    GroupView put(Person who, @PathVariable GroupId id, @RequestBody Members members) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            Group group = people.groups(tx).stream()
                    .filter(g -> g.id().equals(id))
                    .findFirst()
                    .orElseThrow(Problem::notFound);
            members.people().forEach(person -> people.find(tx, person).orElseThrow(Problem::notFound));
            String before = names(tx, id);
            people.setMembers(tx, id, members.people().stream().distinct().toList());
            Thing thing = Thing.of(Thing.Kind.GROUP, id, group.name());
            audit.keep(tx, who, Act.MEMBERS_CHANGED, thing, before, names(tx, id));
            return view(tx, group);
        });
    }

    private String names(Tx tx, GroupId group) {
        return people.members(tx, group).stream()
                .map(id -> people.find(tx, id).orElseThrow().name())
                .sorted()
                .collect(Collectors.joining(", "));
    }

    private GroupView view(Tx tx, Group group) {
        return new GroupView(group.id(), group.name(), people.members(tx, group.id()));
    }
}
