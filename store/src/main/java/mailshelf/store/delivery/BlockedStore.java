package mailshelf.store.delivery;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.delivery.RunId;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** What keeps servers from going on, told by each so that all know; of those that are alive. */
public final class BlockedStore {
    private static final long ALL = 0;

    /**
     * What one server has found.
     *
     * @param run empty where it keeps it from everything
     * @param wordsKey key of the sentences that say it, with the folder as their value
     */
    public record Blocked(Optional<RunId> run, String wordsKey, String folder, Instant since) {}

    private static Blocked blocked(Row row) {
        long run = row.number("run");
        return new Blocked(
                run == ALL ? Optional.empty() : Optional.of(new RunId(run)),
                row.text("words_key"),
                row.text("folder"),
                row.instant("since"));
    }

    /** What others than one worker have found. */
    public List<Blocked> ofOthers(Tx tx, String owner) {
        return tx.list(
                "SELECT run, words_key, folder, since FROM blocked WHERE owner <> ? AND owner IN "
                        + "(SELECT owner FROM worker WHERE " + Lease.ALIVE + ") ORDER BY since",
                BlockedStore::blocked,
                owner);
    }

    public void put(Tx tx, String owner, Blocked blocked) {
        tx.update(
                "MERGE INTO blocked (owner, run, words_key, folder, since) VALUES (?, ?, ?, ?, ?)",
                owner,
                blocked.run().map(RunId::value).orElse(ALL),
                blocked.wordsKey(),
                blocked.folder(),
                blocked.since());
    }

    public void remove(Tx tx, String owner, Optional<RunId> run) {
        tx.update(
                "DELETE FROM blocked WHERE owner = ? AND run = ?",
                owner,
                run.map(RunId::value).orElse(ALL));
    }

    /** What workers that are over had found. */
    public void forgetDead(Tx tx) {
        tx.update("DELETE FROM blocked WHERE owner NOT IN (SELECT owner FROM worker)");
    }
}
