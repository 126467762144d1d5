package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.LocalDate;

/** The same days for ever, both ends included. */
public record FixedPeriod(LocalDate fromInclusive, LocalDate toInclusive) implements Period {
    public FixedPeriod {
        new Window(fromInclusive, toInclusive);
    }

    @Override
    public Window on(LocalDate day, DayOfWeek firstDayOfWeek) {
        return new Window(fromInclusive, toInclusive);
    }

    @Override
    public Window beforeThat(LocalDate day, DayOfWeek firstDayOfWeek) {
        return on(day, firstDayOfWeek).before();
    }

    @Override
    public String code() {
        return fromInclusive + "/" + toInclusive;
    }
}
