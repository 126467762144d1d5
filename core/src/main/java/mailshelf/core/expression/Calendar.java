package mailshelf.core.expression;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.function.LongUnaryOperator;
import mailshelf.core.data.Cells;

/** What is computed with days and times. Between times it is minutes that are counted, between days days. */
final class Calendar {
    private static final long MINUTE = 60;
    private static final long HOUR = 60 * MINUTE;
    private static final long DAY = 24 * HOUR;

    /** Further than anybody looks ahead or back, in days. */
    private static final long FURTHEST = 1_000_000;

    private Calendar() {}

    static Term.Days day(LocalDate date) {
        int day = (int) date.toEpochDay();
        return new Term.Days(cells -> row -> day);
    }

    static Term.Times time(LocalDateTime at) {
        long seconds = at.toEpochSecond(ZoneOffset.UTC);
        return new Term.Times(cells -> row -> seconds);
    }

    static Term moved(Term.Days days, Term.Numbers by) {
        return new Term.Days(cells -> {
            Cells.Days from = days.over().apply(cells);
            Cells.Numbers many = Arithmetic.scaled(by, 0).over().apply(cells);
            return row -> {
                long number = many.at(row);
                int day = from.at(row);
                boolean isNone = day == Cells.Days.NONE || number == Cells.Numbers.NONE || Math.abs(number) > FURTHEST;
                return isNone ? Cells.Days.NONE : day + (int) number;
            };
        });
    }

    static Term between(Term.Days later, Term.Days earlier) {
        return new Term.Numbers(0, cells -> {
            Cells.Days to = later.over().apply(cells);
            Cells.Days from = earlier.over().apply(cells);
            return row -> to.at(row) == Cells.Days.NONE || from.at(row) == Cells.Days.NONE
                    ? Cells.Numbers.NONE
                    : (long) to.at(row) - from.at(row);
        });
    }

    /** @param by minutes; a part of one is left out */
    static Term moved(Term.Times times, Term.Numbers by) {
        return new Term.Times(cells -> {
            Cells.Numbers from = times.over().apply(cells);
            Cells.Numbers many = Arithmetic.scaled(by, 0).over().apply(cells);
            return row -> {
                long number = many.at(row);
                long at = from.at(row);
                boolean isNone = at == Cells.Numbers.NONE
                        || number == Cells.Numbers.NONE
                        || Math.abs(number) > FURTHEST * DAY / MINUTE;
                return isNone ? Cells.Numbers.NONE : at + number * MINUTE;
            };
        });
    }

    /** In whole minutes. */
    static Term between(Term.Times later, Term.Times earlier) {
        return new Term.Numbers(0, cells -> {
            Cells.Numbers to = later.over().apply(cells);
            Cells.Numbers from = earlier.over().apply(cells);
            return row -> to.at(row) == Cells.Numbers.NONE || from.at(row) == Cells.Numbers.NONE
                    ? Cells.Numbers.NONE
                    : (to.at(row) - from.at(row)) / MINUTE;
        });
    }

    /** The day of a time. */
    static Term.Days dayOf(Term.Times times) {
        return new Term.Days(cells -> {
            Cells.Numbers values = times.over().apply(cells);
            return row ->
                    values.at(row) == Cells.Numbers.NONE ? Cells.Days.NONE : (int) Math.floorDiv(values.at(row), DAY);
        });
    }

    /** 0 to 23. */
    static Term.Numbers hourOf(Term.Times times) {
        return part(times, at -> Math.floorMod(at, DAY) / HOUR);
    }

    /** 0 to 59. */
    static Term.Numbers minuteOf(Term.Times times) {
        return part(times, at -> Math.floorMod(at, HOUR) / MINUTE);
    }

    private static Term.Numbers part(Term.Times times, LongUnaryOperator part) {
        return new Term.Numbers(0, cells -> {
            Cells.Numbers values = times.over().apply(cells);
            return row -> values.at(row) == Cells.Numbers.NONE ? Cells.Numbers.NONE : part.applyAsLong(values.at(row));
        });
    }

    static Term.Texts texts(Term.Times times) {
        return new Term.Texts(cells -> {
            Cells.Numbers values = times.over().apply(cells);
            return row -> values.at(row) == Cells.Numbers.NONE
                    ? ""
                    : LocalDateTime.ofEpochSecond(values.at(row), 0, ZoneOffset.UTC)
                            .toString();
        });
    }
}
