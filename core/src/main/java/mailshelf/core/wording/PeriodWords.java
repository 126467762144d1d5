package mailshelf.core.wording;

import java.util.Optional;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.time.FromTime;
import mailshelf.core.time.HoursPeriod;
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
        if (period instanceof HoursPeriod hours) {
            return Optional.of(words.say(key(hours), hours.count()));
        }
        if (period instanceof FromTime from) {
            return of(from.days(), words)
                    .map(days -> words.say("period.from-time", days, from.at().toString()));
        }
        return period instanceof CalendarPeriod calendar
                ? Optional.of(words.say(key(calendar), calendar.count()))
                : Optional.empty();
    }

    /**
     * "the week before".
     *
     * @param isCut whether days at its end are left out, as there are no figures yet for those that they are compared with
     */
    public static String before(Period period, boolean isCut, Words words) {
        if (period instanceof HoursPeriod hours) {
            return words.say(key(hours) + ".before", hours.count());
        }
        if (period instanceof FromTime from) {
            return before(from.days(), isCut, words);
        }
        if (period instanceof CalendarPeriod calendar && !(isCut && calendar.reach() == CalendarPeriod.Reach.ROLLING)) {
            CalendarPeriod.Reach reach = isCut ? CalendarPeriod.Reach.SO_FAR : calendar.reach();
            return words.say(key(reach, calendar) + ".before", calendar.count());
        }
        return words.say(period.isByTime() ? "period.fixed.before-times" : "period.fixed.before");
    }

    private static String key(HoursPeriod period) {
        return "period." + (period.withThis() ? "SO_FAR" : "COMPLETE") + ".HOUR";
    }

    private static String key(CalendarPeriod period) {
        return key(period.reach(), period);
    }

    private static String key(CalendarPeriod.Reach reach, CalendarPeriod period) {
        return "period." + reach + "." + period.grain();
    }
}
