package mailshelf.store.source;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.SourceId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Shortened;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;
import mailshelf.store.work.WorkFailureStore;

/** The registered sources. */
public final class SourceStore {
    private static final String SOURCE = """
            SELECT id, folder, name, kind, place, user_name, secret, seconds, most_rows
              FROM source
            """;

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
        return Alphabet.sorted(tx.listReadable(SOURCE, SourceStore::source), Source::name);
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

    /** Another place or password has to be looked after anew. */
    public void update(Tx tx, Source source) {
        tx.update(
                """
                UPDATE source
                   SET folder = ?, name = ?, kind = ?, place = ?, user_name = ?, secret = ?, seconds = ?, most_rows = ?,
                       checked_at = NULL, failure = ''
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

    /**
     * Whether it could be reached.
     *
     * @param at when it was looked after last; empty if never
     * @param failure why it could not; "" where it could
     */
    public record Checked(Optional<Instant> at, String failure) {}

    public Checked checked(Tx tx, SourceId id) {
        return tx.one(
                        "SELECT checked_at, failure FROM source WHERE id = ?",
                        row -> new Checked(row.optionalInstant("checked_at"), row.text("failure")),
                        id)
                .orElseThrow();
    }

    /**
     * Those that data sets come from and nobody has looked after since a moment.
     *
     * @param machineNow by which those wait whose check failed unexpectedly
     */
    public List<SourceId> unchecked(Tx tx, Instant since, Instant machineNow) {
        return tx.list(
                """
                SELECT id FROM source
                 WHERE (checked_at IS NULL OR checked_at < ?)
                   AND EXISTS (SELECT 1 FROM data_set d WHERE d.source = source.id)
                   AND""" + WorkFailureStore.mayBeTried(WorkKind.CHECK_SOURCE, "source.id") + "ORDER BY id",
                row -> new SourceId(row.number("id")),
                since,
                machineNow);
    }

    /** False when another server looks after it already. */
    public boolean claimCheck(Tx tx, SourceId id, Instant since, Instant now) {
        return tx.update(
                        "UPDATE source SET checked_at = ? WHERE id = ? AND (checked_at IS NULL OR checked_at < ?)",
                        now,
                        id,
                        since)
                == 1;
    }

    /** @param failure "" where it could be reached */
    public void keepChecked(Tx tx, SourceId id, String failure) {
        tx.update("UPDATE source SET failure = ? WHERE id = ?", Shortened.to(Widths.REASON, failure), id);
    }

    /** One that no data set uses. */
    public void delete(Tx tx, SourceId id) {
        tx.update("DELETE FROM source WHERE id = ?", id);
    }
}
