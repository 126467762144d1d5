package mailshelf.store.source;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.SourceId;
import mailshelf.core.rights.FolderId;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** The registered sources. */
public final class SourceStore {
    private static final String SOURCE =
            "SELECT id, folder, name, kind, place, user_name, secret, seconds, most_rows FROM source";

    private static Source source(Row row) {
        return new Source(
                new SourceId(row.number("id")),
                new FolderId(row.number("folder")),
                row.text("name"),
                row.choice("kind", Source.Kind.class),
                row.text("place"),
                row.text("user_name"),
                row.text("secret"),
                row.integer("seconds"),
                row.integer("most_rows"));
    }

    public List<Source> all(Tx tx) {
        return tx.list(SOURCE + " ORDER BY name", SourceStore::source);
    }

    public Optional<Source> find(Tx tx, SourceId id) {
        return tx.one(SOURCE + " WHERE id = ?", SourceStore::source, id);
    }

    public Optional<Source> byName(Tx tx, String name) {
        return tx.one(SOURCE + " WHERE name = ?", SourceStore::source, name);
    }

    /** @param source its id is given by the database */
    public SourceId insert(Tx tx, Source source) {
        return new SourceId(tx.insert(
                """
                INSERT INTO source (folder, name, kind, place, user_name, secret, seconds, most_rows)
                VALUES (?, ?, ?, ?, ?, ?, ?, ?)""",
                source.folder(),
                source.name(),
                source.kind(),
                source.place(),
                source.user(),
                source.secret(),
                source.seconds(),
                source.mostRows()));
    }

    public void update(Tx tx, Source source) {
        tx.update(
                """
                UPDATE source
                   SET folder = ?, name = ?, kind = ?, place = ?, user_name = ?, secret = ?, seconds = ?, most_rows = ?
                 WHERE id = ?""",
                source.folder(),
                source.name(),
                source.kind(),
                source.place(),
                source.user(),
                source.secret(),
                source.seconds(),
                source.mostRows(),
                source.id());
    }

    /** One that no data set uses. */
    public void delete(Tx tx, SourceId id) {
        tx.update("DELETE FROM source WHERE id = ?", id);
    }
}
