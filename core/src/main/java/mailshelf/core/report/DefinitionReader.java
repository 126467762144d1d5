package mailshelf.core.report;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Computed;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Grain;
import mailshelf.core.data.Tally;
import mailshelf.core.expression.BadExpression;
import mailshelf.core.expression.Expression;
import mailshelf.core.wording.OneLine;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.Node;

/** Reads a report's definition from YAML; the format is described in docs/report-format.md. */
public final class DefinitionReader {
    private static final Pattern TREND = Pattern.compile("(\\d{1,3}) (day|week|month)s?");

    private final List<Problem.Fault> faults = new ArrayList<>();
    private final Map<String, Column> columns = new LinkedHashMap<>();
    private final Set<Computed> computed = new LinkedHashSet<>();
    private final Map<String, Measure> measures = new HashMap<>();

    private DefinitionReader(List<Column> columns) {
        columns.forEach(column -> this.columns.put(column.name(), column));
    }

    /** Name of the data set that a definition is over, before its columns are known. */
    public static String dataSetOf(String yaml) {
        List<Problem.Fault> faults = new ArrayList<>();
        String name = new YamlCursor(compose(yaml), faults).text("data");
        throwIfAny(faults);
        return name;
    }

    /**
     * @param columns those of the data set that the definition names
     * @throws Problem {@code report.not-readable} with line and column of each fault
     */
    public static Definition read(String yaml, List<Column> columns) {
        DefinitionReader reader = new DefinitionReader(columns);
        Definition definition = reader.definition(new YamlCursor(compose(yaml), reader.faults));
        throwIfAny(reader.faults);
        return definition;
    }

    private static Node compose(String yaml) {
        try {
            return new Compose(LoadSettings.builder().build())
                    .composeString(yaml)
                    .orElseThrow(() -> new YamlEngineException("the text is empty"));
        } catch (MarkedYamlEngineException e) {
            String at = e.getProblemMark()
                    .map(mark -> "line " + (mark.getLine() + 1) + ", column " + (mark.getColumn() + 1))
                    .orElse("line 1, column 1");
            throw unreadable(List.of(new Problem.Fault(at, e.getProblem())));
        } catch (YamlEngineException e) {
            throw unreadable(List.of(new Problem.Fault("line 1, column 1", e.getMessage())));
        }
    }

    private static void throwIfAny(List<Problem.Fault> faults) {
        if (!faults.isEmpty()) {
            throw unreadable(faults);
        }
    }

    private static Problem unreadable(List<Problem.Fault> faults) {
        Problem.Fault first = faults.get(0);
        return new Problem(Problem.Kind.INVALID, "report.not-readable", faults, first.field() + ": " + first.message());
    }

    private Definition definition(YamlCursor root) {
        String title = root.name("report");
        String about = root.text("about");
        String data = root.text("data");
        List<String> tags = root.texts("tags");
        root.mapping("compute").ifPresent(this::readComputed);
        List<String> filters = root.texts("filters");
        filters.forEach(filter -> requireColumn(root, "filters", filter, ColumnType.TEXT));
        Map<String, String> titles = new HashMap<>();
        root.mapping("columns").ifPresent(names -> {
            for (String column : names.keys()) {
                requireColumn(names, column, column, null);
                titles.put(column, names.name(column));
            }
        });
        root.mapping("measures").ifPresent(this::readMeasures);
        List<Definition.Page> pages = new ArrayList<>();
        for (YamlCursor page : root.mappings("pages")) {
            pages.add(page(page, pages.size() + 1));
        }
        if (pages.isEmpty()) {
            root.fault("pages", "a report needs at least one page under \"pages\"");
        }
        root.rejectUnknown();
        return new Definition(title, about, data, tags, filters, List.copyOf(computed), titles, pages);
    }

    private void readComputed(YamlCursor all) {
        for (String name : all.keys()) {
            if (columns.containsKey(name)) {
                all.fault(name, "there is a column \"" + name + "\" already");
            } else if (!OneLine.isName(name)) {
                all.fault(name, "a column's name has at most " + OneLine.LONGEST_NAME + " characters on one line");
            } else {
                expression(all, name).map(read -> read.column(name)).ifPresent(column -> {
                    computed.add(column);
                    columns.put(name, column.column());
                });
            }
        }
    }

    private Optional<Expression> expression(YamlCursor in, String key) {
        return in.optionalText(key).flatMap(text -> {
            try {
                return Optional.of(Expression.read(text, columns.values()));
            } catch (BadExpression e) {
                in.faultIn(key, e.position(), e.getMessage());
                return Optional.empty();
            }
        });
    }

    private void readMeasures(YamlCursor all) {
        // ratios name other measures, so they come after those
        for (boolean ratios : new boolean[] {false, true}) {
            for (String id : all.keys()) {
                YamlCursor one = all.mapping(id).orElseThrow();
                if (one.has("ratio") == ratios) {
                    measure(id, one).ifPresent(measure -> measures.put(id, measure));
                }
            }
        }
    }

    private Optional<Measure> measure(String id, YamlCursor in) {
        String title = in.name("title");
        Format format = new Format(in.optionalText("unit").orElse(""), decimals(in), good(in));
        List<Filter> where = where(in);
        Optional<Measure> measure = Optional.empty();
        if (in.has("count")) {
            in.text("count");
            measure = Optional.of(new Measure(id, title, Tally.rows(where), Optional.empty(), 1, format));
        } else if (in.has("sum")) {
            measure = Optional.of(
                    new Measure(id, title, number(in, "sum", Tally.Kind.SUM, where), Optional.empty(), 1, format));
        } else if (in.has("average")) {
            Tally sum = number(in, "average", Tally.Kind.SUM, where);
            Tally count = new Tally(Tally.Kind.VALUES, sum.column(), where);
            measure = Optional.of(new Measure(id, title, sum, Optional.of(count), 1, format));
        } else if (in.has("ratio")) {
            measure = ratio(id, title, in, format);
        } else {
            in.fault(id, "measure \"" + id + "\" needs one of count, sum, average, ratio");
        }
        in.rejectUnknown();
        return measure;
    }

    private Optional<Measure> ratio(String id, String title, YamlCursor in, Format format) {
        List<String> parts = in.texts("ratio");
        if (parts.size() != 2 || !measures.containsKey(parts.get(0)) || !measures.containsKey(parts.get(1))) {
            in.fault("ratio", "\"ratio\" must be a list of two measures, the upper and the lower");
            return Optional.empty();
        }
        int factor = "%".equals(format.unit()) ? 100 : 1;
        Tally upper = measures.get(parts.get(0)).tally();
        Tally lower = measures.get(parts.get(1)).tally();
        return Optional.of(new Measure(id, title, upper, Optional.of(lower), factor, format));
    }

    private Tally number(YamlCursor in, String key, Tally.Kind kind, List<Filter> where) {
        String column = in.text(key);
        requireColumn(in, key, column, ColumnType.NUMBER);
        return new Tally(kind, column, where);
    }

    private int decimals(YamlCursor in) {
        String text = in.optionalText("decimals").orElse("0");
        if (!text.matches("[0-6]")) {
            in.fault("decimals", "\"decimals\" must be 0 to 6, not \"" + text + "\"");
            return 0;
        }
        return Integer.parseInt(text);
    }

    private Good good(YamlCursor in) {
        String text = in.optionalText("good").orElse("neither");
        return switch (text) {
            case "more" -> Good.MORE;
            case "less" -> Good.LESS;
            case "neither" -> Good.NEITHER;
            default -> {
                in.fault("good", "\"good\" must be more, less or neither, not \"" + text + "\"");
                yield Good.NEITHER;
            }
        };
    }

    /** Values of text columns, or a condition, which is kept as a column of its own. */
    private List<Filter> where(YamlCursor in) {
        return in.hasText("where") ? condition(in) : values(in);
    }

    private List<Filter> condition(YamlCursor in) {
        Optional<Expression> read = expression(in, "where");
        if (read.isPresent() && !read.get().isCondition()) {
            in.fault(
                    "where",
                    "\"where\" must be a condition, and this is " + read.get().type());
            return List.of();
        }
        return read.map(condition -> {
                    Computed column = condition.column("(" + in.text("where").strip() + ")");
                    computed.add(column);
                    return List.of(new Filter(column.column().name(), List.of(Expression.YES)));
                })
                .orElse(List.of());
    }

    private List<Filter> values(YamlCursor in) {
        List<Filter> found = new ArrayList<>();
        in.mapping("where").ifPresent(where -> {
            for (String column : where.keys()) {
                requireColumn(where, column, column, ColumnType.TEXT);
                where.optionalText(column).ifPresent(value -> found.add(new Filter(column, List.of(value))));
            }
        });
        return found;
    }

    private Definition.Page page(YamlCursor in, int number) {
        String title = in.name("page");
        String id = in.optionalText("id").orElse("p" + number);
        List<Block> blocks = new ArrayList<>();
        for (YamlCursor block : in.mappings("blocks")) {
            block(block, "b" + (blocks.size() + 1)).ifPresent(blocks::add);
        }
        if (blocks.isEmpty()) {
            in.fault("blocks", "page \"" + title + "\" needs at least one block");
        }
        in.rejectUnknown();
        return new Definition.Page(id, title, blocks);
    }

    private Optional<Block> block(YamlCursor in, String id) {
        Optional<Block> block = Optional.empty();
        if (in.has("figure")) {
            block = measureAt(in, "figure")
                    .map(measure -> new Block.Figure(
                            id, in.optionalName("title").orElse(measure.title()), measure, trend(in, "trend")));
        } else if (in.has("chart")) {
            block = chart(in, id);
        } else if (in.has("table")) {
            block = table(in, id);
        } else if (in.has("text")) {
            block = Optional.of(new Block.Text(id, in.optionalName("title").orElse(""), in.text("text")));
        } else {
            in.fault("", "a block is one of figure, chart, table, text");
        }
        in.rejectUnknown();
        return block;
    }

    private Optional<Block> chart(YamlCursor in, String id) {
        String kind = in.text("chart");
        if (!kind.equals("bars") && !kind.equals("line")) {
            in.fault("chart", "\"chart\" must be bars or line, not \"" + kind + "\"");
        }
        Optional<Block.Trend> over = trend(in, "over");
        Optional<String> by = textColumn(in, "by");
        if (over.isPresent() == by.isPresent()) {
            in.fault("chart", "a chart needs either \"over\" (such as 26 weeks) or \"by\" (a column)");
        }
        Optional<String> split = textColumn(in, "split");
        String title = in.name("title");
        return measureAt(in, "measure")
                .map(measure -> new Block.Chart(
                        id,
                        title,
                        kind.equals("line") ? Block.ChartKind.LINE : Block.ChartKind.BARS,
                        measure,
                        over,
                        by,
                        split));
    }

    private Optional<Block> table(YamlCursor in, String id) {
        String title = in.name("title");
        if (in.text("table").equals("rows")) {
            List<String> shown = in.texts("columns");
            shown.forEach(column -> requireColumn(in, "columns", column, null));
            return Optional.of(new Block.RowTable(id, title, shown, where(in)));
        }
        String by = in.text("table");
        requireColumn(in, "table", by, ColumnType.TEXT);
        List<Block.TableMeasure> shown = new ArrayList<>();
        for (String name : in.texts("measures")) {
            boolean change = name.startsWith("change of ");
            Measure measure = measures.get(change ? name.substring("change of ".length()) : name);
            if (measure == null) {
                in.fault("measures", "no measure \"" + name + "\"; there are " + measureNames());
            } else {
                shown.add(new Block.TableMeasure(measure, change));
            }
        }
        return Optional.of(new Block.GroupTable(id, title, by, shown));
    }

    private Optional<Measure> measureAt(YamlCursor in, String key) {
        String name = in.text(key);
        if (!measures.containsKey(name)) {
            in.fault(key, "no measure \"" + name + "\"; there are " + measureNames());
        }
        return Optional.ofNullable(measures.get(name));
    }

    private String measureNames() {
        return String.join(", ", measures.keySet().stream().sorted().toList());
    }

    private Optional<Block.Trend> trend(YamlCursor in, String key) {
        return in.optionalText(key).flatMap(text -> {
            Matcher matcher = TREND.matcher(text);
            if (!matcher.matches() || Integer.parseInt(matcher.group(1)) < 2) {
                in.fault(key, "expected a span such as \"12 weeks\", not \"" + text + "\"");
                return Optional.empty();
            }
            Grain grain = Grain.valueOf(matcher.group(2).toUpperCase(Locale.ROOT));
            return Optional.of(new Block.Trend(grain, Integer.parseInt(matcher.group(1))));
        });
    }

    private Optional<String> textColumn(YamlCursor in, String key) {
        Optional<String> column = in.optionalText(key);
        column.ifPresent(name -> requireColumn(in, key, name, ColumnType.TEXT));
        return column;
    }

    private void requireColumn(YamlCursor in, String key, String column, ColumnType type) {
        Column found = columns.get(column);
        if (found == null) {
            in.fault(key, "no column \"" + column + "\" in the data; there are " + String.join(", ", columns.keySet()));
        } else if (type != null && found.type() != type) {
            String wanted = type.name().toLowerCase(Locale.ROOT);
            in.fault(key, "column \"" + column + "\" must be a " + wanted + " column");
        }
    }
}
