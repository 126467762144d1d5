package mailshelf.server.library;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import mailshelf.core.report.Cut;

/** How tables of rows are laid out, as addresses carry it: {@code up=b3:route}, {@code down=b3:date}, {@code column=b3:cause}. */
final class Layouts {
    private final Map<String, Cut.Layout> byBlock = new HashMap<>();

    private Layouts() {}

    /** @param parameters of an address; what names no block is left out */
    static Map<String, Cut.Layout> of(Map<String, String[]> parameters) {
        Layouts layouts = new Layouts();
        layouts.each(parameters, "up", column -> was -> new Cut.Layout(column, false, was.columns()));
        layouts.each(parameters, "down", column -> was -> new Cut.Layout(column, true, was.columns()));
        layouts.each(parameters, "column", column -> was -> {
            List<String> columns = new ArrayList<>(was.columns());
            columns.add(column);
            return new Cut.Layout(was.sort(), was.descending(), columns);
        });
        return layouts.byBlock;
    }

    private interface Change {
        UnaryOperator<Cut.Layout> with(String column);
    }

    private void each(Map<String, String[]> parameters, String name, Change change) {
        for (String text : parameters.getOrDefault(name, new String[0])) {
            int colon = text.indexOf(':');
            if (colon > 0) {
                Cut.Layout before =
                        byBlock.getOrDefault(text.substring(0, colon), new Cut.Layout("", false, List.of()));
                byBlock.put(
                        text.substring(0, colon),
                        change.with(text.substring(colon + 1)).apply(before));
            }
        }
    }
}
