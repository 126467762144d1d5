package mailshelf.core.wording;

import java.util.Optional;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.Period;
import mailshelf.core.time.SinceLastIssue;

/** Names periods: "last week", "the last 4 weeks", and what they are compared with. */
public final class PeriodWords {
    private PeriodWords() {}

    /** Empty where nothing but the days themselves names it. */
    public static Optional<String> of(Period period, Words words) {
        if (period instanceof SinceLastIssue) {
            return Optional.of(words.say("period.since-last-issue"));
        }
        return period instanceof CalendarPeriod calendar
                ? Optional.of(words.say(key(calendar), calendar.count()))
                : Optional.empty();
    }

    /** "the week before". */
    public static String before(Period period, Words words) {
        return period instanceof CalendarPeriod calendar
                ? words.say(key(calendar) + ".before", calendar.count())
                : words.say("period.fixed.before");
    }

    private static String key(CalendarPeriod period) {
        return "period." + period.reach() + "." + period.grain();
    }
}
