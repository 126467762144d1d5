package mailshelf.core.data.csv;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Column;

/**
 * How a CSV file is written.
 *
 * @param dates by column; ISO where a column is not named
 */
public record CsvForm(char separator, DecimalMark decimalMark, Map<String, DateForm> dates) {
    /** As files are written here: RFC 4180, decimal points, ISO dates. */
    public static final CsvForm PLAIN = new CsvForm(',', DecimalMark.POINT, Map.of());

    public CsvForm {
        dates = Map.copyOf(dates);
    }

    /** A value as tables take it, or empty where its column cannot hold it; "" stays "". */
    Optional<String> plain(String text, Column column) {
        if (text.isEmpty()) {
            return Optional.of("");
        }
        return switch (column.type()) {
            case TEXT -> Optional.of(text);
            case NUMBER -> decimalMark.read(text);
            case DATE -> day(text, days(column));
            case TIME ->
                TimeOfDay.read(text, days(column), column.zone().orElseThrow()).map(LocalDateTime::toString);
        };
    }

    private DateForm days(Column column) {
        return dates.getOrDefault(column.name(), DateForm.ISO);
    }

    /** Tables take ISO days themselves, and refuse what is none. */
    private static Optional<String> day(String text, DateForm form) {
        return form == DateForm.ISO ? Optional.of(text) : form.read(text).map(LocalDate::toString);
    }
}
