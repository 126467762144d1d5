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
 * @param units what stands before or behind the numbers of a column, by its name
 */
public record CsvForm(char separator, DecimalMark decimalMark, Map<String, DateForm> dates, Map<String, String> units) {
    /** As files are written here: RFC 4180, decimal points, ISO dates. */
    public static final CsvForm PLAIN = new CsvForm(',', DecimalMark.POINT, Map.of(), Map.of());

    public CsvForm {
        dates = Map.copyOf(dates);
        units = Map.copyOf(units);
    }

    /** A value as tables take it, or empty where its column cannot hold it; "" stays "". */
    Optional<String> plain(String text, Column column) {
        if (text.isEmpty()) {
            return Optional.of("");
        }
        return switch (column.type()) {
            case TEXT -> Optional.of(text);
            case NUMBER -> number(text, units.get(column.name()));
            case DATE -> day(text, days(column));
            case TIME ->
                TimeOfDay.read(text, days(column), column.zone().orElseThrow()).map(LocalDateTime::toString);
        };
    }

    private Optional<String> number(String text, String unit) {
        Optional<String> plain = decimalMark.read(text);
        if (plain.isPresent() || unit == null) {
            return plain;
        }
        return Amount.of(text)
                .filter(amount -> amount.unit().equals(unit))
                .flatMap(amount -> decimalMark.read(amount.number()));
    }

    private DateForm days(Column column) {
        return dates.getOrDefault(column.name(), DateForm.ISO);
    }

    /** Tables take ISO days themselves, and refuse what is none. */
    private static Optional<String> day(String text, DateForm form) {
        return form == DateForm.ISO ? Optional.of(text) : form.read(text).map(LocalDate::toString);
    }
}
