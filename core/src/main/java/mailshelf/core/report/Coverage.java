package mailshelf.core.report;

import java.time.LocalDate;
import java.util.Optional;
import mailshelf.core.data.Table;
import mailshelf.core.time.Window;

/**
 * The days that data have figures for, both ends belonging to it. On a day outside of it nothing is known, which is not the
 * same as nothing having happened.
 */
record Coverage(LocalDate from, LocalDate to) {
    static final Coverage EVERYTHING = new Coverage(LocalDate.MIN, LocalDate.MAX);

    private static final Coverage NOTHING = new Coverage(LocalDate.MAX, LocalDate.MIN);

    /**
     * From the first day of the rows that somebody sees to the last of all rows that were loaded. Rows without days cover
     * everything.
     */
    static Coverage of(Table seen, PageModel.Freshness freshness) {
        if (seen.dateColumn().isEmpty()) {
            return EVERYTHING;
        }
        return freshness
                .figuresTo()
                .map(to -> new Coverage(seen.firstDay().orElse(LocalDate.MIN), to))
                .orElse(NOTHING);
    }

    boolean touches(Window window) {
        return touches(window.fromInclusive(), window.toInclusive());
    }

    boolean touches(LocalDate first, LocalDate last) {
        return !first.isAfter(to) && !last.isBefore(from);
    }

    boolean covers(Window window) {
        return !window.fromInclusive().isBefore(from) && !window.toInclusive().isAfter(to);
    }

    /** The days of a window for which there are no figures yet. */
    Optional<Window> missing(Window window) {
        if (!window.toInclusive().isAfter(to)) {
            return Optional.empty();
        }
        return Optional.of(
                to.isBefore(window.fromInclusive()) ? window : new Window(to.plusDays(1), window.toInclusive()));
    }
}
