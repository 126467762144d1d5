package mailshelf.server.library;

import java.time.DayOfWeek;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
import mailshelf.core.wording.PeriodWords;
import mailshelf.core.wording.Words;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import org.springframework.stereotype.Component;

/** Periods as the browser offers them, with what they mean now. */
@Component
public final class Periods {
    private static final List<String> COMMON_PERIODS = List.of(
            "yesterday",
            "last-7-days",
            "last-week",
            "last-4-weeks",
            "last-month",
            "last-3-months",
            "last-quarter",
            "last-half-year",
            "last-year",
            "past-12-months",
            "today",
            "this-week",
            "this-month",
            "this-quarter",
            "this-half-year",
            "this-year");

    /** Where rows have a time of day. */
    private static final List<String> COMMON_BY_TIME =
            List.of("last-24-hours-with-this", "last-12-hours", "yesterday@04:00");

    private final BusinessClock clock;

    Periods(BusinessClock clock) {
        this.clock = clock;
    }

    /** A period to choose, with the days or times that it means now. */
    public record PeriodView(String code, String words, String days) {}

    /** By which clocks and weeks days are meant. */
    record Calendar(ZoneId zone, DayOfWeek firstDayOfWeek) {
        static Calendar of(Person who) {
            return new Calendar(who.zone(), who.firstDayOfWeek());
        }
    }

    /** @param byTime whether it may begin and end within a day */
    List<PeriodView> common(Person who, Calendar calendar, boolean byTime) {
        List<String> codes = new ArrayList<>(COMMON_PERIODS);
        if (byTime) {
            codes.addAll(COMMON_BY_TIME);
        }
        return codes.stream()
                .map(code -> view(who, calendar, Period.parse(code).orElseThrow()))
                .toList();
    }

    PeriodView view(Person who, Calendar calendar, Period period) {
        Words words = Words.in(Languages.supported(who.locale()));
        String days = words.dates(calendar.zone())
                .fullWindow(period.on(clock.instant().atZone(calendar.zone()), calendar.firstDayOfWeek()));
        return new PeriodView(period.code(), PeriodWords.of(period, words).orElse(days), days);
    }

    /** By the clocks of whoever asks. */
    ZonedDateTime now(Person who) {
        return clock.instant().atZone(who.zone());
    }

    /** Whether a report's figures can show it: those of whole days have no hours. */
    static boolean fits(Period period, Definitions.Published published) {
        return !period.isByTime() || published.dataSet().hasTimes();
    }

    /** @throws Problem {@code report.period-by-time} for hours of figures that are of whole days */
    public static void requireFits(Period period, Definitions.Published published) {
        if (!fits(period, published)) {
            throw Problem.invalid(
                    "report.period-by-time",
                    period.code(),
                    published.definition().title());
        }
    }
}
