package mailshelf.server.library;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportQuestion;

/**
 * Filters as they stand in an address: {@code filter=route:3 Sandvoll–Ness}, once a value, {@code except=} for all
 * others, {@code contains=cause:wind}, {@code between=delay:10..30} with either end left out, {@code
 * top=route:5..cancelled}, {@code empty=cause}, {@code filled=cause}; and what questions are answered, {@code
 * answer=late:10}.
 */
public final class Filters {
    private static final Map<Filter.Test, String> NAMES = new EnumMap<>(Map.of(
            Filter.Test.ANY_OF, "filter",
            Filter.Test.NONE_OF, "except",
            Filter.Test.CONTAINS, "contains",
            Filter.Test.BETWEEN, "between",
            Filter.Test.TOP, "top",
            Filter.Test.EMPTY, "empty",
            Filter.Test.FILLED, "filled",
            Filter.Test.ANSWER, "answer"));
    private static final String AND = "..";

    private Filters() {}

    /**
     * Reads all that an address has.
     *
     * @param parameters as it has them, which may be others besides
     * @throws Problem {@code report.bad-filter} for what is none, or not of a column that may be narrowed by
     */
    public static List<Filter> parse(Map<String, String[]> parameters, Definition definition) {
        List<Filter> filters = new ArrayList<>();
        NAMES.forEach((test, name) -> {
            Map<String, List<String>> byColumn = new LinkedHashMap<>();
            for (String parameter : parameters.getOrDefault(name, new String[0])) {
                Narrowed narrowed = narrowed(parameter, test, definition).orElseThrow(() -> bad(parameter));
                byColumn.computeIfAbsent(narrowed.column(), added -> new ArrayList<>())
                        .add(narrowed.value());
            }
            byColumn.forEach((column, values) -> filters.addAll(filters(column, test, values)));
        });
        requireOffered(filters, definition);
        return filters;
    }

    /** A column, and what it is narrowed to. */
    private record Narrowed(String column, String value) {
        /** @param written the column as it stands in the parameter */
        static Narrowed of(String column, String written, String parameter) {
            return new Narrowed(column, parameter.equals(written) ? "" : parameter.substring(written.length() + 1));
        }
    }

    /** Names may have colons in them, written as they are or as %3A: the longest that fits is meant. */
    private static Optional<Narrowed> narrowed(String parameter, Filter.Test test, Definition definition) {
        Stream<String> names = test == Filter.Test.ANSWER
                ? definition.questions().stream().map(ReportQuestion::name)
                : definition.narrowable().stream().map(Column::name);
        return names.sorted(Comparator.comparing(String::length).reversed())
                .flatMap(name -> Stream.of(name, written(name))
                        .filter(form -> parameter.equals(form) || parameter.startsWith(form + ":"))
                        .map(form -> Narrowed.of(name, form, parameter)))
                .findFirst();
    }

    /** As a column stands before a colon. */
    private static String written(String column) {
        return column.replace(":", "%3A");
    }

    private static List<Filter> filters(String column, Filter.Test test, List<String> values) {
        try {
            return switch (test) {
                case ANY_OF, NONE_OF -> List.of(new Filter(column, test, values));
                case CONTAINS, ANSWER ->
                    values.stream()
                            .map(value -> new Filter(column, test, List.of(value)))
                            .toList();
                case BETWEEN, TOP ->
                    values.stream()
                            .map(value -> new Filter(column, test, Arrays.asList(value.split("\\.\\.", 2))))
                            .toList();
                case EMPTY, FILLED -> List.of(new Filter(column, test, List.of()));
            };
        } catch (IllegalArgumentException e) {
            throw bad(column + ":" + String.join(AND, values));
        }
    }

    private static Problem bad(String parameter) {
        return Problem.invalid("report.bad-filter", parameter);
    }

    /** Refuses filters by columns that the publisher does not offer, and those that make no sense for theirs. */
    public static void requireOffered(List<Filter> filters, Definition definition) {
        for (Filter filter : filters) {
            if (!definition.takes(filter)) {
                throw bad(filter.column());
            }
        }
    }

    /** As {@link #parse} reads them, each with an ampersand before it. */
    public static String query(List<Filter> filters) {
        StringBuilder query = new StringBuilder();
        for (Filter filter : filters) {
            List<String> values = switch (filter.test()) {
                case ANY_OF, NONE_OF, CONTAINS, ANSWER -> filter.values();
                case BETWEEN, TOP -> List.of(String.join(AND, filter.values()));
                case EMPTY, FILLED -> List.of("");
            };
            for (String value : values) {
                String named = value.isEmpty() ? written(filter.column()) : written(filter.column()) + ":" + value;
                query.append('&')
                        .append(NAMES.get(filter.test()))
                        .append('=')
                        .append(URLEncoder.encode(named, StandardCharsets.UTF_8));
            }
        }
        return query.toString();
    }
}
