package mailshelf.server.delivery;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.delivery.RunId;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.delivery.RunStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Gives a claimed run back that was not moved on, for another attempt by this server or another. */
@Component
class GiveBack {
    private static final Logger LOG = LoggerFactory.getLogger(GiveBack.class);

    private final Database database;
    private final RunStore runs;
    private final LeaseKeeper lease;
    private final Hindrance hindrance;

    GiveBack(Database database, RunStore runs, LeaseKeeper lease, Hindrance hindrance) {
        this.database = database;
        this.runs = runs;
        this.lease = lease;
        this.hindrance = hindrance;
    }

    void now(RunId id) {
        release(id, lease.now());
    }

    /** What stops all runs alike, a full disk or a folder that cannot be written to, is waited out. */
    void afterFault(RunId id, RuntimeException fault) {
        if (!StoreException.isDisk(fault)) {
            throw fault;
        }
        LOG.error("Run {} waits", id.value(), fault);
        hindrance.isFound(Optional.of(id), fault);
        release(id, lease.now().plus(Hindrance.PAUSE));
    }

    private void release(RunId id, Instant notBefore) {
        database.doInTransaction(tx -> runs.release(tx, id, lease.owner(), notBefore));
    }
}
