package mailshelf.store.people;

import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.rights.Group;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Rights;
import mailshelf.core.rights.Role;
import mailshelf.core.wording.Alphabet;
import mailshelf.store.Among;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** People, their passwords' hashes, groups and who is in them. */
public final class PersonStore {
    private static final String PERSON = """
            SELECT id, name, address, zone, locale, week_start, administrator, auditor, active
              FROM person
            """;

    private static Person person(Row row) {
        return new Person(
                new PersonId(row.number("id")),
                row.text("name"),
                row.text("address"),
                ZoneId.of(row.text("zone")),
                Locale.forLanguageTag(row.text("locale")),
                row.choice("week_start", DayOfWeek.class),
                roles(row),
                row.flag("active"));
    }

    private static Set<Role> roles(Row row) {
        return Stream.of(Role.values())
                .filter(role -> row.flag(role.name().toLowerCase(Locale.ROOT)))
                .collect(Collectors.toSet());
    }

    private static Person supposed(Tx tx, Person is) {
        return tx.supposed(SupposedRights.class).map(would -> would.person(is)).orElse(is);
    }

    public List<Person> all(Tx tx) {
        return Alphabet.sorted(tx.listReadable(PERSON, row -> supposed(tx, person(row))), Person::name);
    }

    /** Those who are active. */
    public List<Person> administrators(Tx tx) {
        return Alphabet.sorted(
                tx.listReadable(PERSON + " WHERE administrator AND active", PersonStore::person), Person::name);
    }

    public Optional<Person> find(Tx tx, PersonId id) {
        return tx.one(PERSON + " WHERE id = ?", row -> supposed(tx, person(row)), id);
    }

    /** Those of the people that there are, by their ids. */
    public Map<PersonId, Person> find(Tx tx, Collection<PersonId> ids) {
        return tx.list(PERSON + Among.ids("id"), row -> supposed(tx, person(row)), Set.copyOf(ids)).stream()
                .collect(Collectors.toMap(Person::id, person -> person));
    }

    public Optional<Person> byAddress(Tx tx, String address) {
        return tx.one(PERSON + " WHERE address = ?", PersonStore::person, address.toLowerCase(Locale.ROOT));
    }

    /** @param person its id is not looked at */
    public PersonId insert(Tx tx, Person person, Optional<String> passwordHash) {
        return new PersonId(tx.insert(
                """
                INSERT INTO person (name, address, zone, locale, week_start, password_hash, administrator, auditor, active)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)""",
                person.name(),
                person.address().toLowerCase(Locale.ROOT),
                person.zone().getId(),
                person.locale(),
                person.firstDayOfWeek(),
                passwordHash,
                person.is(Role.ADMINISTRATOR),
                person.is(Role.AUDITOR),
                person.active()));
    }

    /** False when there is no such person. */
    public boolean update(Tx tx, Person person) {
        return tx.update(
                        """
                        UPDATE person
                           SET name = ?, zone = ?, locale = ?, week_start = ?, administrator = ?, auditor = ?,
                               active = ?
                         WHERE id = ?""",
                        person.name(),
                        person.zone().getId(),
                        person.locale(),
                        person.firstDayOfWeek(),
                        person.is(Role.ADMINISTRATOR),
                        person.is(Role.AUDITOR),
                        person.active(),
                        person.id())
                == 1;
    }

    public Optional<String> passwordHash(Tx tx, PersonId id) {
        return tx.one("SELECT password_hash FROM person WHERE id = ?", row -> row.optionalText("password_hash"), id)
                .flatMap(hash -> hash);
    }

    /** Whether an administrator who may come in can sign in. */
    public boolean hasAdministratorWithPassword(Tx tx) {
        return tx.count("SELECT COUNT(*) AS n FROM person WHERE administrator AND active AND password_hash IS NOT NULL")
                > 0;
    }

    /** @return false where somebody else has it */
    public boolean setAddress(Tx tx, PersonId id, String address) {
        String written = address.toLowerCase(Locale.ROOT);
        return tx.update(
                        "UPDATE person SET address = ? WHERE id = ? AND NOT EXISTS "
                                + "(SELECT 1 FROM person other WHERE other.address = ? AND other.id <> ?)",
                        written,
                        id,
                        written,
                        id)
                == 1;
    }

    public void setPasswordHash(Tx tx, PersonId id, String hash) {
        tx.update("UPDATE person SET password_hash = ? WHERE id = ?", hash, id);
    }

    /** The person as the rights ask for him: with his groups. */
    public Rights.Asker asker(Tx tx, Person person) {
        return askers(tx, List.of(person)).get(0);
    }

    /** Many people as the rights ask for them. */
    public List<Rights.Asker> askers(Tx tx, Collection<Person> people) {
        record Membership(PersonId person, GroupId group) {}
        Map<PersonId, Set<GroupId>> are = tx
                .list(
                        "SELECT person, grp FROM membership" + Among.ids("person"),
                        row -> new Membership(new PersonId(row.number("person")), new GroupId(row.number("grp"))),
                        ids(people))
                .stream()
                .collect(Collectors.groupingBy(
                        Membership::person, Collectors.mapping(Membership::group, Collectors.toSet())));
        Map<PersonId, Set<GroupId>> groups = tx.supposed(SupposedRights.class)
                .map(would -> would.groups(are, ids(people)))
                .orElse(are);
        return people.stream()
                .map(person -> new Rights.Asker(
                        person.id(), groups.getOrDefault(person.id(), Set.of()), person.roles(), person.active()))
                .toList();
    }

    /** The names of the groups that people are in. */
    public Map<PersonId, List<String>> groupNames(Tx tx, Collection<Person> some) {
        record Membership(PersonId person, String group) {}
        return tx
                .list(
                        "SELECT m.person, g.name FROM membership m JOIN grp g ON g.id = m.grp" + Among.ids("m.person"),
                        row -> new Membership(new PersonId(row.number("person")), row.text("name")),
                        ids(some))
                .stream()
                .collect(Collectors.groupingBy(
                        Membership::person, Collectors.mapping(Membership::group, Collectors.toList())));
    }

    private static Set<PersonId> ids(Collection<Person> people) {
        return people.stream().map(Person::id).collect(Collectors.toSet());
    }

    public List<Group> groups(Tx tx) {
        return Alphabet.sorted(
                tx.list("SELECT id, name FROM grp", row -> new Group(new GroupId(row.number("id")), row.text("name"))),
                Group::name);
    }

    public void renameGroup(Tx tx, GroupId id, String name) {
        tx.update("UPDATE grp SET name = ? WHERE id = ?", name, id);
    }

    /** With its members' places in it, and what was granted to it. */
    public void deleteGroup(Tx tx, GroupId id) {
        tx.update("DELETE FROM membership WHERE grp = ?", id);
        tx.update("DELETE FROM granted WHERE subject_kind = 'GROUP' AND subject = ?", id);
        tx.update("DELETE FROM grp WHERE id = ?", id);
    }

    public GroupId insertGroup(Tx tx, String name) {
        return new GroupId(tx.insert("INSERT INTO grp (name) VALUES (?)", name));
    }

    public List<PersonId> members(Tx tx, GroupId group) {
        List<PersonId> are = tx.list(
                "SELECT person FROM membership WHERE grp = ? ORDER BY person",
                row -> new PersonId(row.number("person")),
                group);
        return tx.supposed(SupposedRights.class)
                .map(would -> would.members(group, are))
                .orElse(are);
    }

    /** Whoever is not in the list is in the group no more. */
    public void setMembers(Tx tx, GroupId group, List<PersonId> people) {
        tx.update("DELETE FROM membership WHERE grp = ?", group);
        people.forEach(person -> tx.update("INSERT INTO membership (grp, person) VALUES (?, ?)", group, person));
    }
}
