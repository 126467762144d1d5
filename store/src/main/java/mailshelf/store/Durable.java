package mailshelf.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.locks.ReentrantLock;
import javax.sql.DataSource;

/**
 * Makes what is committed outlive a power cut before anybody is told of it. Many waiters share one sync: whoever
 * arrives while one runs is served by the next. Thread-safe.
 */
public final class Durable {
    private final DataSource connections;
    private final ReentrantLock syncing = new ReentrantLock();
    private volatile long started;
    private volatile long finished;

    public Durable(Database database) {
        this.connections = database.connections();
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
            sync();
            finished = mine;
        } finally {
            syncing.unlock();
        }
    }

    private void sync() {
        try (Connection connection = connections.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute(H2.SYNC);
            connection.commit();
        } catch (SQLException e) {
            throw new StoreException("What is committed could not be written through to the disk", e);
        }
    }
}
