package mailshelf.core.data.csv;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.ResolverStyle;
import java.util.Optional;

/** How a file writes its days. Values like 3/4/2026 fit two of these, and then somebody has to say which is meant. */
public enum DateForm {
    /** 2026-11-25, ISO 8601. */
    ISO("uuuu-MM-dd"),
    /** 25.11.2026. */
    DAY_MONTH_YEAR("d.M.uuuu"),
    /** 25/11/2026. */
    DAY_FIRST("d/M/uuuu"),
    /** 11/25/2026. */
    MONTH_FIRST("M/d/uuuu");

    private final DateTimeFormatter formatter;

    DateForm(String pattern) {
        formatter = DateTimeFormatter.ofPattern(pattern).withResolverStyle(ResolverStyle.STRICT);
    }

    /** The day that a text says, or empty. */
    public Optional<LocalDate> read(String text) {
        // most texts are no dates, and an exception each would be most of the time that looking at them takes
        if (text.length() < 8 || text.length() > 10 || !Character.isDigit(text.charAt(0))) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalDate.parse(text, formatter));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }
}
