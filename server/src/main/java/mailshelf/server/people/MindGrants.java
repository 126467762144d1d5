package mailshelf.server.people;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Grant;
import mailshelf.core.rights.Group;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Rights;
import mailshelf.core.rights.Role;
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SupposedRights;
import org.springframework.stereotype.Component;

/**
 * What is granted in folders: read and changed in all by administrators, in those that they manage by others, who give
 * there what they like but the right to manage.
 */
@Component
class MindGrants {
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final PersonStore people;
    private final AuditTrail audit;
    private final GrantEffect effect;
    private final WhyMay whyMay;

    /** @param mayChange whether who asks gives rights there */
    record FolderRow(FolderId id, Optional<FolderId> parent, String name, boolean mayChange) {}

    record GroupColumn(GroupId id, String name) {}

    /**
     * A place of the grid.
     *
     * @param own said for this very folder; otherwise the verbs come from the folder above
     * @param verbs what is in force, most far-reaching last; none is nothing
     */
    record GrantCell(FolderId folder, GroupId group, boolean own, List<Verb> verbs) {}

    /** What a single person is granted in a folder and those under it. */
    record PersonalGrant(FolderId folder, PersonId person, String name, List<Verb> verbs) {}

    record Grid(
            List<FolderRow> folders, List<GroupColumn> groups, List<GrantCell> cells, List<PersonalGrant> personal) {}

    /** A grant of somebody in a folder. */
    private record Place(FolderId folder, Subject subject) {}

    MindGrants(
            Gate gate,
            Database database,
            FolderStore folders,
            PersonStore people,
            AuditTrail audit,
            GrantEffect effect,
            WhyMay whyMay) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.people = people;
        this.audit = audit;
        this.effect = effect;
        this.whyMay = whyMay;
    }

    Grid grid(Person who) {
        return database.inTransaction(tx -> {
            gate.requireGrantReader(tx, who);
            Set<FolderId> managed = gate.managed(tx, who);
            List<Folder> shown = folders.all(tx).stream()
                    .filter(folder -> gate.readsHouse(who) || managed.contains(folder.id()))
                    .toList();
            List<Group> groups = people.groups(tx);
            Rights rights = folders.rights(tx);
            List<GrantCell> cells = new ArrayList<>();
            shown.forEach(folder -> groups.forEach(group -> cells.add(cell(rights, folder.id(), group.id()))));
            return new Grid(
                    shown.stream()
                            .map(f -> new FolderRow(f.id(), f.parent(), f.name(), managed.contains(f.id())))
                            .toList(),
                    groups.stream().map(g -> new GroupColumn(g.id(), g.name())).toList(),
                    cells,
                    personal(tx, shown.stream().map(Folder::id).toList()));
        });
    }

    private List<PersonalGrant> personal(Tx tx, List<FolderId> shown) {
        return folders.grants(tx).stream()
                .filter(grant -> grant.subject() instanceof Subject.OfPerson && shown.contains(grant.folder()))
                .map(grant -> {
                    PersonId person = ((Subject.OfPerson) grant.subject()).person();
                    return new PersonalGrant(
                            grant.folder(),
                            person,
                            people.find(tx, person).orElseThrow().name(),
                            grant.verbs().stream().sorted().toList());
                })
                .toList();
    }

    private static GrantCell cell(Rights rights, FolderId folder, GroupId group) {
        Optional<Grant> grant = rights.inForce(new Subject.OfGroup(group), folder);
        return new GrantCell(
                folder,
                group,
                grant.filter(g -> g.folder().equals(folder)).isPresent(),
                grant.map(g -> g.verbs().stream().sorted().toList()).orElse(List.of()));
    }

    WhyMay.Why why(Person who, FolderId folder, PersonId person) {
        database.doInTransaction(tx -> gate.requireGrantReader(tx, who, folder));
        return whyMay.of(who, person, folder);
    }

    /** @param verbs empty takes the folder's own word away, so that the one above counts; none says "nothing" */
    GrantEffect.Effect effect(Person who, FolderId folder, Subject subject, Optional<Set<Verb>> verbs) {
        database.doInTransaction(tx -> gate.requireGrantReader(tx, who, folder));
        Optional<Grant> grant = verbs.map(said -> new Grant(subject, folder, said));
        return effect.of(who, new SupposedRights.OfGrant(subject, folder, grant));
    }

    GrantCell change(Person who, FolderId folder, GroupId group, Optional<Set<Verb>> verbs) {
        return database.inTransaction(tx -> {
            Folder found = gate.managed(tx, who, folder);
            Group named = people.groups(tx).stream()
                    .filter(g -> g.id().equals(group))
                    .findFirst()
                    .orElseThrow(Problem::notFound);
            change(tx, who, found, new Subject.OfGroup(group), named.name(), verbs);
            return cell(folders.rights(tx), folder, group);
        });
    }

    void change(Person who, FolderId folder, PersonId person, Optional<Set<Verb>> verbs) {
        database.doInTransaction(tx -> {
            Folder found = gate.managed(tx, who, folder);
            Person granted = people.find(tx, person).orElseThrow(Problem::notFound);
            change(tx, who, found, new Subject.OfPerson(person), granted.name(), verbs);
        });
    }

    private void change(Tx tx, Person who, Folder folder, Subject subject, String name, Optional<Set<Verb>> verbs) {
        Place place = new Place(folder.id(), subject);
        Optional<Grant> before = inForce(tx, place);
        put(tx, place, verbs);
        Optional<Grant> after = inForce(tx, place);
        // said for this very folder too: it would stay when the one above takes it back
        boolean managersChange =
                manages(before) != manages(after) || manages(own(before, place)) != manages(own(after, place));
        if (managersChange && !who.is(Role.ADMINISTRATOR)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "folder.managers-by-administrators", name, folder.name());
        }
        Thing thing = Thing.of(Thing.Kind.FOLDER, folder.id(), folder.name());
        audit.keep(tx, who, Act.GRANT_CHANGED, thing, said(name, before, place), said(name, after, place));
    }

    private Optional<Grant> inForce(Tx tx, Place place) {
        return folders.rights(tx).inForce(place.subject(), place.folder());
    }

    private static Optional<Grant> own(Optional<Grant> inForce, Place place) {
        return inForce.filter(grant -> grant.folder().equals(place.folder()));
    }

    private static boolean manages(Optional<Grant> grant) {
        return grant.filter(given -> given.verbs().contains(Verb.MANAGE)).isPresent();
    }

    private void put(Tx tx, Place place, Optional<Set<Verb>> verbs) {
        verbs.ifPresentOrElse(
                said -> folders.put(tx, new Grant(place.subject(), place.folder(), said)),
                () -> folders.remove(tx, place.subject(), place.folder()));
    }

    private static String said(String name, Optional<Grant> grant, Place place) {
        boolean own = own(grant, place).isPresent();
        return GrantWords.said(name, grant.map(Grant::verbs).orElse(Set.of())) + (own ? "" : " (as above)");
    }
}
