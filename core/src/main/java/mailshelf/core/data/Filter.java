package mailshelf.core.data;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.time.IsoDay;
import mailshelf.core.time.IsoTime;
import mailshelf.core.wording.Folded;

/**
 * Which rows count, by one column. A filter without a value is no filter, so none says nothing.
 *
 * @param values what the test goes by, as pages hold values: text, a decimal, an ISO date, or such a date with a time
 */
public record Filter(String column, Test test, List<String> values) {
    /** More than anybody can read through. */
    public static final int MOST_TOP = 200;

    /** Stands for values that somebody is not to know of; it is none of them. */
    public static final String HIDDEN = "\u2026";

    private static final Pattern REFERENCE = Pattern.compile("\\{([^{}]+)}");

    /** What a row's value is held against. */
    public enum Test {
        /** It is one of the values. */
        ANY_OF,
        /** It is none of the values; rows without a value pass. */
        NONE_OF,
        /** The text has the value in it, whatever its case and accents. */
        CONTAINS,
        /** It is neither less than the first value nor greater than the second; "" is no bound. */
        BETWEEN,
        /** It is among the so many with the most of a measure: the values are how many, and the measure's name. */
        TOP,
        /** The row has no value. */
        EMPTY,
        /** The row has a value. */
        FILLED,
        /** No test of rows: what a question of the report, by its name, is answered. */
        ANSWER
    }

    public Filter {
        test = test == null ? Test.ANY_OF : test; // there was no other before schema 4
        values = List.copyOf(values);
        if (!isWhole(test, values)) {
            throw new IllegalArgumentException("No filter on " + column + ": " + test + " " + values);
        }
    }

    private static boolean isWhole(Test test, List<String> values) {
        return switch (test) {
            case ANY_OF, NONE_OF -> !values.isEmpty();
            case CONTAINS, ANSWER -> values.size() == 1 && !values.get(0).isBlank();
            case BETWEEN -> values.size() == 2 && !values.equals(List.of("", ""));
            case TOP -> values.size() == 2 && values.get(0).matches("[1-9]\\d{0,2}") && isFew(values.get(0));
            case EMPTY, FILLED -> values.isEmpty();
        };
    }

    private static boolean isFew(String count) {
        return Integer.parseInt(count) <= MOST_TOP;
    }

    public static Filter anyOf(String column, List<String> values) {
        return new Filter(column, Test.ANY_OF, values);
    }

    /**
     * The same of the rows that row rules let somebody see, without naming values that they hide: where it names no other, it
     * names {@link #HIDDEN} if no row can pass, and is no filter if all rows do. Named values stay: they are what they come to.
     */
    public Optional<Filter> knownBy(List<Allowed> rules) {
        Optional<Allowed> rule =
                rules.stream().filter(each -> each.column().equals(column)).findFirst();
        if (rule.isEmpty()) {
            return Optional.of(this);
        }
        Set<String> allowed = Set.copyOf(rule.get().values());
        return switch (test) {
            case ANY_OF -> Optional.of(anyOf(column, orHidden(known(allowed))));
            case NONE_OF ->
                Optional.of(known(allowed)).filter(some -> !some.isEmpty()).map(some -> new Filter(column, test, some));
            case CONTAINS -> {
                String sought = Folded.of(values.get(0));
                boolean isKnown =
                        allowed.stream().anyMatch(value -> Folded.of(value).contains(sought));
                yield Optional.of(isKnown ? this : anyOf(column, List.of(HIDDEN)));
            }
            case BETWEEN, TOP, EMPTY, FILLED, ANSWER -> Optional.of(this);
        };
    }

    private List<String> known(Set<String> allowed) {
        return values.stream()
                .filter(value -> allowed.contains(value) || reference(value).isPresent())
                .toList();
    }

    private static List<String> orHidden(List<String> known) {
        return known.isEmpty() ? List.of(HIDDEN) : known;
    }

    /** Whether it can be held against a column's values. */
    public boolean fits(Column to) {
        return switch (test) {
            case ANY_OF, NONE_OF -> values.stream().allMatch(value -> isOf(to.type(), value));
            case CONTAINS -> to.type() == ColumnType.TEXT;
            case BETWEEN ->
                to.type() != ColumnType.TEXT
                        && values.stream().allMatch(value -> value.isEmpty() || bounds(to.type(), value));
            case TOP -> to.type() == ColumnType.TEXT;
            case EMPTY, FILLED -> true;
            case ANSWER -> false;
        };
    }

    /** The name of the named value that stands in the place of a value, in braces; empty for a value itself. */
    public static Optional<String> reference(String value) {
        Matcher braces = REFERENCE.matcher(value);
        return braces.matches() ? Optional.of(braces.group(1)) : Optional.empty();
    }

    /** Times may lie between days, which then count whole. */
    private static boolean bounds(ColumnType type, String value) {
        return isOf(type, value) || (type == ColumnType.TIME && day(value).isPresent());
    }

    private static boolean isOf(ColumnType type, String value) {
        if (reference(value).isPresent()) {
            return true; // whether what it comes to is, is found out when it does
        }
        return switch (type) {
            case TEXT -> true;
            case NUMBER -> number(value).isPresent();
            case DATE -> day(value).isPresent();
            case TIME -> IsoTime.read(value).isPresent();
        };
    }

    /** A value as a number; empty where it is none. */
    public static Optional<BigDecimal> number(String value) {
        return NumberText.read(value);
    }

    /** A value as a day; empty where it is none. */
    public static Optional<LocalDate> day(String value) {
        return IsoDay.read(value);
    }
}
