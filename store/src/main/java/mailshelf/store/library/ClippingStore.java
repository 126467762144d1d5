package mailshelf.store.library;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import mailshelf.core.json.CoreJson;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Alphabet;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Pages that people put together from blocks of reports. */
public final class ClippingStore {
    private static final String CLIPPING = "SELECT id, owner, name, clips, version FROM clipping";

    private static KeptClipping clipping(Row row) {
        return new KeptClipping(
                new ClippingId(row.number("id")),
                new PersonId(row.number("owner")),
                row.text("name"),
                Arrays.asList(CoreJson.read(row.text("clips"), Clip[].class)),
                row.integer("version"));
    }

    public Optional<KeptClipping> find(Tx tx, ClippingId id) {
        return tx.one(CLIPPING + " WHERE id = ?", ClippingStore::clipping, id);
    }

    public List<KeptClipping> all(Tx tx) {
        return tx.listReadable(CLIPPING, ClippingStore::clipping);
    }

    /** A person's own, by name. */
    public List<KeptClipping> of(Tx tx, PersonId owner) {
        return Alphabet.sorted(
                tx.listReadable(CLIPPING + " WHERE owner = ?", ClippingStore::clipping, owner), KeptClipping::name);
    }

    public ClippingId insert(Tx tx, PersonId owner, String name, List<Clip> clips) {
        return new ClippingId(tx.insert(
                "INSERT INTO clipping (owner, name, clips, version) VALUES (?, ?, ?, 1)",
                owner,
                name,
                CoreJson.write(clips)));
    }

    /** False when it has been changed since the version that this change was made from. */
    public boolean change(Tx tx, KeptClipping clipping) {
        return tx.update(
                        "UPDATE clipping SET name = ?, clips = ?, version = version + 1 WHERE id = ? AND version = ?",
                        clipping.name(),
                        CoreJson.write(clipping.clips()),
                        clipping.id(),
                        clipping.version())
                == 1;
    }

    public void remove(Tx tx, ClippingId id) {
        tx.update("DELETE FROM clipping WHERE id = ?", id);
    }
}
