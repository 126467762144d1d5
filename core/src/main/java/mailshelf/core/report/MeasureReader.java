package mailshelf.core.report;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Spread;
import mailshelf.core.data.Statistic;
import mailshelf.core.data.Tally;

/** Reads the measures of a definition, and finds them by what blocks call them. */
final class MeasureReader {
    private static final Pattern PERCENTILE = Pattern.compile("percentile (\\d{1,2})");

    private static final List<String> KINDS =
            List.of("count", "sum", "average", "distinct", "least", "greatest", "median", "ratio");

    private final ReaderScope scope;
    private final Map<String, Measure> measures = new HashMap<>();

    /** A measure as a block shows it. */
    record Named(Measure measure, Shown shown) {}

    MeasureReader(ReaderScope scope) {
        this.scope = scope;
    }

    void readAll(YamlCursor all) {
        // ratios name other measures, so they come after those
        for (boolean ratios : new boolean[] {false, true}) {
            for (String id : all.keys()) {
                YamlCursor one = all.mapping(id).orElseThrow();
                if (one.has("ratio") == ratios) {
                    read(id, one).ifPresent(measure -> measures.put(id, measure));
                }
            }
        }
    }

    private Optional<Measure> read(String id, YamlCursor in) {
        List<String> kinds = in.keys().stream()
                .filter(key -> KINDS.contains(key) || PERCENTILE.matcher(key).matches())
                .toList();
        if (kinds.size() > 1) {
            in.fault(kinds.get(1), "measure \"" + id + "\" has \"" + kinds.get(0) + "\" already; it can be but one");
            return Optional.empty();
        }
        KINDS.forEach(in::has);
        String title = in.name("title");
        Format format = new Format(in.optionalText("unit").orElse(""), decimals(in), good(in));
        Optional<Calculation> calculation = calculation(id, in, scope.where(in), format);
        in.rejectUnknown();
        return calculation.map(found -> new Measure(id, title, found, format));
    }

    private Optional<Calculation> calculation(String id, YamlCursor in, List<Filter> where, Format format) {
        if (in.has("count")) {
            if (!in.text("count").equals("rows")) {
                in.fault("count", "\"count\" counts rows; for the different values of a column there is \"distinct\"");
            }
            return Optional.of(new Calculation.Sum(Tally.rows(where)));
        }
        if (in.has("sum")) {
            return Optional.of(new Calculation.Sum(new Tally(Tally.Kind.SUM, number(in, "sum"), where)));
        }
        if (in.has("average")) {
            String column = number(in, "average");
            return Optional.of(new Calculation.Ratio(
                    new Tally(Tally.Kind.SUM, column, where), new Tally(Tally.Kind.VALUES, column, where), 1));
        }
        if (in.has("distinct")) {
            String column = in.text("distinct");
            scope.require(in, "distinct", column, null);
            return Optional.of(new Calculation.Statistics(new Spread(column, where), Statistic.DISTINCT));
        }
        if (in.has("ratio")) {
            return ratio(in, format);
        }
        Optional<Calculation> statistic = statistic(in, where);
        if (statistic.isEmpty()) {
            in.fault(id, "measure \"" + id + "\" needs one of " + String.join(", ", KINDS) + ", percentile 1 to 99");
        }
        return statistic;
    }

    private Optional<Calculation> statistic(YamlCursor in, List<Filter> where) {
        for (String key : List.copyOf(in.keys())) {
            Optional<Statistic> statistic = statistic(key);
            if (statistic.isPresent()) {
                return Optional.of(new Calculation.Statistics(new Spread(number(in, key), where), statistic.get()));
            }
        }
        return Optional.empty();
    }

    private static Optional<Statistic> statistic(String key) {
        Matcher percentile = PERCENTILE.matcher(key);
        if (percentile.matches()) {
            int percent = Integer.parseInt(percentile.group(1));
            return percent == 0 ? Optional.empty() : Optional.of(Statistic.percentile(percent));
        }
        return switch (key) {
            case "least" -> Optional.of(Statistic.LEAST);
            case "greatest" -> Optional.of(Statistic.GREATEST);
            case "median" -> Optional.of(Statistic.MEDIAN);
            default -> Optional.empty();
        };
    }

    private Optional<Calculation> ratio(YamlCursor in, Format format) {
        List<String> parts = in.texts("ratio");
        if (parts.size() != 2) {
            in.fault("ratio", "\"ratio\" must be a list of two measures, the upper and the lower");
            return Optional.empty();
        }
        List<Tally> tallies =
                parts.stream().flatMap(part -> tally(in, part).stream()).toList();
        if (tallies.size() != 2) {
            return Optional.empty();
        }
        int factor = "%".equals(format.unit()) ? 100 : 1;
        return Optional.of(new Calculation.Ratio(tallies.get(0), tallies.get(1), factor));
    }

    /** What a part of a ratio counts or sums. */
    private Optional<Tally> tally(YamlCursor in, String part) {
        Measure measure = measures.get(part);
        if (measure == null) {
            in.fault("ratio", "no measure \"" + part + "\" that counts or sums; there are " + names());
            return Optional.empty();
        }
        if (measure.calculation() instanceof Calculation.Sum sum) {
            return Optional.of(sum.tally());
        }
        in.fault("ratio", "measure \"" + part + "\" neither counts nor sums, which both parts of a ratio must do");
        return Optional.empty();
    }

    private String number(YamlCursor in, String key) {
        String column = in.text(key);
        scope.require(in, key, column, ColumnType.NUMBER);
        return column;
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

    /** The measure under a key, by its name alone. */
    Optional<Measure> plain(YamlCursor in, String key) {
        String name = in.text(key);
        if (!measures.containsKey(name)) {
            in.fault(key, "no measure \"" + name + "\"; there are " + names());
        }
        return Optional.ofNullable(measures.get(name));
    }

    /** By its name, or by what is to be shown of it: {@code share of passengers}. */
    Optional<Named> named(YamlCursor in, String key, String text) {
        Optional<Named> found = find(text);
        if (found.isEmpty()) {
            in.fault(key, "no measure \"" + text + "\"; there are " + names());
        } else if (found.get().shown().needsSums() && !found.get().measure().addsUp()) {
            in.fault(key, "\"" + text + "\" makes no sense: its values do not add up, as counts and sums do");
        }
        return found;
    }

    /** Empty where there is none. */
    Optional<Named> find(String text) {
        for (Shown shown : Shown.values()) {
            if (shown != Shown.VALUE && text.startsWith(shown.prefix())) {
                return Optional.ofNullable(
                                measures.get(text.substring(shown.prefix().length())))
                        .map(measure -> new Named(measure, shown));
            }
        }
        return Optional.ofNullable(measures.get(text)).map(measure -> new Named(measure, Shown.VALUE));
    }

    Map<String, Measure> all() {
        return measures;
    }

    String names() {
        return String.join(", ", measures.keySet().stream().sorted().toList());
    }
}
