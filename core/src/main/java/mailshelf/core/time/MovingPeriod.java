package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.temporal.TemporalAdjusters;
import java.util.Locale;

/** Periods that move with the day of sending. Weeks begin on the subscription's first day of week. */
public enum MovingPeriod implements Period {
    /** The last complete week. */
    LAST_WEEK {
        @Override
        public Window on(LocalDate day, DayOfWeek firstDay) {
            return weeksBefore(day, firstDay, 1);
        }

        @Override
        public Window yearAgo(Window window) {
            return window.weeksAgo(WEEKS_OF_YEAR);
        }
    },
    /** The last four complete weeks. */
    LAST_4_WEEKS {
        @Override
        public Window on(LocalDate day, DayOfWeek firstDay) {
            return weeksBefore(day, firstDay, 4);
        }

        @Override
        public Window yearAgo(Window window) {
            return window.weeksAgo(WEEKS_OF_YEAR);
        }
    },
    /** From the first of the month to the day itself, which counts as far as its figures go. */
    THIS_MONTH {
        @Override
        public Window on(LocalDate day, DayOfWeek firstDay) {
            return new Window(day.withDayOfMonth(1), day);
        }

        /** The same days of the month before; the whole of it where it is shorter. */
        @Override
        public Window beforeThat(LocalDate day, DayOfWeek firstDay) {
            LocalDate monthAgo = day.minusMonths(1);
            return new Window(monthAgo.withDayOfMonth(1), monthAgo);
        }
    },
    /** The last complete month. */
    LAST_MONTH {
        @Override
        public Window on(LocalDate day, DayOfWeek firstDay) {
            return month(day.minusMonths(1));
        }

        @Override
        public Window beforeThat(LocalDate day, DayOfWeek firstDay) {
            return month(day.minusMonths(2));
        }
    };

    private static final int WEEKS_OF_YEAR = 52;

    @Override
    public Window beforeThat(LocalDate day, DayOfWeek firstDay) {
        return on(day, firstDay).before();
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public String wordsKey() {
        return "period." + code();
    }

    private static Window weeksBefore(LocalDate day, DayOfWeek firstDay, int weeks) {
        LocalDate thisWeek = day.with(TemporalAdjusters.previousOrSame(firstDay));
        return new Window(thisWeek.minusWeeks(weeks), thisWeek.minusDays(1));
    }

    private static Window month(LocalDate day) {
        return new Window(day.withDayOfMonth(1), day.with(TemporalAdjusters.lastDayOfMonth()));
    }
}
