package mailshelf.server.data;

import java.io.IOException;
import java.time.Duration;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DueLoads;
import org.springframework.stereotype.Component;

/** Has a data set loaded by one at a time among all servers, by its plan or by hand. Thread-safe. */
@Component
class LoadClaims {
    /** How long somebody who loads by hand waits for a load that is under way. */
    private static final Duration PATIENCE = Duration.ofSeconds(30);

    private static final long LOOK_MILLIS = 200;

    private final Database database;
    private final DueLoads dueLoads;
    private final LeaseKeeper lease;

    /** Claims that could not be given back when their work was done, since the database could not be written to. */
    private final Set<DataSetId> owed = ConcurrentHashMap.newKeySet();

    /** Work on a claimed data set. */
    interface Work<T> {
        T done() throws IOException;
    }

    LoadClaims(Database database, DueLoads dueLoads, LeaseKeeper lease) {
        this.database = database;
        this.dueLoads = dueLoads;
        this.lease = lease;
    }

    /** Does the work, unless the data set is being loaded at this moment, which is normal. */
    void ifFree(DataSetId id, Runnable work) {
        if (take(id)) {
            try {
                work.run();
            } finally {
                giveBack(id);
            }
        }
    }

    /** @throws Problem {@code data.load-under-way} where a load that is under way does not end soon */
    <T> T whenFree(DataSet dataSet, Work<T> work) throws IOException {
        long until = System.nanoTime() + PATIENCE.toNanos();
        while (!take(dataSet.id())) {
            if (System.nanoTime() > until) {
                throw new Problem(Problem.Kind.CONFLICT, "data.load-under-way", dataSet.name());
            }
            rest();
        }
        try {
            return work.done();
        } finally {
            giveBack(dataSet.id());
        }
    }

    private boolean take(DataSetId id) {
        owed.forEach(this::giveBack);
        return database.inTransaction(tx -> dueLoads.claim(tx, id, lease.lease()));
    }

    private void giveBack(DataSetId id) {
        try {
            database.doInTransaction(tx -> dueLoads.release(tx, id, lease.lease()));
            owed.remove(id);
        } catch (StoreException e) {
            owed.add(id);
        }
    }

    private static void rest() {
        try {
            TimeUnit.MILLISECONDS.sleep(LOOK_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
