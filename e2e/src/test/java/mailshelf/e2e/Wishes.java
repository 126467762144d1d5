package mailshelf.e2e;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;

/** Requests with valid defaults; a test mentions only what matters to it. */
final class Wishes {
    private Wishes() {}

    /** The first page of the report on cancelled sailings, Mondays at seven. */
    static Map<String, Object> terms(long... recipients) {
        Map<String, Object> terms = new HashMap<>();
        terms.put("name", "A test");
        terms.put(
                "content",
                List.of(Map.of(
                        "report",
                        1,
                        "pages",
                        List.of("overview"),
                        "blocks",
                        List.of(),
                        "period",
                        "last-week",
                        "filters",
                        List.of())));
        terms.put("firstDayOfWeek", "MONDAY");
        terms.put("seenAs", "RECIPIENT");
        terms.put("recipients", recipients);
        terms.put("output", Map.of("pdf", true, "picture", false));
        terms.put("schedule", schedule("FREQ=WEEKLY;BYDAY=MO", "07:00"));
        terms.put("locale", "en");
        return terms;
    }

    static Map<String, Object> with(Map<String, Object> terms, String part, Object value) {
        Map<String, Object> changed = new HashMap<>(terms);
        changed.put(part, value);
        return changed;
    }

    /** With what is sent of the one report changed: its pages, period, filters, or the report itself. */
    static Map<String, Object> of(Map<String, Object> terms, String part, Object value) {
        Map<?, ?> before = (Map<?, ?>) ((List<?>) terms.get("content")).get(0);
        Map<Object, Object> content = new HashMap<>(before);
        content.put(part, value);
        return with(terms, "content", List.of(content));
    }

    /** A source to be registered, in the first folder. */
    static Map<String, Object> database(String name, String address) {
        return Map.of(
                "folder",
                1,
                "name",
                name,
                "kind",
                "DATABASE",
                "place",
                address,
                "user",
                "reader",
                "password",
                "none",
                "seconds",
                60,
                "mostRows",
                1000);
    }

    /** Where rows come from: a query on a source. */
    static Map<String, Object> query(long source, String sql) {
        return Map.of("kind", "QUERY", "source", source, "ask", sql);
    }

    /** How rows come, by hand or on arrival. */
    static Map<String, Object> plan(Map<String, Object> origin, String when, String mode) {
        return plan(origin, Map.of("kind", when, "minutes", 0), mode);
    }

    static Map<String, Object> plan(Map<String, Object> origin, Map<String, Object> times, String mode) {
        return Map.of("origin", origin, "times", times, "mode", mode);
    }

    /** A source whose files are watched. */
    static Map<String, Object> watchedFolder(Path place) {
        return Map.of(
                "folder",
                1,
                "name",
                "Incoming",
                "kind",
                "FOLDER",
                "place",
                place.toString(),
                "user",
                "",
                "seconds",
                60,
                "mostRows",
                1000);
    }

    /** @param columns each with its type, such as "day DATE", the day of its rows first; amounts have two decimals */
    static Map<String, Object> dataSet(long folder, String name, String... columns) {
        return Map.of(
                "folder",
                folder,
                "name",
                name,
                "dateColumn",
                columns[0].split(" ")[0],
                "columns",
                Stream.of(columns)
                        .map(column -> column.split(" "))
                        .map(column -> Map.of(
                                "name", column[0], "type", column[1], "decimals", column[0].equals("amount") ? 2 : 0))
                        .toList());
    }

    /** A mapping table of who sees which values. */
    static Map<String, Object> mapping(String name, String values) {
        return Map.of(
                "folder",
                1,
                "name",
                name,
                "columns",
                Stream.of("who", values)
                        .map(column -> Map.of("name", column, "type", "TEXT", "decimals", 0))
                        .toList());
    }

    /** A rule on a column by a mapping table that has who sees which values of it. */
    static Map<String, Object> rule(String column, long mapping) {
        return Map.of("column", column, "mapping", mapping, "who", "who", "values", column);
    }

    static Map<String, Object> schedule(String rule, String at) {
        return Map.of("recurrence", rule, "at", at, "zone", "Europe/Oslo");
    }

    static Map<String, Object> draft(Map<String, Object> terms) {
        Map<String, Object> draft = new HashMap<>();
        draft.put("terms", terms);
        draft.put("as", null);
        draft.put("own", null);
        return draft;
    }

    /** A named value that is computed. */
    static Map<String, Object> named(String name, String formula) {
        Map<String, Object> named = new HashMap<>();
        named.put("name", name);
        named.put("kind", "FORMULA");
        named.put("values", List.of());
        named.put("formula", formula);
        named.put("dataSet", null);
        named.put("column", "");
        named.put("fallback", List.of());
        named.put("separator", ", ");
        named.put("lastWord", "and");
        return named;
    }

    /** A named value by its name, with what it comes to for somebody. */
    static JsonNode namedValue(Api who, String name) {
        return who.get("named-values")
                .valueStream()
                .filter(each -> each.get("named").get("name").asString().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** A private cut under a name that nobody has. */
    static Map<String, Object> cut() {
        return cut("Cut " + UUID.randomUUID(), false, "last-month");
    }

    static Map<String, Object> cut(String name, boolean shared, String period) {
        Map<String, Object> filter = Map.of("column", "route", "test", "ANY_OF", "values", List.of("3 Sandvoll–Ness"));
        Map<String, Object> layout = Map.of("sort", "date", "descending", true, "columns", List.of("date", "route"));
        return Map.of(
                "name",
                name,
                "about",
                "What I look at on Mondays.",
                "shared",
                shared,
                "cut",
                Map.of("page", "every", "period", period, "filters", List.of(filter), "tables", Map.of("b2", layout)));
    }
}
