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
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Folders and the grid of what groups may do in them, for administrators. */
@RestController
@RequestMapping("/api/v1")
class GrantController {
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final PersonStore people;
    private final AuditTrail audit;
    private final GrantEffect effect;
    private final WhyMay whyMay;

    record NewFolder(String name, Optional<FolderId> parent) {}

    record FolderMade(FolderId id) {}

    record FolderRow(FolderId id, Optional<FolderId> parent, String name) {}

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

    /** @param verbs empty takes the folder's own word away, so that the one above counts; [] says "nothing" */
    record GrantWish(Optional<Set<Verb>> verbs) {}

    GrantController(
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

    @PostMapping("/folders")
    @ResponseStatus(HttpStatus.CREATED)
    FolderMade post(Person who, @RequestBody NewFolder wish) {
        gate.requireAdministrator(who);
        if (!OneLine.isName(wish.name())) {
            throw Problem.invalid("folder.bad-name", OneLine.LONGEST_NAME);
        }
        return database.inTransaction(tx -> {
            wish.parent().ifPresent(parent -> folders.find(tx, parent).orElseThrow(Problem::notFound));
            FolderId made = folders.insert(tx, wish.parent(), wish.name().strip());
            Thing folder = Thing.of(Thing.Kind.FOLDER, made, wish.name().strip());
            audit.keep(tx, who, Act.FOLDER_ADDED, folder);
            return new FolderMade(made);
        });
    }

    @GetMapping("/grants")
    Grid grants(Person who) {
        gate.requireHouseReader(who);
        return database.inTransaction(tx -> {
            List<Folder> all = folders.all(tx);
            List<Group> groups = people.groups(tx);
            Rights rights = folders.rights(tx);
            List<GrantCell> cells = new ArrayList<>();
            all.forEach(folder -> groups.forEach(group -> cells.add(cell(rights, folder.id(), group.id()))));
            return new Grid(
                    all.stream()
                            .map(f -> new FolderRow(f.id(), f.parent(), f.name()))
                            .toList(),
                    groups.stream().map(g -> new GroupColumn(g.id(), g.name())).toList(),
                    cells,
                    personal(tx));
        });
    }

    private List<PersonalGrant> personal(Tx tx) {
        return folders.grants(tx).stream()
                .filter(grant -> grant.subject() instanceof Subject.OfPerson)
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

    private void put(Tx tx, Subject subject, FolderId folder, Optional<Set<Verb>> verbs) {
        verbs.ifPresentOrElse(
                said -> folders.put(tx, new Grant(subject, folder, said)), () -> folders.remove(tx, subject, folder));
    }

    /**
     * What a change would do, before it is made.
     *
     * @param own false asks for the folder's own word to be taken away
     */
    @GetMapping("/grants/{folder}/{group}/effect")
    GrantEffect.Effect effect(
            Person who,
            @PathVariable FolderId folder,
            @PathVariable GroupId group,
            @RequestParam boolean own,
            @RequestParam(defaultValue = "") Set<Verb> verbs) {
        gate.requireHouseReader(who);
        return effect.of(
                who, tx -> put(tx, new Subject.OfGroup(group), folder, own ? Optional.of(verbs) : Optional.empty()));
    }

    /** What somebody may do in a folder, and why. */
    @GetMapping("/folders/{folder}/people/{person}/why")
    WhyMay.Why why(Person who, @PathVariable FolderId folder, @PathVariable PersonId person) {
        gate.requireHouseReader(who);
        return whyMay.of(who, person, folder);
    }

    @GetMapping("/grants/{folder}/people/{person}/effect")
    GrantEffect.Effect effect(
            Person who,
            @PathVariable FolderId folder,
            @PathVariable PersonId person,
            @RequestParam boolean own,
            @RequestParam(defaultValue = "") Set<Verb> verbs) {
        gate.requireHouseReader(who);
        return effect.of(
                who, tx -> put(tx, new Subject.OfPerson(person), folder, own ? Optional.of(verbs) : Optional.empty()));
    }

    @PutMapping("/grants/{folder}/people/{person}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable FolderId folder, @PathVariable PersonId person, @RequestBody GrantWish wish) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> {
            Folder found = folders.find(tx, folder).orElseThrow(Problem::notFound);
            Person granted = people.find(tx, person).orElseThrow(Problem::notFound);
            change(tx, who, found, new Subject.OfPerson(person), granted.name(), wish);
        });
    }

    private void change(Tx tx, Person who, Folder folder, Subject subject, String name, GrantWish wish) {
        FolderId at = folder.id();
        String before = said(name, folders.rights(tx).inForce(subject, at), at);
        put(tx, subject, at, wish.verbs());
        String after = said(name, folders.rights(tx).inForce(subject, at), at);
        audit.keep(tx, who, Act.GRANT_CHANGED, Thing.of(Thing.Kind.FOLDER, at, folder.name()), before, after);
    }

    private static String said(String subject, Optional<Grant> grant, FolderId folder) {
        boolean own = grant.filter(g -> g.folder().equals(folder)).isPresent();
        return GrantWords.said(subject, grant.map(Grant::verbs).orElse(Set.of())) + (own ? "" : " (as above)");
    }

    @PutMapping("/grants/{folder}/{group}")
    GrantCell put(Person who, @PathVariable FolderId folder, @PathVariable GroupId group, @RequestBody GrantWish wish) {
        gate.requireAdministrator(who);
        return database.inTransaction(tx -> {
            Folder found = folders.find(tx, folder).orElseThrow(Problem::notFound);
            Group named = people.groups(tx).stream()
                    .filter(g -> g.id().equals(group))
                    .findFirst()
                    .orElseThrow(Problem::notFound);
            change(tx, who, found, new Subject.OfGroup(group), named.name(), wish);
            return cell(folders.rights(tx), folder, group);
        });
    }
}
