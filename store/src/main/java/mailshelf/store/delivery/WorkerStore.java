package mailshelf.store.delivery;

import java.util.List;
import mailshelf.store.Tx;

/** The workers that are alive, each renewing one row by the database's clock. */
public final class WorkerStore {
    /** Begins a life of a server: its earlier lives are over, and what they held is free. */
    public void begin(Tx tx, String owner, int server) {
        tx.update("DELETE FROM worker WHERE server = ?", server);
        tx.update("INSERT INTO worker (owner, server, beat_at) VALUES (?, ?, CURRENT_TIMESTAMP)", owner, server);
    }

    public void beat(Tx tx, String owner) {
        tx.update("UPDATE worker SET beat_at = CURRENT_TIMESTAMP WHERE owner = ?", owner);
    }

    /** Frees all that a worker has claimed; for itself, when it has lost count of what it holds. */
    public void releaseAll(Tx tx, String owner) {
        for (String table : List.of("run", "delivery", "notice")) {
            tx.update("UPDATE " + table + " SET lease_owner = NULL WHERE lease_owner = ?", owner);
        }
    }

    /** Ends a life in good order. */
    public void end(Tx tx, String owner) {
        tx.update("DELETE FROM worker WHERE owner = ?", owner);
    }
}
