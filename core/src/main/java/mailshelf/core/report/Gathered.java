package mailshelf.core.report;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Puts blocks of several reports on one page, each under a line that says which it is of, and what it shows. */
public final class Gathered {
    /** What the page is known by. */
    public static final String ID = "gathered";

    private Gathered() {}

    /**
     * Says of itself which reports it is of; what it shows of each, and how fresh that is, their lines say.
     *
     * @param name of the page
     * @param parts each the chosen blocks of a page of a report; at least one
     */
    public static Written.Page page(String name, List<Written.Page> parts) {
        List<Written.Page> named = new ArrayList<>();
        for (Written.Page part : parts) {
            named.add(headed(part, (named.size() + 1) + "-"));
        }
        return new Written.Page(
                name,
                ID,
                name,
                1,
                parts.stream().map(Written.Page::report).distinct().collect(Collectors.joining(" · ")),
                "",
                parts.stream().mapToLong(Written.Page::rows).sum(),
                all(named, Written.Page::figures),
                all(named, Written.Page::charts),
                all(named, Written.Page::tables),
                all(named, Written.Page::texts),
                all(named, Written.Page::sections),
                all(named, Written.Page::order));
    }

    private static <T> List<T> all(List<Written.Page> parts, Function<Written.Page, List<T>> of) {
        return parts.stream().flatMap(part -> of.apply(part).stream()).toList();
    }

    /** Ids of blocks are unique in their own report alone. */
    private static Written.Page headed(Written.Page part, String prefix) {
        String headId = prefix + "head";
        Written.Section head = new Written.Section(headId, part.report(), part.showing() + " · " + part.freshness());
        return new Written.Page(
                part.report(),
                part.id(),
                part.title(),
                part.number(),
                part.showing(),
                part.freshness(),
                part.rows(),
                part.figures().stream()
                        .map(each -> each.withId(prefix + each.id()))
                        .toList(),
                part.charts().stream()
                        .map(each -> each.withId(prefix + each.id()))
                        .toList(),
                part.tables().stream()
                        .map(each -> each.withId(prefix + each.id()))
                        .toList(),
                part.texts().stream()
                        .map(each -> new Written.Text(prefix + each.id(), each.title(), each.text()))
                        .toList(),
                List.of(head),
                Stream.concat(Stream.of(headId), part.order().stream().map(id -> prefix + id))
                        .toList());
    }
}
