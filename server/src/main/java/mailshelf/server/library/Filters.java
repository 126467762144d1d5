package mailshelf.server.library;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;
import mailshelf.core.report.Definition;

/** Filters as they stand in an address: {@code filter=route:3 Sandvoll–Ness}, once a value. */
public final class Filters {
    private Filters() {}

    public static List<Filter> parse(List<String> parameters, Definition definition) {
        Map<String, List<String>> values = new LinkedHashMap<>();
        for (String parameter : parameters) {
            int colon = parameter.indexOf(':');
            if (colon < 1) {
                throw Problem.invalid("report.bad-filter", parameter);
            }
            values.computeIfAbsent(parameter.substring(0, colon), column -> new ArrayList<>())
                    .add(parameter.substring(colon + 1));
        }
        List<Filter> filters = values.entrySet().stream()
                .map(entry -> new Filter(entry.getKey(), entry.getValue()))
                .toList();
        requireOffered(filters, definition);
        return filters;
    }

    /** Only columns that the publisher offers can be filtered by. */
    public static void requireOffered(List<Filter> filters, Definition definition) {
        for (Filter filter : filters) {
            if (!definition.filters().contains(filter.column())) {
                throw Problem.invalid("report.bad-filter", filter.column());
            }
        }
    }
}
