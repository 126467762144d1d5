package mailshelf.server.people;

import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.FolderStore;
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

/** Folders, for administrators. */
@RestController
@RequestMapping("/api/v1/folders")
class FolderController {
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final GrantEffect effect;
    private final AuditTrail audit;

    record NewFolder(String name, Optional<FolderId> parent) {}

    record FolderMade(FolderId id) {}

    FolderController(Gate gate, Database database, FolderStore folders, GrantEffect effect, AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.effect = effect;
        this.audit = audit;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    FolderMade post(Person who, @RequestBody NewFolder wish) {
        gate.requireAdministrator(who);
        requireName(wish.name());
        return database.inTransaction(tx -> {
            wish.parent().ifPresent(parent -> folders.find(tx, parent).orElseThrow(Problem::notFound));
            FolderId made = folders.insert(tx, wish.parent(), wish.name().strip());
            Thing folder = Thing.of(Thing.Kind.FOLDER, made, wish.name().strip());
            audit.keep(tx, who, Act.FOLDER_ADDED, folder);
            return new FolderMade(made);
        });
    }

    private static void requireName(String name) {
        if (!OneLine.isName(name)) {
            throw Problem.invalid("folder.bad-name", OneLine.LONGEST_NAME);
        }
    }

    /** What moving it would do, since what is granted above goes below; without a parent, to the top. */
    @GetMapping("/{id}/effect")
    GrantEffect.Effect effect(Person who, @PathVariable FolderId id, @RequestParam Optional<FolderId> parent) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> requirePlace(tx, folder(tx, id), parent));
        return effect.of(who, new SupposedRights.OfFolder(id, parent));
    }

    /** Another name or another place. */
    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable FolderId id, @RequestBody NewFolder wish) {
        gate.requireAdministrator(who);
        requireName(wish.name());
        database.doInTransaction(tx -> {
            Folder before = folder(tx, id);
            requirePlace(tx, before, wish.parent());
            Folder after = new Folder(id, wish.parent(), wish.name().strip());
            folders.change(tx, after);
            Thing thing = Thing.of(Thing.Kind.FOLDER, id, after.name());
            audit.keep(tx, who, Act.FOLDER_CHANGED, thing, said(tx, before), said(tx, after));
        });
    }

    /** One with nothing in it. */
    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Person who, @PathVariable FolderId id) {
        gate.requireAdministrator(who);
        database.doInTransaction(tx -> {
            Folder folder = folder(tx, id);
            FolderStore.Content content = folders.content(tx, id);
            if (!content.isEmpty()) {
                throw new Problem(Problem.Kind.CONFLICT, "folder.not-empty", folder.name(), said(who, content));
            }
            folders.delete(tx, id);
            audit.keep(tx, who, Act.FOLDER_REMOVED, Thing.of(Thing.Kind.FOLDER, id, folder.name()));
        });
    }

    /** "2 reports and 1 data set". */
    private static String said(Person who, FolderStore.Content content) {
        Words words = Words.in(Languages.supported(who.locale()));
        return words.list(Stream.of(
                        words.say("folder.has.folders", content.folders()),
                        words.say("folder.has.reports", content.reports()),
                        words.say("folder.has.removed", content.removedReports()),
                        words.say("folder.has.data-sets", content.dataSets()),
                        content.removedDataSets() == 0
                                ? ""
                                : words.say("folder.has.removed-data-sets", content.removedDataSets()),
                        words.say("folder.has.sources", content.sources()),
                        words.say("folder.has.named-values", content.namedValues()))
                .filter(part -> !part.isEmpty())
                .toList());
    }

    private Folder folder(Tx tx, FolderId id) {
        return folders.find(tx, id).orElseThrow(Problem::notFound);
    }

    /** Refuses a place within itself. */
    private void requirePlace(Tx tx, Folder folder, Optional<FolderId> parent) {
        Optional<FolderId> at = parent;
        while (at.isPresent()) {
            if (at.get().equals(folder.id())) {
                throw new Problem(Problem.Kind.CONFLICT, "folder.within-itself", folder.name());
            }
            at = folder(tx, at.get()).parent();
        }
    }

    private String said(Tx tx, Folder folder) {
        return folder.parent().map(parent -> folder(tx, parent).name() + " / ").orElse("") + folder.name();
    }
}
