package mailshelf.store;

import java.util.concurrent.locks.ReentrantLock;

/**
 * Makes what is committed outlive a power cut before anybody is told of it. Many waiters share one sync: whoever
 * arrives while one runs is served by the next. Thread-safe.
 */
public final class Durable {
    private final Database database;
    private final ReentrantLock syncing = new ReentrantLock();
    private volatile long started;
    private volatile long finished;

    public Durable(Database database) {
        this.database = database;
    }

    /** Returns when everything committed before the call is on the disk. */
    public void await() {
        long wanted = started + 1;
        syncing.lock();
        try {
            if (finished >= wanted) {
                return;
            }
            long mine = ++started;
            database.sync();
            finished = mine;
        } finally {
            syncing.unlock();
        }
    }
}
