package mailshelf.store;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import org.flywaydb.core.Flyway;
import org.h2.mvstore.MVStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** The database: opened, migrated, and the only source of transactions. */
public final class Database implements AutoCloseable {
    private static final int CONNECTIONS = 10;

    private static final Logger LOG = LoggerFactory.getLogger(Database.class);

    /** How the connections are made, at first and after a fault. */
    private interface Source {
        HikariDataSource open() throws IOException;
    }

    private final Source source;
    private final Turn turn;
    private volatile HikariDataSource connections;
    private Optional<Upkeep> upkeep = Optional.empty();
    private boolean closed;

    private Database(Source source, Turn turn, HikariDataSource connections) {
        this.source = source;
        this.turn = turn;
        this.connections = connections;
    }

    /**
     * Opens the database in a folder, for this process alone, and brings its tables up to date.
     *
     * @throws StoreException if another process has it, or the folder cannot be written to
     */
    public static Database open(Path folder) {
        Database database = open("in " + folder, Turn.here(), () -> {
            H2.recover(H2.file(folder));
            return pool(H2.fileUrl(folder), DatabaseKey.of(folder));
        });
        database.upkeep = Optional.of(new Upkeep(database.turn, database::file));
        return database;
    }

    /**
     * Connects to a database that {@link SharedDatabase} keeps, and brings its tables up to date.
     *
     * @param address host and port
     * @param folder the data folder that the servers share, which holds the key
     * @throws StoreException if it does not answer, or refuses the key
     */
    public static Database connect(String address, Path folder) {
        Turn turn = new SharedTurn(() -> serverConnection(address, folder));
        return open("at " + address, turn, () -> pool(H2.serverUrl(address), DatabaseKey.of(folder)));
    }

    /** Whether a folder has a database in it that no other process has. */
    public static boolean isIn(Path folder) {
        return H2.isIn(folder);
    }

    /** Whether a shared database answers to the key in the data folder. */
    public static boolean answers(String address, Path folder) {
        try {
            serverConnection(address, folder).close();
            return true;
        } catch (SQLException | StoreException e) {
            return false;
        }
    }

    private static Connection serverConnection(String address, Path folder) throws SQLException {
        try {
            return DriverManager.getConnection(H2.serverUrl(address), H2.USER, DatabaseKey.of(folder));
        } catch (IOException e) {
            throw new StoreException("The key of the database cannot be read", e);
        }
    }

    private static Database open(String place, Turn turn, Source source) {
        try {
            HikariDataSource connections = source.open();
            Flyway.configure()
                    .dataSource(connections)
                    .locations("classpath:mailshelf/store/migration")
                    .load()
                    .migrate();
            return new Database(source, turn, connections);
        } catch (RuntimeException | IOException e) {
            throw new StoreException("The database " + place + " cannot be opened", e);
        }
    }

    private static HikariDataSource pool(String url, String password) {
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(url);
        config.setUsername(H2.USER);
        config.setPassword(password);
        config.setMaximumPoolSize(CONNECTIONS);
        config.setAutoCommit(false);
        config.setPoolName("mailshelf");
        config.setInitializationFailTimeout(1);
        return new HikariDataSource(config);
    }

    /**
     * H2 closes itself when it cannot write, as on a full disk, and would open the file again at the next connection
     * without {@link H2#recover}: so all connections to it are closed first, and made anew once that is possible. A
     * shared one that has gone is connected to again in the same way.
     */
    private synchronized void reopenIfBroken(HikariDataSource broken, StoreException failure) {
        if (closed || connections != broken || !failure.isOfDisk()) {
            return;
        }
        broken.close();
        try {
            connections = source.open();
            LOG.warn("The database was closed by a fault, and is open again");
        } catch (RuntimeException | IOException e) {
            LOG.warn("The database was closed by a fault, and cannot be opened again yet: {}", e.getMessage());
        }
    }

    MVStore file() throws SQLException {
        try (Connection connection = connections.getConnection()) {
            return H2.file(connection);
        }
    }

    /** Writes all that is committed through to the disk. */
    void sync() {
        doInTransaction(tx -> tx.update(H2.SYNC));
    }

    /** Runs the work in one transaction: all of it is kept, or, if it throws, none. */
    public <T> T inTransaction(Function<Tx, T> work) {
        HikariDataSource current = connections;
        try (Connection connection = current.getConnection()) {
            Tx tx = new Tx(connection, turn);
            T result;
            try {
                result = orRollBack(connection, tx, work);
                connection.commit();
            } finally {
                tx.end();
            }
            tx.isKept();
            return result;
        } catch (SQLException e) {
            StoreException failure = new StoreException("A transaction failed", e);
            reopenIfBroken(current, failure);
            throw failure;
        } catch (StoreException e) {
            reopenIfBroken(current, e);
            throw e;
        }
    }

    private static <T> T orRollBack(Connection connection, Tx tx, Function<Tx, T> work) throws SQLException {
        try {
            return work.apply(tx);
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

    /** Runs work that reads some of what is there as it would be, and changes nothing: its result is what would come of it. */
    public <T> T supposing(Object supposed, Function<Tx, T> work) {
        try (Connection connection = connections.getConnection()) {
            try {
                return work.apply(new Tx(connection, turn, Optional.of(supposed)));
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
        upkeep.ifPresent(Upkeep::close);
        turn.close();
        connections.close();
    }
}
