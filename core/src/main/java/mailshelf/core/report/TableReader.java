package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.NumberText;

/** Reads the tables of a definition. */
final class TableReader {
    private static final Pattern LIMIT = Pattern.compile("(over|under) (-?\\d{1,15}(?:\\.\\d{1,6})?)");
    private static final int MOST_COLUMNS = 2;

    private final ReaderScope scope;
    private final MeasureReader measures;

    TableReader(ReaderScope scope, MeasureReader measures) {
        this.scope = scope;
        this.measures = measures;
    }

    Optional<Block> read(YamlCursor in, String id, Optional<Integer> top) {
        String title = in.name("title");
        return in.hasText("table") && in.text("table").equals("rows")
                ? Optional.of(rows(in, id, title))
                : groups(in, id, title, top);
    }

    private Block rows(YamlCursor in, String id, String title) {
        List<String> shown = in.texts("columns");
        shown.forEach(column -> scope.require(in, "columns", column, null));
        Map<String, Limit> limits = limits(in, shown);
        in.mapping("emphasis")
                .ifPresent(each ->
                        limits.keySet().forEach(column -> scope.require(each, column, column, ColumnType.NUMBER)));
        return new Block.RowTable(id, title, shown, scope.where(in), limits);
    }

    private Optional<Block> groups(YamlCursor in, String id, String title, Optional<Integer> top) {
        List<String> by = in.hasText("table") ? List.of(in.text("table")) : in.texts("table");
        by.forEach(column -> scope.require(in, "table", column, ColumnType.TEXT));
        if (by.isEmpty() || by.size() > MOST_COLUMNS) {
            in.fault("table", "a table is by one column or by two, the second within the first");
        }
        List<String> names = in.texts("measures");
        Map<String, Limit> limits = limits(in, names);
        List<Block.TableMeasure> shown = new ArrayList<>();
        for (String name : names) {
            measures.named(in, "measures", name)
                    .ifPresent(found -> shown.add(new Block.TableMeasure(
                            found.measure(), found.shown(), Optional.ofNullable(limits.get(name)))));
        }
        if (names.isEmpty()) {
            in.fault("measures", "a table by a column needs \"measures\"");
        }
        Optional<Block.Sort> sort = sort(in, names);
        return shown.isEmpty() ? Optional.empty() : Optional.of(new Block.GroupTable(id, title, by, shown, sort, top));
    }

    /** @param shown what may be emphasised, by the names that the table has for it */
    private static Map<String, Limit> limits(YamlCursor in, List<String> shown) {
        Map<String, Limit> limits = new HashMap<>();
        in.mapping("emphasis").ifPresent(all -> {
            for (String name : all.keys()) {
                Matcher matcher = LIMIT.matcher(all.text(name));
                Optional<BigDecimal> limit = matcher.matches() ? NumberText.read(matcher.group(2)) : Optional.empty();
                if (!shown.contains(name)) {
                    all.fault(name, "\"emphasis\" names what the table shows: " + String.join(", ", shown));
                } else if (limit.isEmpty()) {
                    all.fault(name, "expected a limit such as \"over 5\" or \"under 80\"");
                } else {
                    Limit.Side side = matcher.group(1).equals("over") ? Limit.Side.OVER : Limit.Side.UNDER;
                    limits.put(name, new Limit(side, limit.get()));
                }
            }
        });
        return limits;
    }

    private static Optional<Block.Sort> sort(YamlCursor in, List<String> names) {
        return in.optionalText("sort").flatMap(text -> {
            boolean ascending = text.endsWith(" ascending");
            String name = ascending ? text.substring(0, text.length() - " ascending".length()) : text;
            int position = names.indexOf(name);
            if (position < 0) {
                in.fault(
                        "sort",
                        "\"sort\" names one of the measures shown, with \"ascending\" behind it for the least first: "
                                + String.join(", ", names));
                return Optional.empty();
            }
            return Optional.of(new Block.Sort(position, ascending));
        });
    }
}
