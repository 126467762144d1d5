package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.data.ColumnType;
import mailshelf.core.report.PageModel.ColumnModel;
import mailshelf.core.report.PageModel.TableModel;

/** Makes a table with a row a group of what its measures come to, groups within groups under the sum of theirs. */
final class TableFill {
    private static final Format PLAIN = new Format("", 0, Good.NEITHER);

    private final Block.GroupTable block;
    private final List<Amounts> now;
    private final List<Amounts> before;
    private final List<Integer> firsts;
    private final List<Integer> seconds;

    /**
     * A line: which groups it is of.
     *
     * @param labels one for each column that the table is by; "" for all of its values
     */
    private record Line(List<String> labels, List<Integer> firsts, List<Integer> seconds) {}

    private TableFill(Block.GroupTable block, List<Amounts> now, List<Amounts> before) {
        this.block = block;
        this.now = now;
        this.before = before;
        this.firsts = now.get(0).firstGroups();
        this.seconds = now.get(0).secondGroups();
    }

    /**
     * @param now what each of its measures comes to in the window, and {@code before} in the days before
     * @param titles of the columns that it is by
     */
    static TableModel fill(Block.GroupTable block, List<String> titles, List<Amounts> now, List<Amounts> before) {
        return new TableFill(block, now, before).model(titles);
    }

    private TableModel model(List<String> titles) {
        List<ColumnModel> columns = new ArrayList<>();
        titles.forEach(title ->
                columns.add(new ColumnModel(title, ColumnType.TEXT, PLAIN, false, Shown.VALUE, Optional.empty())));
        for (Block.TableMeasure each : block.measures()) {
            Measure measure = each.measure();
            columns.add(new ColumnModel(
                    measure.title(),
                    ColumnType.NUMBER,
                    each.shown().format(measure.format()),
                    each.shown().isChange(),
                    each.shown(),
                    each.limit()));
        }
        List<Line> lines = new ArrayList<>();
        List<Integer> subtotals = new ArrayList<>();
        for (Line line : outer()) {
            if (isNested()) {
                subtotals.add(lines.size());
            }
            lines.add(line);
            lines.addAll(within(line));
        }
        List<List<String>> rows = rows(lines, subtotals);
        List<String> total = rows.size() < 2 ? List.of() : total();
        return new TableModel(block.id(), block.title(), columns, Optional.empty(), rows, subtotals, total);
    }

    private boolean isNested() {
        return block.by().size() > 1;
    }

    private List<Line> outer() {
        List<Integer> groups = sorted(
                firsts.stream()
                        .filter(first -> seconds.stream().anyMatch(second -> isTouched(first, second)))
                        .toList(),
                group -> value(sortMeasure(), List.of(group), seconds));
        int most = Math.min(block.top().orElse(Integer.MAX_VALUE), groups.size());
        List<Line> lines = new ArrayList<>();
        groups.subList(0, most)
                .forEach(
                        group -> lines.add(outerLine(now.get(0).first().labels().get(group), List.of(group))));
        if (groups.size() == most + 1) {
            // one alone is shown by its name
            int last = groups.get(most);
            lines.add(outerLine(now.get(0).first().labels().get(last), List.of(last)));
        } else if (groups.size() > most) {
            lines.add(outerLine(Evaluation.REST, groups.subList(most, groups.size())));
        }
        return lines;
    }

    private Line outerLine(String label, List<Integer> groups) {
        return new Line(isNested() ? List.of(label, "") : List.of(label), groups, seconds);
    }

    private List<Line> within(Line outer) {
        if (!isNested() || outer.firsts().size() > 1) {
            return List.of();
        }
        int first = outer.firsts().get(0);
        List<Integer> touched =
                seconds.stream().filter(second -> isTouched(first, second)).toList();
        return sorted(touched, second -> value(sortMeasure(), List.of(first), List.of(second))).stream()
                .map(second -> new Line(
                        List.of(outer.labels().get(0), now.get(0).secondLabel(second)),
                        outer.firsts(),
                        List.of(second)))
                .toList();
    }

    private boolean isTouched(int first, int second) {
        return Stream.concat(now.stream(), before.stream()).anyMatch(amounts -> amounts.touches(first, second));
    }

    private int sortMeasure() {
        return block.sort().map(Block.Sort::measure).orElse(0);
    }

    /** Those without a value come last, whichever way. */
    private List<Integer> sorted(List<Integer> groups, Function<Integer, Optional<BigDecimal>> value) {
        return block.sort()
                .map(sort -> {
                    Comparator<BigDecimal> order =
                            sort.ascending() ? Comparator.naturalOrder() : Comparator.reverseOrder();
                    return groups.stream()
                            .sorted(Comparator.comparing(
                                    (Integer group) -> value.apply(group).orElse(null), Comparator.nullsLast(order)))
                            .toList();
                })
                .orElse(groups);
    }

    private List<List<String>> rows(List<Line> lines, List<Integer> subtotals) {
        List<List<Optional<BigDecimal>>> values = IntStream.range(
                        0, block.measures().size())
                .mapToObj(measure -> column(measure, lines, subtotals))
                .toList();
        return IntStream.range(0, lines.size())
                .mapToObj(line -> row(
                        lines.get(line).labels(),
                        values.stream().map(column -> column.get(line)).toList()))
                .toList();
    }

    private List<Optional<BigDecimal>> column(int measure, List<Line> lines, List<Integer> subtotals) {
        List<Optional<BigDecimal>> values = lines.stream()
                .map(line -> value(measure, line.firsts(), line.seconds()))
                .toList();
        return block.measures().get(measure).shown() == Shown.RUNNING_TOTAL
                ? Shares.runningTotals(values, subtotals)
                : values;
    }

    private Optional<BigDecimal> value(int measure, List<Integer> ofFirsts, List<Integer> ofSeconds) {
        return Shares.shown(
                block.measures().get(measure).shown(),
                now.get(measure).value(ofFirsts, ofSeconds),
                () -> before.get(measure).value(ofFirsts, ofSeconds),
                () -> now.get(measure).value(firsts, seconds));
    }

    private List<String> total() {
        return row(
                block.by().stream().map(column -> "").toList(),
                IntStream.range(0, block.measures().size())
                        .mapToObj(measure -> value(measure, firsts, seconds))
                        .toList());
    }

    private static List<String> row(List<String> labels, List<Optional<BigDecimal>> values) {
        return Stream.concat(
                        labels.stream(),
                        values.stream()
                                .map(value ->
                                        value.map(BigDecimal::toPlainString).orElse("")))
                .toList();
    }
}
