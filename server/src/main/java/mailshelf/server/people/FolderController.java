package mailshelf.server.people;

import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.people.FolderStore;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Folders, for administrators. */
@RestController
@RequestMapping("/api/v1/folders")
class FolderController {
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final AuditTrail audit;

    record NewFolder(String name, Optional<FolderId> parent) {}

    record FolderMade(FolderId id) {}

    FolderController(Gate gate, Database database, FolderStore folders, AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.audit = audit;
    }

    @PostMapping
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
}
