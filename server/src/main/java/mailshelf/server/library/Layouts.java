package mailshelf.server.library;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import mailshelf.core.report.Cut;

/** How tables of rows are laid out, as addresses carry it: {@code up=b3:route}, {@code down=b3:date}, {@code column=b3:cause}. */
final class Layouts {
    private static final Cut.Layout AS_PUBLISHED = new Cut.Layout("", false, List.of());

    private final Map<String, Cut.Layout> byBlock = new HashMap<>();

    private Layouts() {}

    /** @param parameters of an address; what names no block is left out */
    static Map<String, Cut.Layout> of(Map<String, String[]> parameters) {
        Layouts layouts = new Layouts();
        layouts.each(parameters, "up", (was, column) -> new Cut.Layout(column, false, was.columns()));
        layouts.each(parameters, "down", (was, column) -> new Cut.Layout(column, true, was.columns()));
        layouts.each(parameters, "column", (was, column) -> {
            List<String> columns = new ArrayList<>(was.columns());
            columns.add(column);
            return new Cut.Layout(was.sort(), was.descending(), columns);
        });
        return layouts.byBlock;
    }

    private void each(
            Map<String, String[]> parameters, String name, BiFunction<Cut.Layout, String, Cut.Layout> change) {
        for (String text : parameters.getOrDefault(name, new String[0])) {
            int colon = text.indexOf(':');
            if (colon > 0) {
                byBlock.compute(
                        text.substring(0, colon),
                        (block, was) -> change.apply(was == null ? AS_PUBLISHED : was, text.substring(colon + 1)));
            }
        }
    }
}
