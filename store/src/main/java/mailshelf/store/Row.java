package mailshelf.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.util.Optional;

/** One row of a result, read by column name; a column that may be null is asked for as an Optional. */
public final class Row {
    private final ResultSet results;

    Row(ResultSet results) {
        this.results = results;
    }

    /** Makes a value of a row. */
    public interface Mapper<T> {
        T map(Row row);
    }

    private interface Read<T> {
        T from(ResultSet results) throws SQLException;
    }

    private <T> T read(Read<T> read) {
        try {
            return read.from(results);
        } catch (SQLException e) {
            throw new StoreException("A column cannot be read", e);
        }
    }

    public long number(String column) {
        return read(r -> r.getLong(column));
    }

    public int integer(String column) {
        return read(r -> r.getInt(column));
    }

    public boolean flag(String column) {
        return read(r -> r.getBoolean(column));
    }

    public String text(String column) {
        return read(r -> r.getString(column));
    }

    public Instant instant(String column) {
        return read(r -> r.getObject(column, OffsetDateTime.class)).toInstant();
    }

    public LocalDate day(String column) {
        return read(r -> r.getObject(column, LocalDate.class));
    }

    public <E extends Enum<E>> E choice(String column, Class<E> type) {
        return Enum.valueOf(type, text(column));
    }

    public Optional<Long> optionalNumber(String column) {
        return read(r -> Optional.ofNullable(r.getObject(column, Long.class)));
    }

    public Optional<String> optionalText(String column) {
        return Optional.ofNullable(text(column));
    }

    public Optional<Instant> optionalInstant(String column) {
        return read(r -> Optional.ofNullable(r.getObject(column, OffsetDateTime.class)))
                .map(OffsetDateTime::toInstant);
    }

    public Optional<LocalTime> optionalTime(String column) {
        return read(r -> Optional.ofNullable(r.getObject(column, LocalTime.class)));
    }

    public Optional<LocalDate> optionalDay(String column) {
        return Optional.ofNullable(day(column));
    }
}
