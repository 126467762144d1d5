package mailshelf.store;

import java.io.IOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import org.h2.tools.Server;

/**
 * The database in a process of its own, for several servers ({@link Database#connect}). When H2 closes it by itself, as
 * on a full disk, this process ends at once: it must not be opened again without going through {@link H2#recover}, which
 * the next start does. Servers wait for that and connect again.
 */
public final class SharedDatabase implements AutoCloseable {
    private final Server server;
    private final Connection held;
    private final Turn turn;
    private final Upkeep upkeep;

    private SharedDatabase(Server server, Connection held, Turn turn) {
        this.server = server;
        this.held = held;
        this.turn = turn;
        this.upkeep = new Upkeep(turn, () -> H2.file(held));
    }

    /**
     * Opens the database in a folder and has servers connect to it; call it before anything else touches H2.
     *
     * @param address to listen on; other than "localhost", other machines can connect, with the key
     * @throws StoreException if the file is in use, or the port is
     */
    public static SharedDatabase open(Path folder, String address, int port) {
        System.setProperty("h2.bindAddress", address); // the only way to tell H2
        try {
            H2.recover(H2.file(folder));
            H2.lock(folder, DatabaseKey.made(folder));
            // as long as one connection is held it stays open, whoever comes and goes
            String key = DatabaseKey.of(folder);
            Connection held = DriverManager.getConnection(
                    H2.fileUrl(folder) + ";DATABASE_EVENT_LISTENER='" + EndOfProcess.class.getName() + "'",
                    H2.USER,
                    key);
            SharedTurn.prepare(held);
            Turn turn = new SharedTurn(() -> DriverManager.getConnection(H2.fileUrl(folder), H2.USER, key));
            return new SharedDatabase(H2.serve(folder, address, port), held, turn);
        } catch (SQLException | IOException e) {
            throw new StoreException("The database in " + folder + " cannot be shared", e);
        }
    }

    /** Ends it in good order. */
    @Override
    public void close() {
        server.stop();
        upkeep.close();
        turn.close();
        try (Statement statement = held.createStatement()) {
            statement.execute("SHUTDOWN");
        } catch (SQLException e) {
            throw new StoreException("The database could not be closed", e);
        }
    }
}
