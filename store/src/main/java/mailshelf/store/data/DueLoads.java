package mailshelf.store.data;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.data.DataSetId;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Tx;
import mailshelf.store.delivery.Lease;
import mailshelf.store.work.WorkFailureStore;

/** Which data sets are due to be loaded, who does it, and which files have been taken. */
public final class DueLoads {
    private static final String MAY_BE_LOADED = WorkFailureStore.mayBeTried(WorkKind.LOAD, "data_set.id");

    /** When it falls due next by time; empty where it does not. */
    public Optional<Instant> next(Tx tx, DataSetId id) {
        return tx.one("SELECT next_load FROM data_set WHERE id = ?", row -> row.optionalInstant("next_load"), id)
                .flatMap(due -> due);
    }

    /**
     * Those whose time has come, longest due first; without those that failed and wait for another try.
     *
     * @param machineNow by which they wait
     */
    public List<DataSetId> due(Tx tx, Instant now, Instant machineNow) {
        return tx.list(
                "SELECT id FROM data_set WHERE next_load <= ? AND " + MAY_BE_LOADED + "ORDER BY next_load, id",
                row -> new DataSetId(row.number("id")),
                now,
                machineNow);
    }

    /** Those that come from a source, by their time or by arrival; without those that failed and wait for another try. */
    public List<DataSetId> fromSources(Tx tx, Instant machineNow) {
        return tx.list(
                "SELECT id FROM data_set WHERE source IS NOT NULL AND " + MAY_BE_LOADED + "ORDER BY id",
                row -> new DataSetId(row.number("id")),
                machineNow);
    }

    /** False when another server loads it at this moment, which is normal. */
    public boolean claim(Tx tx, DataSetId id, Lease lease) {
        return tx.update(
                        "UPDATE data_set SET lease_owner = ? WHERE id = ? AND " + Lease.FREE,
                        lease.owner(),
                        id,
                        lease.owner())
                == 1;
    }

    /** Lets go of a claim. */
    public void release(Tx tx, DataSetId id, Lease lease) {
        tx.update("UPDATE data_set SET lease_owner = NULL WHERE id = ? AND lease_owner = ?", id, lease.owner());
    }

    /** When it falls due next by time; empty where it does not. */
    public void plan(Tx tx, DataSetId id, Optional<Instant> next) {
        tx.update("UPDATE data_set SET next_load = ? WHERE id = ?", next, id);
    }

    /** Has it fall due at once, unless it is already. */
    public void ask(Tx tx, DataSetId id, Instant now) {
        tx.update(
                "UPDATE data_set SET next_load = ? WHERE id = ? AND (next_load IS NULL OR next_load > ?)",
                now,
                id,
                now);
    }

    /** Each file as it was when it was taken last. */
    public List<TakenFile> taken(Tx tx, DataSetId id) {
        return tx.list(
                "SELECT name, size_bytes, modified_at FROM taken_file WHERE data_set = ?",
                row -> new TakenFile(row.text("name"), row.number("size_bytes"), row.instant("modified_at")),
                id);
    }

    /** Whether the rows of a file, as it is, were loaded from it last. */
    public boolean isLoaded(Tx tx, DataSetId id, TakenFile file) {
        return tx.count("""
                        SELECT COUNT(*) AS n
                          FROM taken_file
                         WHERE data_set = ? AND name = ? AND size_bytes = ? AND modified_at = ? AND loaded""", id, file.name(), file.sizeBytes(), file.modifiedAt()) > 0;
    }

    /**
     * Keeps that a file has been taken as it is.
     *
     * @param loaded false where its load failed
     */
    public void take(Tx tx, DataSetId id, TakenFile file, boolean loaded) {
        tx.update("DELETE FROM taken_file WHERE data_set = ? AND name = ?", id, file.name());
        tx.update(
                "INSERT INTO taken_file (data_set, name, size_bytes, modified_at, loaded) VALUES (?, ?, ?, ?, ?)",
                id,
                file.name(),
                file.sizeBytes(),
                file.modifiedAt(),
                loaded);
    }

    /** A plan that asks for other files begins anew. */
    public void forgetTaken(Tx tx, DataSetId id) {
        tx.update("DELETE FROM taken_file WHERE data_set = ?", id);
    }
}
