package mailshelf.server.people;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Group;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.data.RulesOfGroups;
import mailshelf.server.http.ReadsOnly;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SupposedRights;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Groups and who is in them, for administrators. */
@RestController
@RequestMapping("/api/v1/groups")
class GroupController {
    private final Gate gate;
    private final Database database;
    private final PersonStore people;
    private final GrantEffect effect;
    private final RulesOfGroups rulesOfGroups;
    private final AuditTrail audit;

    record GroupView(GroupId id, String name, List<PersonId> members) {}

    record NewGroup(String name) {}

    record Members(List<PersonId> people) {}

    /** @param ruled the data sets whose row rules name the group in a mapping table */
    record GroupUse(List<String> ruled) {}

    GroupController(
            Gate gate,
            Database database,
            PersonStore people,
            GrantEffect effect,
            RulesOfGroups rulesOfGroups,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.people = people;
        this.effect = effect;
        this.rulesOfGroups = rulesOfGroups;
        this.audit = audit;
    }

    @GetMapping
    List<GroupView> groups(Person who) {
        gate.requireHouseReader(who);
        return database.inTransaction(
                tx -> people.groups(tx).stream().map(group -> view(tx, group)).toList());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    GroupView post(Person who, @RequestBody NewGroup wish) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            String name = requireFree(tx, wish.name(), Optional.empty());
            Group made = new Group(people.insertGroup(tx, name), name);
            audit.keep(tx, who, Act.GROUP_ADDED, Thing.of(Thing.Kind.GROUP, made.id(), made.name()));
            return view(tx, made);
        });
    }

    private String requireFree(Tx tx, String wish, Optional<GroupId> own) {
        if (!OneLine.isName(wish)) {
            throw Problem.invalid("group.bad-name", OneLine.LONGEST_NAME);
        }
        String name = wish.strip();
        boolean isTaken = people.groups(tx).stream()
                .anyMatch(group -> group.name().equalsIgnoreCase(name)
                        && own.filter(group.id()::equals).isEmpty());
        if (isTaken) {
            throw new Problem(Problem.Kind.CONFLICT, "group.name-taken", name);
        }
        return name;
    }

    /** Where a group is known by its name, which renaming and removing it would break. */
    @GetMapping("/{id}/use")
    GroupUse use(Person who, @PathVariable GroupId id) {
        gate.requireHouseReader(who);
        return database.inTransaction(
                tx -> new GroupUse(rulesOfGroups.naming(tx, group(tx, id).name())));
    }

    @PutMapping("/{id}")
    GroupView rename(Person who, @PathVariable GroupId id, @RequestBody NewGroup wish) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            Group before = group(tx, id);
            String name = requireFree(tx, wish.name(), Optional.of(id));
            people.renameGroup(tx, id, name);
            audit.keep(tx, who, Act.GROUP_RENAMED, Thing.of(Thing.Kind.GROUP, id, name), before.name(), name);
            return view(tx, new Group(id, name));
        });
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Person who, @PathVariable GroupId id) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> {
            Group group = group(tx, id);
            String members = names(tx, id);
            people.deleteGroup(tx, id);
            audit.keep(tx, who, Act.GROUP_REMOVED, Thing.of(Thing.Kind.GROUP, id, group.name()), members, "");
        });
    }

    /** What a change of who is in the group would do, before it is made. */
    @ReadsOnly
    @PostMapping("/{id}/members/effect")
    GrantEffect.Effect effect(Person who, @PathVariable GroupId id, @RequestBody Members members) {
        gate.requireHouseReader(who);
        database.doInTransaction(tx -> requirePeople(tx, group(tx, id), members));
        return effect.of(who, new SupposedRights.OfGroup(id, Set.copyOf(members.people())));
    }

    private Group group(Tx tx, GroupId id) {
        return people.groups(tx).stream()
                .filter(group -> group.id().equals(id))
                .findFirst()
                .orElseThrow(Problem::notFound);
    }

    private Group requirePeople(Tx tx, Group group, Members members) {
        Set<PersonId> wanted = Set.copyOf(members.people());
        if (people.find(tx, wanted).size() < wanted.size()) {
            throw Problem.notFound();
        }
        return group;
    }

    @PutMapping("/{id}/members")
    GroupView put(Person who, @PathVariable GroupId id, @RequestBody Members members) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            Group group = requirePeople(tx, group(tx, id), members);
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
