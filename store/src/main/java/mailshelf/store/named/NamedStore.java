package mailshelf.store.named;

import java.util.List;
import java.util.Optional;
import mailshelf.core.json.CoreJson;
import mailshelf.core.named.NamedId;
import mailshelf.core.named.NamedValue;
import mailshelf.core.rights.FolderId;
import mailshelf.core.wording.Alphabet;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Named values; no two of the house have the same name. */
public final class NamedStore {
    private static final String NAMED = "SELECT id, folder, named, version FROM named_value";

    private static KeptNamed kept(Row row) {
        return new KeptNamed(
                new NamedId(row.number("id")),
                new FolderId(row.number("folder")),
                CoreJson.read(row.text("named"), NamedValue.class),
                row.integer("version"));
    }

    public List<KeptNamed> all(Tx tx) {
        return Alphabet.sorted(
                tx.listReadable(NAMED, NamedStore::kept), kept -> kept.named().name());
    }

    public Optional<KeptNamed> find(Tx tx, NamedId id) {
        return tx.one(NAMED + " WHERE id = ?", NamedStore::kept, id);
    }

    public Optional<KeptNamed> byName(Tx tx, String name) {
        return tx.one(NAMED + " WHERE name = ?", NamedStore::kept, name);
    }

    public NamedId insert(Tx tx, FolderId folder, NamedValue named) {
        return new NamedId(tx.insert(
                "INSERT INTO named_value (folder, name, named, version) VALUES (?, ?, ?, 1)",
                folder,
                named.name(),
                CoreJson.write(named)));
    }

    /** False when it has been changed since the version that this change was made from. */
    public boolean change(Tx tx, KeptNamed after) {
        return tx.update(
                        """
                        UPDATE named_value SET folder = ?, name = ?, named = ?, version = version + 1
                         WHERE id = ? AND version = ?""",
                        after.folder(),
                        after.named().name(),
                        CoreJson.write(after.named()),
                        after.id(),
                        after.version())
                == 1;
    }

    public void remove(Tx tx, NamedId id) {
        tx.update("DELETE FROM named_value WHERE id = ?", id);
    }
}
