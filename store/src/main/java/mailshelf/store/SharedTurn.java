package mailshelf.store;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.concurrent.locks.ReentrantLock;

/**
 * The turn among all processes that use one database: a row that its holder keeps locked, on a connection of its own. When
 * the holder dies, so does its connection, and the row is free.
 */
final class SharedTurn implements Turn {
    /** A second holder waits for the first until H2's own patience ends, and then goes on waiting. */
    private static final int MOST_WAITS = 60;

    private final Source source;
    private final ReentrantLock here = new ReentrantLock(true);
    private Connection holding;

    /** Connects to the database. */
    interface Source {
        Connection open() throws SQLException;
    }

    SharedTurn(Source source) {
        this.source = source;
    }

    /** Makes the row where there is none; in a schema of its own, as the tables of the house are made by migrations. */
    static void prepare(Connection connection) throws SQLException {
        try (Statement statement = connection.createStatement()) {
            statement.execute("CREATE SCHEMA IF NOT EXISTS turn");
            statement.execute("CREATE TABLE IF NOT EXISTS turn.holder (id INTEGER PRIMARY KEY)");
            statement.execute("MERGE INTO turn.holder (id) VALUES (1)");
        }
        connection.commit();
    }

    @Override
    public void take() {
        here.lock();
        if (here.getHoldCount() > 1) {
            return;
        }
        try {
            lockRow();
        } catch (SQLException | RuntimeException e) {
            forget();
            here.unlock();
            throw e instanceof SQLException failure
                    ? new StoreException("The turn to write could not be had", failure)
                    : (RuntimeException) e;
        }
    }

    private void lockRow() throws SQLException {
        if (holding == null) {
            holding = source.open();
            holding.setAutoCommit(false);
        }
        for (int waits = 1; ; waits++) {
            try (Statement statement = holding.createStatement()) {
                statement.execute("SELECT id FROM turn.holder FOR UPDATE");
                return;
            } catch (SQLException e) {
                if (!H2.isPatienceOver(e) || waits == MOST_WAITS) {
                    throw e;
                }
            }
        }
    }

    @Override
    public void giveBack() {
        try {
            if (here.getHoldCount() == 1) {
                holding.rollback();
            }
        } catch (SQLException e) {
            forget(); // with its connection the row is free too
        } finally {
            here.unlock();
        }
    }

    private void forget() {
        try {
            if (holding != null) {
                holding.close();
            }
        } catch (SQLException e) {
            // it is gone already
        } finally {
            holding = null;
        }
    }

    @Override
    public void close() {
        here.lock();
        try {
            forget();
        } finally {
            here.unlock();
        }
    }
}
