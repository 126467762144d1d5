package mailshelf.core.named;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;

/** Named values in filters: each stands in the place of a value, by its name in braces. */
public final class References {
    private References() {}

    /** The names that filters refer to, if there are such. */
    public static Set<String> in(Collection<Filter> filters) {
        Set<String> names = new TreeSet<>();
        filters.stream()
                .flatMap(filter -> filter.values().stream())
                .forEach(value -> Filter.reference(value).ifPresent(names::add));
        return names;
    }

    /**
     * Filters by what the named values come to.
     *
     * @param comesTo what a name comes to; empty for one that is none: a text in braces is then a text like others
     * @throws Problem where a bound is by a name that is none, or by a list
     */
    public static List<Filter> resolved(List<Filter> filters, Function<String, Optional<ComesTo>> comesTo) {
        return filters.stream()
                .flatMap(filter -> in(List.of(filter)).isEmpty() ? Stream.of(filter) : resolved(filter, comesTo))
                .toList();
    }

    private static Stream<Filter> resolved(Filter filter, Function<String, Optional<ComesTo>> comesTo) {
        return switch (filter.test()) {
            case ANY_OF -> {
                List<String> values = all(filter, comesTo);
                yield values.isEmpty() ? nothing(filter.column()) : Stream.of(with(filter, values));
            }
            case NONE_OF -> {
                List<String> values = all(filter, comesTo);
                yield values.isEmpty() ? Stream.of() : Stream.of(with(filter, values));
            }
            case BETWEEN -> between(filter, comesTo);
            case CONTAINS, TOP, EMPTY, FILLED, ANSWER -> Stream.of(filter);
        };
    }

    private static Filter with(Filter filter, List<String> values) {
        return new Filter(filter.column(), filter.test(), values);
    }

    /** No row has a value and none. */
    private static Stream<Filter> nothing(String column) {
        return Stream.of(
                new Filter(column, Filter.Test.EMPTY, List.of()), new Filter(column, Filter.Test.FILLED, List.of()));
    }

    private static List<String> all(Filter filter, Function<String, Optional<ComesTo>> comesTo) {
        List<String> values = new ArrayList<>();
        for (String value : filter.values()) {
            Optional<ComesTo> named = Filter.reference(value).flatMap(comesTo);
            named.ifPresentOrElse(found -> values.addAll(found.values()), () -> values.add(value));
        }
        return values.stream().distinct().toList();
    }

    /** By one value at either end; where there is none, nothing lies between. */
    private static Stream<Filter> between(Filter filter, Function<String, Optional<ComesTo>> comesTo) {
        List<String> bounds = new ArrayList<>();
        for (String bound : filter.values()) {
            Optional<String> name = Filter.reference(bound);
            if (name.isEmpty()) {
                bounds.add(bound);
                continue;
            }
            List<String> values = comesTo.apply(name.get())
                    .orElseThrow(() -> Problem.invalid("named.unknown", name.get()))
                    .values();
            if (values.size() > 1) {
                throw Problem.invalid("named.list-as-bound", name.get(), values.size());
            }
            if (values.isEmpty()) {
                return nothing(filter.column());
            }
            bounds.add(values.get(0));
        }
        return Stream.of(with(filter, bounds));
    }
}
