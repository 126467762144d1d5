package mailshelf.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import mailshelf.core.Id;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One transaction on one connection. Statements take their values in order: ids, enums, instants (cut to microseconds,
 * since H2 rounds what is left up), days, texts, numbers, and Optionals of them for columns that may be null.
 */
public final class Tx {
    private static final Logger LOG = LoggerFactory.getLogger(Tx.class);

    private static final Duration BETWEEN_LOGS = Duration.ofMinutes(1);
    private static final AtomicLong LAST_LOGGED = new AtomicLong();

    private final Connection connection;
    private final Turn turn;
    private final List<Runnable> afterCommit = new ArrayList<>();
    private final Optional<Object> supposed;
    private boolean hasTurn;

    Tx(Connection connection, Turn turn) {
        this(connection, turn, Optional.empty());
    }

    /** @param supposed what it reads in the place of what is; then it may change nothing */
    Tx(Connection connection, Turn turn, Optional<Object> supposed) {
        this.connection = connection;
        this.turn = turn;
        this.supposed = supposed;
    }

    /** What those who read are to suppose, if it is of their kind. */
    public <T> Optional<T> supposed(Class<T> kind) {
        return supposed.filter(kind::isInstance).map(kind::cast);
    }

    /** To be called before anything is changed, and before a row is locked, which is a change as well. */
    private void takeTurn() {
        if (supposed.isPresent()) {
            throw new IllegalStateException("What is only supposed changes nothing");
        }
        if (!hasTurn) {
            turn.take();
            hasTurn = true;
        }
    }

    /** What is to follow once the transaction is kept, and only then; it must be quick, and must not fail. */
    public void afterCommit(Runnable follows) {
        afterCommit.add(follows);
    }

    /** To be called when it has been committed and its turn is given back. */
    void isKept() {
        afterCommit.forEach(Runnable::run);
    }

    /** To be called when the transaction has been committed or rolled back. */
    void end() {
        if (hasTurn) {
            turn.giveBack();
        }
    }

    /** @return how many rows were changed; the caller decides what none means */
    public int update(String sql, Object... values) {
        takeTurn();
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            bind(statement, values);
            return statement.executeUpdate();
        } catch (SQLException e) {
            throw failed(sql, e);
        }
    }

    /**
     * The same statement for many rows.
     *
     * @return how many rows each changed, in order
     */
    public int[] updateEach(String sql, List<Object[]> rows) {
        takeTurn();
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            for (Object[] values : rows) {
                bind(statement, values);
                statement.addBatch();
            }
            return statement.executeBatch();
        } catch (SQLException e) {
            throw failed(sql, e);
        }
    }

    /** @return the key that the database gave the new row */
    public long insert(String sql, Object... values) {
        takeTurn();
        try (PreparedStatement statement = connection.prepareStatement(sql, new String[] {"id"})) {
            bind(statement, values);
            statement.executeUpdate();
            try (ResultSet keys = statement.getGeneratedKeys()) {
                keys.next();
                return keys.getLong(1);
            }
        } catch (SQLException e) {
            throw failed(sql, e);
        }
    }

    public <T> List<T> list(String sql, Row.Mapper<T> mapper, Object... values) {
        if (sql.contains("FOR UPDATE")) {
            takeTurn();
        }
        try (PreparedStatement statement = connection.prepareStatement(sql)) {
            bind(statement, values);
            try (ResultSet results = statement.executeQuery()) {
                Row row = new Row(results);
                List<T> found = new ArrayList<>();
                while (results.next()) {
                    found.add(mapper.map(row));
                }
                return found;
            }
        } catch (SQLException e) {
            throw failed(sql, e);
        }
    }

    /**
     * As {@link #list}, without rows that cannot be made sense of: for lists that people look through, which one bad row
     * must not break. What is left out is logged; whoever asks for it by its id is told.
     */
    public <T> List<T> listReadable(String sql, Row.Mapper<T> mapper, Object... values) {
        return list(sql, row -> readable(sql, mapper, row), values).stream()
                .flatMap(Optional::stream)
                .toList();
    }

    private static <T> Optional<T> readable(String sql, Row.Mapper<T> mapper, Row row) {
        try {
            return Optional.of(mapper.map(row));
        } catch (StoreException e) {
            throw e;
        } catch (RuntimeException e) {
            logNowAndThen(sql, e);
            return Optional.empty();
        }
    }

    /** Pages ask for their lists every few seconds. */
    private static void logNowAndThen(String sql, RuntimeException failure) {
        long now = System.nanoTime();
        long last = LAST_LOGGED.get();
        if ((last == 0 || now - last > BETWEEN_LOGS.toNanos()) && LAST_LOGGED.compareAndSet(last, now)) {
            LOG.error("A row cannot be read and is left out of a list: {}", firstLine(sql), failure);
        }
    }

    /** @throws IllegalStateException for more than one row */
    public <T> Optional<T> one(String sql, Row.Mapper<T> mapper, Object... values) {
        List<T> found = list(sql, mapper, values);
        if (found.size() > 1) {
            throw new IllegalStateException(found.size() + " rows where one was expected: " + firstLine(sql));
        }
        return found.stream().findFirst();
    }

    public long count(String sql, Object... values) {
        return one(sql, row -> row.number("n"), values).orElseThrow();
    }

    private static void bind(PreparedStatement statement, Object[] values) throws SQLException {
        for (int i = 0; i < values.length; i++) {
            statement.setObject(i + 1, plain(values[i]));
        }
    }

    private static Object plain(Object value) {
        if (value instanceof Optional<?> optional) {
            return optional.isEmpty() ? null : plain(optional.get());
        }
        if (value instanceof Collection<?> several) {
            return several.stream().map(Tx::plain).toArray();
        }
        if (value instanceof Id id) {
            return id.value();
        }
        if (value instanceof Instant instant) {
            return instant.truncatedTo(ChronoUnit.MICROS).atOffset(ZoneOffset.UTC);
        }
        if (value instanceof Locale locale) {
            return locale.toLanguageTag();
        }
        return value instanceof Enum<?> choice ? choice.name() : value;
    }

    /** Says which statement failed, never with its values: they may be secret. */
    private static StoreException failed(String sql, SQLException e) {
        return new StoreException("Statement failed (" + e.getSQLState() + "): " + firstLine(sql), e);
    }

    private static String firstLine(String sql) {
        return sql.strip().lines().findFirst().orElse("");
    }
}
