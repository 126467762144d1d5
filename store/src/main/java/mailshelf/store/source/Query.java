package mailshelf.store.source;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.sql.SQLTimeoutException;
import java.sql.Statement;
import java.sql.Types;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;

/** The rows of a query while they come in, within the limits of its source. Nothing that it may have done is kept. */
public final class Query implements AutoCloseable {
    private static final int FETCHED_AT_ONCE = 5000;

    private final Source source;
    private final Connection connection;
    private final ResultSet rows;
    private final List<Column> columns;
    private final int[] types;
    private final long deadline;
    private int count;

    Query(Source source, Connection connection, String sql) throws SQLException {
        this.source = source;
        this.connection = connection;
        this.deadline = System.nanoTime() + TimeUnit.SECONDS.toNanos(source.seconds());
        Statement statement = connection.createStatement();
        statement.setQueryTimeout(source.seconds());
        statement.setFetchSize(FETCHED_AT_ONCE);
        this.rows = statement.executeQuery(sql);
        ResultSetMetaData about = rows.getMetaData();
        this.columns = new ArrayList<>();
        this.types = new int[about.getColumnCount()];
        for (int i = 0; i < types.length; i++) {
            types[i] = about.getColumnType(i + 1);
            columns.add(column(about, i + 1));
        }
    }

    private static Column column(ResultSetMetaData about, int i) throws SQLException {
        String name = about.getColumnLabel(i);
        return switch (about.getColumnType(i)) {
            case Types.TINYINT, Types.SMALLINT, Types.INTEGER, Types.BIGINT -> Column.number(name, 0);
            case Types.DECIMAL, Types.NUMERIC ->
                Column.number(name, Math.max(0, Math.min(about.getScale(i), Column.MOST_DECIMALS)));
            case Types.REAL, Types.FLOAT, Types.DOUBLE -> Column.number(name, 0);
            case Types.DATE -> Column.date(name);
            case Types.TIMESTAMP, Types.TIMESTAMP_WITH_TIMEZONE -> Column.time(name, ZoneOffset.UTC);
            default -> Column.text(name);
        };
    }

    /**
     * As the database declares them; numbers of no declared scale have no decimals here.
     *
     * @param zone whose clocks its times are taken to be of
     */
    public List<Column> columns(ZoneId zone) {
        return columns.stream()
                .map(column -> column.type() == ColumnType.TIME ? Column.time(column.name(), zone) : column)
                .toList();
    }

    /** Its columns' names. */
    public List<String> names() {
        return columns.stream().map(Column::name).toList();
    }

    /** @throws Problem {@code source.too-many-rows}, {@code source.too-slow}, {@code source.query-failed} */
    public boolean next() {
        try {
            if (!rows.next()) {
                return false;
            }
            if (++count > source.mostRows()) {
                throw Problem.invalid("source.too-many-rows", source.name(), source.mostRows());
            }
            if (System.nanoTime() > deadline) {
                throw new SQLTimeoutException();
            }
            return true;
        } catch (SQLException e) {
            throw failure(source, e);
        }
    }

    /**
     * A value of the row, as tables take it; "" for none.
     *
     * @param i position of the column, from 0
     * @param as what it is to become: floating-point numbers are rounded to its decimals; times that have a zone become
     *     those of the column's, or days in UTC
     */
    public String value(int i, Column as) {
        try {
            return switch (types[i]) {
                case Types.DATE -> {
                    LocalDate day = rows.getObject(i + 1, LocalDate.class);
                    yield day == null ? "" : day.toString();
                }
                case Types.TIMESTAMP, Types.TIMESTAMP_WITH_TIMEZONE -> time(i + 1, as);
                case Types.REAL, Types.FLOAT, Types.DOUBLE -> {
                    BigDecimal number = rows.getBigDecimal(i + 1);
                    yield as.type() == ColumnType.NUMBER && number != null
                            ? plain(number.setScale(as.decimals(), RoundingMode.HALF_UP))
                            : plain(number);
                }
                case Types.DECIMAL, Types.NUMERIC -> plain(rows.getBigDecimal(i + 1));
                case Types.BIT, Types.BOOLEAN -> {
                    boolean flag = rows.getBoolean(i + 1);
                    yield rows.wasNull() ? "" : String.valueOf(flag);
                }
                default -> {
                    String text = rows.getString(i + 1);
                    yield text == null ? "" : text.strip();
                }
            };
        } catch (SQLException e) {
            throw failure(source, e);
        }
    }

    private String time(int position, Column as) throws SQLException {
        if (rows.getObject(position) == null) {
            return "";
        }
        LocalDateTime time = local(position, as.zone().orElse(ZoneOffset.UTC));
        return as.type() == ColumnType.DATE
                ? time.toLocalDate().toString()
                : time.truncatedTo(ChronoUnit.SECONDS).toString();
    }

    private LocalDateTime local(int position, ZoneId zone) throws SQLException {
        if (types[position - 1] == Types.TIMESTAMP_WITH_TIMEZONE) {
            return withZone(position, zone);
        }
        try {
            return rows.getObject(position, LocalDateTime.class);
        } catch (SQLException hasZone) {
            return withZone(position, zone); // some drivers do not say so by the type
        }
    }

    private LocalDateTime withZone(int position, ZoneId zone) throws SQLException {
        return rows.getObject(position, OffsetDateTime.class)
                .atZoneSameInstant(zone)
                .toLocalDateTime();
    }

    private static String plain(BigDecimal number) {
        return number == null ? "" : number.toPlainString();
    }

    static Problem failure(Source source, SQLException e) {
        if (e instanceof SQLTimeoutException || "57014".equals(e.getSQLState())) {
            return Problem.invalid("source.too-slow", source.name(), source.seconds());
        }
        return Problem.invalid("source.query-failed", source.name(), Databases.said(e));
    }

    @Override
    public void close() {
        Databases.giveUp(connection);
    }
}
