package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.format.DateTimeParseException;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.dmfs.rfc5545.recur.InvalidRecurrenceRuleException;
import org.dmfs.rfc5545.recur.RecurrenceRule;

/**
 * What makes a schedule fire: days, written and read as an RFC 5545 recurrence rule (§3.3.10), or something that recurs by no
 * rule.
 */
public sealed interface Recurrence {
    /**
     * Days as a rule of RFC 5545, e.g. {@code FREQ=WEEKLY;BYDAY=MO,TH}; "" on demand; {@code AFTER-LOAD}, with the span as an
     * ISO 8601 duration if there is one, e.g. {@code AFTER-LOAD;SPAN=PT6H}.
     */
    String rule();

    /** Never by itself: somebody has it sent. Such a schedule has no rule (RFC 5545 §3.8.5.3: a rule is optional). */
    record OnDemand() implements Recurrence {
        @Override
        public String rule() {
            return "";
        }
    }

    /**
     * Whenever data that it shows have been loaded.
     *
     * @param span the least from one firing to the next, which waits for its end; zero for none
     */
    record AfterLoad(Duration span) implements Recurrence {
        private static final String NAME = "AFTER-LOAD";
        private static final String SPAN = ";SPAN=";
        private static final Duration LONGEST = Duration.ofDays(31);

        public AfterLoad {
            if (span.isNegative()
                    || span.compareTo(LONGEST) > 0
                    || span.toSecondsPart() != 0
                    || span.toNanosPart() != 0) {
                throw new IllegalArgumentException("Not a span of whole minutes, of 31 days at most: " + span);
            }
        }

        @Override
        public String rule() {
            return span.isZero() ? NAME : NAME + SPAN + span;
        }

        private static AfterLoad read(String rule) {
            if (rule.equals(NAME)) {
                return new AfterLoad(Duration.ZERO);
            }
            if (!rule.startsWith(NAME + SPAN)) {
                throw new IllegalArgumentException("Not a rule that we keep: " + rule);
            }
            try {
                return new AfterLoad(Duration.parse(rule.substring((NAME + SPAN).length())));
            } catch (DateTimeParseException e) {
                throw new IllegalArgumentException("Not a span: " + rule, e);
            }
        }
    }

    /** Every day. */
    record Daily() implements Recurrence {
        @Override
        public String rule() {
            return "FREQ=DAILY";
        }
    }

    /** Every week on the days given, at least one; in the order of the week. */
    record Weekly(Set<DayOfWeek> days) implements Recurrence {
        public Weekly {
            if (days.isEmpty()) {
                throw new IllegalArgumentException("A weekly recurrence needs a day");
            }
            days = EnumSet.copyOf(days);
        }

        @Override
        public Set<DayOfWeek> days() {
            return EnumSet.copyOf(days);
        }

        @Override
        public String rule() {
            return "FREQ=WEEKLY;BYDAY="
                    + new TreeSet<>(days)
                            .stream().map(day -> day.name().substring(0, 2)).collect(Collectors.joining(","));
        }
    }

    /** Every month on a date, 1 to 31; in a month without it, on its last day. */
    record Monthly(int dayOfMonth) implements Recurrence {
        private static final int EVERY_MONTH_HAS = 28;

        public Monthly {
            if (dayOfMonth < 1 || dayOfMonth > 31) {
                throw new IllegalArgumentException("No month has a day " + dayOfMonth);
            }
        }

        /** For the 29th to the 31st: the last of the days from the 28th on that the month has (BYSETPOS). */
        @Override
        public String rule() {
            if (dayOfMonth <= EVERY_MONTH_HAS) {
                return "FREQ=MONTHLY;BYMONTHDAY=" + dayOfMonth;
            }
            return "FREQ=MONTHLY;BYMONTHDAY="
                    + IntStream.rangeClosed(EVERY_MONTH_HAS, dayOfMonth)
                            .mapToObj(Integer::toString)
                            .collect(Collectors.joining(","))
                    + ";BYSETPOS=-1";
        }
    }

    /**
     * Reads a rule that {@link #rule()} wrote, or an equivalent one.
     *
     * @throws IllegalArgumentException for a rule that is malformed or of another kind
     */
    static Recurrence parse(String rule) {
        if (rule.isEmpty()) {
            return new OnDemand();
        }
        if (rule.startsWith(AfterLoad.NAME)) {
            return AfterLoad.read(rule);
        }
        try {
            RecurrenceRule parsed = new RecurrenceRule(rule);
            return switch (parsed.getFreq()) {
                case DAILY -> new Daily();
                case WEEKLY ->
                    new Weekly(parsed.getByDayPart().stream()
                            .map(day -> DayOfWeek.of((day.weekday.ordinal() + 6) % 7 + 1))
                            .collect(Collectors.toSet()));
                case MONTHLY -> new Monthly(last(parsed.getByPart(RecurrenceRule.Part.BYMONTHDAY)));
                default -> throw new IllegalArgumentException("Not a rule that we keep: " + rule);
            };
        } catch (InvalidRecurrenceRuleException e) {
            throw new IllegalArgumentException("Not a recurrence rule: " + rule, e);
        }
    }

    private static int last(List<Integer> days) {
        return days.get(days.size() - 1);
    }
}
