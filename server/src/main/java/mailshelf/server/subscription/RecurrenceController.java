package mailshelf.server.subscription;

import java.time.DayOfWeek;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
import mailshelf.core.time.Recurrence;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Takes recurrence rules apart for whoever shows them in controls. */
@RestController
@RequestMapping("/api/v1")
class RecurrenceController {
    /**
     * @param days of a weekly one
     * @param date of a monthly one; that or the last day
     * @param minutes the least between two issues of one that follows loads
     * @param matching the period that is as long as it is between two issues
     */
    record RecurrenceView(
            Recurrence.Kind kind,
            Set<DayOfWeek> days,
            Optional<Integer> date,
            Optional<Long> minutes,
            Optional<Period> matching) {
        static RecurrenceView of(Recurrence recurrence) {
            return new RecurrenceView(
                    recurrence.kind(),
                    recurrence instanceof Recurrence.Weekly weekly ? weekly.days() : Set.of(),
                    recurrence instanceof Recurrence.Monthly monthly
                            ? Optional.of(monthly.dayOfMonth())
                            : Optional.empty(),
                    recurrence instanceof Recurrence.AfterLoad afterLoad
                            ? Optional.of(afterLoad.span().toMinutes())
                            : Optional.empty(),
                    recurrence.matchingPeriod());
        }
    }

    @GetMapping("/recurrences")
    RecurrenceView read(Person who, @RequestParam String rule) {
        try {
            return RecurrenceView.of(Recurrence.parse(rule));
        } catch (IllegalArgumentException e) {
            throw Problem.invalid("schedule.bad-rule", rule, e.getMessage());
        }
    }
}
