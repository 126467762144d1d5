package mailshelf.core.time;

import java.time.DateTimeException;
import java.time.LocalDateTime;
import java.util.Optional;
import java.util.regex.Pattern;

/** Days with a time as addresses, files and texts hold them: ISO 8601, to the minute or the second, without a zone. */
public final class IsoTime {
    private static final Pattern FORM = Pattern.compile("\\d{4}-\\d{2}-\\d{2}T\\d{2}:\\d{2}(:\\d{2})?");

    private IsoTime() {}

    /** Empty where it is none. */
    public static Optional<LocalDateTime> read(String text) {
        if (!FORM.matcher(text).matches()) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalDateTime.parse(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
