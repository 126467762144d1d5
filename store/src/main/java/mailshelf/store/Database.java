package mailshelf.store;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.function.Consumer;
import java.util.function.Function;
import org.flywaydb.core.Flyway;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The database: opened, migrated, and the only source of transactions. */
public final class Database implements AutoCloseable {
    private static final int CONNECTIONS = 10;

    private static final Logger LOG = LoggerFactory.getLogger(Database.class);

    private final Path file;
    private volatile HikariDataSource connections;
    private boolean closed;

    private Database(Path file, HikariDataSource connections) {
        this.file = file;
        this.connections = connections;
    }

    /**
     * Opens the database in a folder and brings its tables up to date.
     *
     * @throws StoreException if another process has it, or the folder cannot be written to
     */
    public static Database open(Path folder) {
        Path file = folder.resolve("mailshelf");
        try {
            HikariDataSource source = pool(file);
            Flyway.configure()
                    .dataSource(source)
                    .locations("classpath:mailshelf/store/migration")
                    .load()
                    .migrate();
            return new Database(file, source);
        } catch (RuntimeException | IOException e) {
            throw new StoreException("The database in " + folder + " cannot be opened", e);
        }
    }

    private static HikariDataSource pool(Path file) throws IOException {
        H2.recover(file);
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(H2.fileUrl(file));
        config.setMaximumPoolSize(CONNECTIONS);
        config.setAutoCommit(false);
        config.setPoolName("mailshelf");
        config.setInitializationFailTimeout(1);
        return new HikariDataSource(config);
    }

    /**
     * H2 closes itself when it cannot write, as on a full disk, and would open the file again at the next connection
     * without {@link H2#recover}: so all connections to it are closed first, and made anew once that is possible.
     */
    private synchronized void reopenIfBroken(HikariDataSource source, StoreException failure) {
        if (closed || connections != source || !failure.isOfDisk()) {
            return;
        }
        source.close();
        try {
            connections = pool(file);
            LOG.warn("The database was closed by a fault of the disk, and is open again");
        } catch (RuntimeException | IOException e) {
            LOG.warn(
                    "The database was closed by a fault of the disk, and cannot be opened again yet: {}",
                    e.getMessage());
        }
    }

    /** Writes all that is committed through to the disk. */
    void sync() {
        doInTransaction(tx -> tx.update(H2.SYNC));
    }

    /** Runs the work in one transaction: all of it is kept, or, if it throws, none. */
    public <T> T inTransaction(Function<Tx, T> work) {
        HikariDataSource source = connections;
        try (Connection connection = source.getConnection()) {
            T result = orRollBack(connection, work);
            connection.commit();
            return result;
        } catch (SQLException e) {
            StoreException failure = new StoreException("A transaction failed", e);
            reopenIfBroken(source, failure);
            throw failure;
        } catch (StoreException e) {
            reopenIfBroken(source, e);
            throw e;
        }
    }

    private static <T> T orRollBack(Connection connection, Function<Tx, T> work) throws SQLException {
        try {
            return work.apply(new Tx(connection));
        } catch (StoreException e) {
            if (!e.isOfDisk()) {
                connection.rollback();
            }
            throw e;
        } catch (RuntimeException | Error e) {
            connection.rollback();
            throw e;
        }
    }

    /** Runs the work and takes back all that it did: its result is what would come of it. */
    public <T> T inDiscardedTransaction(Function<Tx, T> work) {
        try (Connection connection = connections.getConnection()) {
            try {
                return work.apply(new Tx(connection));
            } finally {
                connection.rollback();
            }
        } catch (SQLException e) {
            throw new StoreException("A transaction failed", e);
        }
    }

    public void doInTransaction(Consumer<Tx> work) {
        inTransaction(tx -> {
            work.accept(tx);
            return null;
        });
    }

    @Override
    public synchronized void close() {
        closed = true;
        connections.close();
    }
}
