package mailshelf.core.time;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.dmfs.rfc5545.recur.InvalidRecurrenceRuleException;
import org.dmfs.rfc5545.recur.RecurrenceRule;

/**
 * Reads recurrence rules. A rule is accepted only if writing it again gives the same parts, so that no part of it gets lost
 * unnoticed.
 */
final class RecurrenceReader {
    private static final String SUPPORTED = "Supported are FREQ=DAILY, FREQ=WEEKLY with BYDAY=MO,TH and the like, "
            + "FREQ=MONTHLY with BYMONTHDAY=1 to 28, and BYMONTHDAY=28,29,30,31;BYSETPOS=-1 for the last day of a month.";

    private RecurrenceReader() {}

    static Recurrence read(String rule) {
        if (rule.isEmpty()) {
            return new Recurrence.OnDemand();
        }
        if (rule.startsWith(Recurrence.AfterLoad.NAME)) {
            return afterLoad(rule);
        }
        Recurrence understood = understood(rule);
        Map<String, Set<String>> kept = parts(understood.rule());
        parts(rule).forEach((name, values) -> {
            if (!hasNoEffect(name, values) && !values.equals(kept.get(name))) {
                throw unsupported(name + "=" + String.join(",", values));
            }
        });
        return understood;
    }

    private static Recurrence.AfterLoad afterLoad(String rule) {
        if (rule.equals(Recurrence.AfterLoad.NAME)) {
            return new Recurrence.AfterLoad(Duration.ZERO);
        }
        String beforeSpan = Recurrence.AfterLoad.NAME + Recurrence.AfterLoad.SPAN;
        if (!rule.startsWith(beforeSpan)) {
            throw unsupported(rule);
        }
        try {
            return new Recurrence.AfterLoad(Duration.parse(rule.substring(beforeSpan.length())));
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("Not a span: " + rule, e);
        }
    }

    private static Recurrence understood(String rule) {
        RecurrenceRule parsed;
        try {
            parsed = new RecurrenceRule(rule);
        } catch (InvalidRecurrenceRuleException e) {
            throw new IllegalArgumentException("Not a recurrence rule (RFC 5545): " + rule, e);
        }
        return switch (parsed.getFreq()) {
            case DAILY -> new Recurrence.Daily();
            case WEEKLY ->
                new Recurrence.Weekly(given("BYDAY", parsed.getByDayPart()).stream()
                        .map(day -> DayOfWeek.of((day.weekday.ordinal() + 6) % 7 + 1))
                        .collect(Collectors.toSet()));
            case MONTHLY ->
                new Recurrence.Monthly(latest(given("BYMONTHDAY", parsed.getByPart(RecurrenceRule.Part.BYMONTHDAY))));
            default -> throw unsupported("FREQ=" + parsed.getFreq());
        };
    }

    /** Without it the day would be that of the first send (RFC 5545 §3.3.10), which a rule alone does not say. */
    private static <T> List<T> given(String name, List<T> values) {
        if (values == null || values.isEmpty()) {
            throw new IllegalArgumentException(name + " is missing. " + SUPPORTED);
        }
        return values;
    }

    private static int latest(List<Integer> days) {
        return Collections.max(days);
    }

    /** The values of each part, whatever their order. */
    private static Map<String, Set<String>> parts(String rule) {
        Map<String, Set<String>> parts = new LinkedHashMap<>();
        for (String part : rule.toUpperCase(Locale.ROOT).split(";")) {
            String[] halves = part.split("=", 2);
            parts.put(halves[0], Set.copyOf(Arrays.asList(halves[1].split(","))));
        }
        return parts;
    }

    /** Every single week, it is all the same on which day weeks begin. */
    private static boolean hasNoEffect(String name, Set<String> values) {
        return name.equals("WKST") || (name.equals("INTERVAL") && values.equals(Set.of("1")));
    }

    private static IllegalArgumentException unsupported(String part) {
        return new IllegalArgumentException(part + " is not supported. " + SUPPORTED);
    }
}
