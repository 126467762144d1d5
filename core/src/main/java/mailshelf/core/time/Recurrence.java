package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.Duration;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

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

    Kind kind();

    enum Kind {
        DEMAND,
        LOAD,
        DAILY,
        WEEKLY,
        MONTHLY
    }

    /** Never by itself: somebody has it sent. Such a schedule has no rule (RFC 5545 §3.8.5.3: a rule is optional). */
    record OnDemand() implements Recurrence {
        @Override
        public Kind kind() {
            return Kind.DEMAND;
        }

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
        static final String NAME = "AFTER-LOAD";
        static final String SPAN = ";SPAN=";
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
        public Kind kind() {
            return Kind.LOAD;
        }

        @Override
        public String rule() {
            return span.isZero() ? NAME : NAME + SPAN + span;
        }
    }

    /** Every day. */
    record Daily() implements Recurrence {
        @Override
        public Kind kind() {
            return Kind.DAILY;
        }

        @Override
        public String rule() {
            return "FREQ=DAILY";
        }

        @Override
        public Optional<Period> matchingPeriod() {
            return Period.parse("yesterday");
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
        public Kind kind() {
            return Kind.WEEKLY;
        }

        @Override
        public String rule() {
            return "FREQ=WEEKLY;BYDAY="
                    + new TreeSet<>(days)
                            .stream().map(day -> day.name().substring(0, 2)).collect(Collectors.joining(","));
        }

        @Override
        public Optional<Period> matchingPeriod() {
            return switch (days.size()) {
                case 1 -> Period.parse("last-week");
                case 7 -> Period.parse("yesterday");
                default -> Optional.empty();
            };
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
        public Kind kind() {
            return Kind.MONTHLY;
        }

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

        @Override
        public Optional<Period> matchingPeriod() {
            return Period.parse("last-month");
        }
    }

    /**
     * Reads a rule that {@link #rule()} wrote, or one that means the same.
     *
     * @throws IllegalArgumentException for a rule that is malformed or says what is not kept, naming that part of it
     */
    static Recurrence parse(String rule) {
        return RecurrenceReader.read(rule);
    }

    /** The period that is as long as it is from one firing to the next; none where that is uneven. */
    default Optional<Period> matchingPeriod() {
        return Optional.empty();
    }
}
