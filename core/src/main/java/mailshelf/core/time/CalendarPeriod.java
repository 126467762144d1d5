package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A period of the calendar that moves with the day of reading or sending. Weeks begin on the subscription's first day
 * of week.
 *
 * @param count how many spans, 1 to {@link #MOST}
 */
public record CalendarPeriod(Reach reach, int count, Grain grain) implements Period {
    public static final CalendarPeriod LAST_WEEK = new CalendarPeriod(Reach.COMPLETE, 1, Grain.WEEK);

    /** So that what is compared with it can still be dated. */
    public static final int MOST = 999;

    static final int WEEKS_OF_YEAR = 52;
    private static final Pattern ONE = Pattern.compile("(last|this|whole)-(week|month|quarter|half-year|year)");
    private static final Pattern SOME =
            Pattern.compile("last-([1-9]\\d{0,2})-(day|week|month|quarter|half-year|year)s(-with-this)?");
    private static final Pattern PAST = Pattern.compile("past-([1-9]\\d{0,2})-months");
    private static final Map<String, Reach> ONES =
            Map.of("last", Reach.COMPLETE, "this", Reach.SO_FAR, "whole", Reach.WHOLE);

    /** How it lies to the day that it is counted from. */
    public enum Reach {
        /** Complete spans: the one that the day lies in does not count. */
        COMPLETE,
        /** The span that the day lies in is the last, up to the day itself, which counts as far as its figures go. */
        SO_FAR,
        /** The whole span that the day lies in, to its end. */
        WHOLE,
        /** Up to the day before, and as many spans back from there, wherever those begin. */
        ROLLING
    }

    public CalendarPeriod {
        boolean one = count == 1;
        boolean known = switch (reach) {
            case COMPLETE, SO_FAR -> true;
            case WHOLE -> one && grain != Grain.DAY;
            case ROLLING -> grain == Grain.MONTH;
        };
        if (count < 1 || count > MOST || !known) {
            throw new IllegalArgumentException("Not a period: " + reach + ", " + count + ", " + grain);
        }
    }

    /** Reads a code; empty where it is none. */
    static Optional<CalendarPeriod> read(String code) {
        if (code.equals("today") || code.equals("yesterday")) {
            return Optional.of(new CalendarPeriod(code.equals("today") ? Reach.SO_FAR : Reach.COMPLETE, 1, Grain.DAY));
        }
        Matcher one = ONE.matcher(code);
        if (one.matches()) {
            return Optional.of(new CalendarPeriod(ONES.get(one.group(1)), 1, grain(one.group(2))));
        }
        Matcher some = SOME.matcher(code);
        if (some.matches() && !some.group(1).equals("1")) {
            Reach reach = some.group(3) == null ? Reach.COMPLETE : Reach.SO_FAR;
            return Optional.of(new CalendarPeriod(reach, Integer.parseInt(some.group(1)), grain(some.group(2))));
        }
        Matcher past = PAST.matcher(code);
        return past.matches()
                ? Optional.of(new CalendarPeriod(Reach.ROLLING, Integer.parseInt(past.group(1)), Grain.MONTH))
                : Optional.empty();
    }

    private static Grain grain(String name) {
        return Grain.valueOf(name.toUpperCase(Locale.ROOT).replace('-', '_'));
    }

    @Override
    public String code() {
        String one = grain.name().toLowerCase(Locale.ROOT).replace('_', '-');
        boolean isSingle = count == 1;
        return switch (reach) {
            case COMPLETE -> isSingle ? (grain == Grain.DAY ? "yesterday" : "last-" + one) : counted(one);
            case SO_FAR -> isSingle ? (grain == Grain.DAY ? "today" : "this-" + one) : counted(one) + "-with-this";
            case WHOLE -> "whole-" + one;
            case ROLLING -> "past-" + count + "-months";
        };
    }

    private String counted(String one) {
        return "last-" + count + "-" + one + "s";
    }

    @Override
    public Window on(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return on(now.toLocalDate(), firstDayOfWeek);
    }

    private Window on(LocalDate day, DayOfWeek firstDayOfWeek) {
        LocalDate current = grain.startOf(day, firstDayOfWeek);
        return switch (reach) {
            case COMPLETE -> new Window(grain.plus(current, -count), current.minusDays(1));
            case SO_FAR -> new Window(grain.plus(current, 1 - count), day);
            case WHOLE -> new Window(current, grain.plus(current, 1).minusDays(1));
            case ROLLING -> new Window(grain.plus(day, -count), day.minusDays(1));
        };
    }

    /** The same so many spans earlier; where a month then lacks the day, it is the whole month. */
    @Override
    public Window beforeThat(ZonedDateTime now, DayOfWeek firstDayOfWeek) {
        return on(grain.plus(now.toLocalDate(), -count), firstDayOfWeek);
    }

    @Override
    public Window yearAgo(Window window) {
        boolean isByWeekday = grain == Grain.DAY || grain == Grain.WEEK;
        return isByWeekday ? window.weeksAgo(WEEKS_OF_YEAR) : window.yearAgo();
    }
}
