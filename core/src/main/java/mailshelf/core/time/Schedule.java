package mailshelf.core.time;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.dmfs.rfc5545.DateTime;
import org.dmfs.rfc5545.recur.InvalidRecurrenceRuleException;
import org.dmfs.rfc5545.recur.RecurrenceRule;
import org.dmfs.rfc5545.recur.RecurrenceRuleIterator;

/**
 * When an issue leaves: what makes it, a local time for what recurs by days, and a zone. The sentence, the strip of next
 * sends and the delivery loop all ask this one class.
 */
public record Schedule(Recurrence recurrence, LocalTime at, ZoneId zone) {

    /** Whether it fires only when somebody asks for it. */
    public boolean firesOnDemand() {
        return recurrence instanceof Recurrence.OnDemand;
    }

    /** Where it fires after loads: the least from one firing to the next. */
    public Optional<Duration> afterLoads() {
        return recurrence instanceof Recurrence.AfterLoad afterLoad ? Optional.of(afterLoad.span()) : Optional.empty();
    }

    private boolean firesByTime() {
        return !firesOnDemand() && afterLoads().isEmpty();
    }

    /** The first occurrence strictly after {@code moment}; none where it does not fire by time. */
    public Optional<Occurrence> next(Instant moment) {
        return upcoming(moment, 1).stream().findFirst();
    }

    /** The next {@code count} occurrences strictly after {@code moment}, in order; none where it does not fire by time. */
    public List<Occurrence> upcoming(Instant moment, int count) {
        if (!firesByTime()) {
            return List.of();
        }
        // from the day before, since a time that is shifted over a gap may belong to yesterday's date
        LocalDate from = moment.atZone(zone).toLocalDate().minusDays(1);
        RecurrenceRuleIterator days =
                expansion().iterator(new DateTime(from.getYear(), from.getMonthValue() - 1, from.getDayOfMonth()));
        List<Occurrence> found = new ArrayList<>(count);
        while (found.size() < count) {
            DateTime day = days.nextDateTime();
            Occurrence occurrence = on(LocalDate.of(day.getYear(), day.getMonth() + 1, day.getDayOfMonth()));
            if (occurrence.at().isAfter(moment)) {
                found.add(occurrence);
            }
        }
        return found;
    }

    private RecurrenceRule expansion() {
        try {
            return new RecurrenceRule(recurrence.rule());
        } catch (InvalidRecurrenceRuleException e) {
            throw new IllegalStateException("Wrote a rule that cannot be read: " + recurrence.rule(), e);
        }
    }

    private Occurrence on(LocalDate day) {
        LocalDateTime asked = day.atTime(at);
        // forward over a gap, the first of two in an overlap: ZonedDateTime.of does what RFC 5545 §3.3.5 asks
        ZonedDateTime real = ZonedDateTime.of(asked, zone);
        LocalDateTime local = real.toLocalDateTime();
        return new Occurrence(real.toInstant(), local, shift(asked, local));
    }

    private Optional<Occurrence.Shift> shift(LocalDateTime asked, LocalDateTime local) {
        if (!local.equals(asked)) {
            return Optional.of(Occurrence.Shift.CLOCKS_GO_FORWARD);
        }
        boolean lacksDate =
                recurrence instanceof Recurrence.Monthly monthly && monthly.dayOfMonth() != local.getDayOfMonth();
        return lacksDate ? Optional.of(Occurrence.Shift.MONTH_LACKS_DATE) : Optional.empty();
    }
}
