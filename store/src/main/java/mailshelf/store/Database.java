package mailshelf.store;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.function.Consumer;
import java.util.function.Function;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;

/** The database: opened, migrated, and the only source of transactions. */
public final class Database implements AutoCloseable {
    private static final int CONNECTIONS = 10;

    private final HikariDataSource connections;

    private Database(HikariDataSource connections) {
        this.connections = connections;
    }

    /**
     * Opens the database in a folder and brings its tables up to date.
     *
     * @throws StoreException if another process has it, or the folder cannot be written to
     */
    public static Database open(Path folder) {
        Path file = folder.resolve("mailshelf");
        HikariConfig config = new HikariConfig();
        config.setJdbcUrl(H2.fileUrl(file));
        config.setMaximumPoolSize(CONNECTIONS);
        config.setAutoCommit(false);
        config.setPoolName("mailshelf");
        config.setInitializationFailTimeout(1);
        try {
            H2.recover(file);
            HikariDataSource source = new HikariDataSource(config);
            Flyway.configure()
                    .dataSource(source)
                    .locations("classpath:mailshelf/store/migration")
                    .load()
                    .migrate();
            return new Database(source);
        } catch (RuntimeException | IOException e) {
            throw new StoreException("The database in " + folder + " cannot be opened", e);
        }
    }

    DataSource connections() {
        return connections;
    }

    /** Runs the work in one transaction: all of it is kept, or, if it throws, none. */
    public <T> T inTransaction(Function<Tx, T> work) {
        try (Connection connection = connections.getConnection()) {
            try {
                T result = work.apply(new Tx(connection));
                connection.commit();
                return result;
            } catch (RuntimeException | Error e) {
                connection.rollback();
                throw e;
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
    public void close() {
        connections.close();
    }
}
