package mailshelf.core.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.time.Grain;

/** Reads the blocks of a definition. */
final class BlockReader {
    private static final Pattern TREND = Pattern.compile("(\\d{1,3}) (day|week|month|quarter|half-year|year)s?");
    private static final int MOST_TOP = 200;
    private static final Map<String, Block.ChartKind> KINDS = Map.of(
            "bars", Block.ChartKind.BARS,
            "line", Block.ChartKind.LINE,
            "area", Block.ChartKind.AREA,
            "share", Block.ChartKind.SHARE);

    private final ReaderScope scope;
    private final MeasureReader measures;
    private final TableReader tables;

    BlockReader(ReaderScope scope, MeasureReader measures) {
        this.scope = scope;
        this.measures = measures;
        this.tables = new TableReader(scope, measures);
    }

    /** @param position what it is called where it has no name of its own */
    Optional<Block> read(YamlCursor in, String position) {
        String id = in.optionalName("id").orElse(position);
        Optional<Block> block = Optional.empty();
        if (in.has("figure")) {
            block = figure(in, id);
        } else if (in.has("chart")) {
            block = chart(in, id);
        } else if (in.has("table")) {
            block = tables.read(in, id, top(in));
        } else if (in.has("text")) {
            block = Optional.of(text(in, id));
        } else {
            in.fault("", "a block is one of figure, chart, table, text");
        }
        in.rejectUnknown();
        return block;
    }

    private Optional<Block> figure(YamlCursor in, String id) {
        Block.Against against = in.optionalText("against")
                .map(text -> switch (text) {
                    case "year ago" -> Block.Against.YEAR_AGO;
                    case "before" -> Block.Against.BEFORE;
                    default -> {
                        in.fault("against", "\"against\" must be before or year ago, not \"" + text + "\"");
                        yield Block.Against.BEFORE;
                    }
                })
                .orElse(Block.Against.BEFORE);
        Optional<String> title = in.optionalName("title");
        Optional<Block.Trend> trend = trend(in, "trend");
        return measures.plain(in, "figure")
                .map(measure -> new Block.Figure(id, title.orElse(measure.title()), measure, trend, against));
    }

    private Optional<Block> chart(YamlCursor in, String id) {
        String kind = in.text("chart");
        if (!KINDS.containsKey(kind)) {
            in.fault("chart", "\"chart\" must be bars, line, area or share, not \"" + kind + "\"");
        }
        Optional<Block.Trend> over = trend(in, "over");
        Optional<String> by = scope.textColumn(in, "by");
        if (over.isPresent() == by.isPresent()) {
            in.fault("chart", "a chart needs either \"over\" (such as 26 weeks) or \"by\" (a column)");
        }
        Optional<String> split = scope.textColumn(in, "split");
        if (kind.equals("share") && split.isEmpty()) {
            in.fault("chart", "a chart of shares needs \"split\", the column whose values are the parts");
        }
        if (kind.equals("area") && over.isEmpty()) {
            in.fault("chart", "a chart of areas goes \"over\" time");
        }
        Optional<Integer> top = top(in);
        if (top.isPresent() && by.isEmpty()) {
            in.fault("top", "\"top\" goes with \"by\"");
        }
        String title = in.name("title");
        Optional<MeasureReader.Named> named = measures.named(in, "measure", in.text("measure"));
        named.ifPresent(found -> requireChartable(in, kind, found));
        return named.map(found -> new Block.Chart(
                id,
                title,
                KINDS.getOrDefault(kind, Block.ChartKind.BARS),
                found.shown(),
                found.measure(),
                over,
                by,
                split,
                top));
    }

    private static void requireChartable(YamlCursor in, String kind, MeasureReader.Named named) {
        if (named.shown().isChange()) {
            in.fault("measure", "a chart shows a measure, its share or its running total; changes go into tables");
        }
        boolean stands = kind.equals("area") || kind.equals("share");
        if (stands && (!named.measure().addsUp() || (kind.equals("share") && named.shown() != Shown.VALUE))) {
            in.fault("measure", "the parts of a chart of " + kind + " must add up: counts or sums");
        }
    }

    private Optional<Integer> top(YamlCursor in) {
        return in.optionalText("top").flatMap(text -> {
            if (!text.matches("[1-9]\\d{0,2}") || Integer.parseInt(text) > MOST_TOP) {
                in.fault("top", "\"top\" must be 1 to " + MOST_TOP + ", not \"" + text + "\"");
                return Optional.empty();
            }
            return Optional.of(Integer.parseInt(text));
        });
    }

    private Block text(YamlCursor in, String id) {
        String text = in.text("text");
        List<Block.Field> fields = new ArrayList<>();
        List<String> values = new ArrayList<>();
        Matcher braces = MergeText.FIELD.matcher(text);
        while (braces.find()) {
            String name = braces.group(1);
            Optional<MeasureReader.Named> named = measures.find(name);
            Optional<String> value = MergeText.namedValue(name);
            value.ifPresent(values::add);
            if (named.isPresent() && !named.get().shown().needsSums()) {
                fields.add(
                        new Block.Field(name, named.get().measure(), named.get().shown()));
            } else if (value.isEmpty() && !MergeText.ABOUT_PAGE.contains(name)) {
                in.faultIn(
                        "text",
                        braces.start(),
                        "no field \"" + name + "\"; there are " + String.join(", ", MergeText.ABOUT_PAGE)
                                + ", the measures " + measures.names()
                                + ", \"change of\" these, and \"value of\" a named value");
            }
        }
        MergeText.openBrace(text)
                .ifPresent(at -> in.faultIn("text", at, "this brace is not closed; a field is written as {name}"));
        return new Block.Text(id, in.optionalName("title").orElse(""), text, fields, values);
    }

    private Optional<Block.Trend> trend(YamlCursor in, String key) {
        return in.optionalText(key).flatMap(text -> {
            Matcher matcher = TREND.matcher(text);
            if (!matcher.matches() || Integer.parseInt(matcher.group(1)) < 2) {
                in.fault(key, "expected a span such as \"12 weeks\", not \"" + text + "\"");
                return Optional.empty();
            }
            Grain grain =
                    Grain.valueOf(matcher.group(2).toUpperCase(Locale.ROOT).replace('-', '_'));
            return Optional.of(new Block.Trend(grain, Integer.parseInt(matcher.group(1))));
        });
    }
}
