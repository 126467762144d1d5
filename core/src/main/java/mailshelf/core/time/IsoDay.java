package mailshelf.core.time;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Optional;
import java.util.regex.Pattern;

/** Days as addresses, files and texts hold them: ISO 8601 with a year of four digits. */
public final class IsoDay {
    /** What can be compared with years before and after it. */
    private static final Pattern FORM = Pattern.compile("\\d{4}-\\d{2}-\\d{2}");

    private IsoDay() {}

    /** Empty where it is none. */
    public static Optional<LocalDate> read(String text) {
        if (!FORM.matcher(text).matches()) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalDate.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
