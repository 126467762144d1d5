package mailshelf.store.source;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.regex.Pattern;
import mailshelf.core.Problem;

/**
 * Asks databases of others, and changes nothing in them: by a user who may only read, in a transaction that only reads
 * and is taken back, with one query.
 */
public final class Databases {
    private static final Pattern ASKS = Pattern.compile("(?is)\\s*(SELECT|WITH|VALUES|TABLE)\\b.*");

    private final Secrets secrets;

    public Databases(Secrets secrets) {
        this.secrets = secrets;
    }

    /**
     * @throws Problem {@code source.not-one-query}, {@code source.cannot-reach}, {@code source.too-mighty},
     *     {@code source.query-failed}, {@code source.too-slow}
     */
    public Query ask(Source source, String sql) {
        // drivers run several statements one after another, and the second could leave what only reads
        String one = sql.strip().replaceFirst(";$", "");
        if (one.contains(";") || !ASKS.matcher(one).matches()) {
            throw Problem.invalid("source.not-one-query");
        }
        Connection connection = connect(source);
        try {
            return new Query(source, connection, one);
        } catch (SQLException e) {
            giveUp(connection);
            throw Query.failure(source, e);
        }
    }

    /** Whether the source can be asked; nothing is. */
    public void test(Source source) {
        giveUp(connect(source));
    }

    /** Whether a database may be named so. */
    public boolean isAddress(String url) {
        return DatabaseAddress.of(url).isPresent();
    }

    private Connection connect(Source source) {
        if (DatabaseAddress.isFile(source.place())) {
            throw Problem.invalid("source.address-refused", source.place(), DatabaseAddress.SERVER_EXAMPLE);
        }
        DatabaseAddress address = DatabaseAddress.of(source.place())
                .orElseThrow(() -> Problem.invalid("source.cannot-reach", source.name(), source.place()));
        Connection connection;
        try {
            connection = DriverManager.getConnection(
                    address.url(), address.settings(source.user(), secrets.decrypt(source.secret()), source.seconds()));
        } catch (SQLException e) {
            throw Problem.invalid("source.cannot-reach", source.name(), said(e));
        }
        try {
            connection.setReadOnly(true);
            connection.setAutoCommit(false);
            requireHarmless(source, connection, address);
            return connection;
        } catch (SQLException e) {
            giveUp(connection);
            throw Problem.invalid("source.cannot-reach", source.name(), said(e));
        } catch (Problem e) {
            giveUp(connection);
            throw e;
        }
    }

    /** Who may do everything in a database may read its machine's files too, and so might whoever writes a query. */
    private static void requireHarmless(Source source, Connection connection, DatabaseAddress address)
            throws SQLException {
        try (Statement statement = connection.createStatement();
                ResultSet might = statement.executeQuery(address.mightQuery())) {
            if (!might.next() || might.getBoolean(1)) {
                throw Problem.invalid("source.too-mighty", source.user(), source.name());
            }
        }
    }

    static void giveUp(Connection connection) {
        try (connection) {
            connection.rollback();
        } catch (SQLException e) {
            // it is gone, and with it what it did
        }
    }

    /** What the driver says, on one line and without its own query. */
    static String said(SQLException e) {
        String first = e.getMessage() == null ? e.getSQLState() : e.getMessage();
        String line = first.replaceFirst("(?s); SQL statement:.*", "")
                .replaceAll("\\s+", " ")
                .strip()
                .replaceFirst("\\.$", "");
        return line.length() > 300 ? line.substring(0, 300) + "…" : line;
    }
}
