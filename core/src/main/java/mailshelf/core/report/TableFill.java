package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import mailshelf.core.data.ColumnType;
import mailshelf.core.report.PageModel.ColumnModel;
import mailshelf.core.report.PageModel.TableModel;

/** Makes a table with a row a group of what its measures come to. */
final class TableFill {
    private static final Format PLAIN = new Format("", 0, Good.NEITHER);
    private static final List<Integer> ALL_SECONDS = List.of(0);

    private final Block.GroupTable block;
    private final List<Amounts> now;
    private final List<Amounts> before;
    private final List<Integer> all;

    private TableFill(Block.GroupTable block, List<Amounts> now, List<Amounts> before) {
        this.block = block;
        this.now = now;
        this.before = before;
        this.all = now.get(0).firstGroups();
    }

    /** @param now what each of its measures comes to in the window, and {@code before} in the days before */
    static TableModel fill(Block.GroupTable block, String groupTitle, List<Amounts> now, List<Amounts> before) {
        return new TableFill(block, now, before).model(groupTitle);
    }

    private TableModel model(String groupTitle) {
        List<ColumnModel> columns = new ArrayList<>();
        columns.add(new ColumnModel(groupTitle, ColumnType.TEXT, PLAIN, false, Shown.VALUE));
        for (Block.TableMeasure each : block.measures()) {
            Measure measure = each.measure();
            columns.add(new ColumnModel(
                    measure.title(),
                    ColumnType.NUMBER,
                    each.shown().format(measure.format()),
                    each.shown().isChange(),
                    each.shown()));
        }
        List<Integer> groups = sorted(all.stream().filter(this::isTouched).toList());
        int most = block.top().orElse(Integer.MAX_VALUE);
        List<List<Integer>> lines = new ArrayList<>();
        groups.subList(0, Math.min(most, groups.size())).forEach(group -> lines.add(List.of(group)));
        if (groups.size() > most) {
            lines.add(groups.subList(most, groups.size()));
        }
        List<List<Optional<BigDecimal>>> values = new ArrayList<>();
        for (int i = 0; i < block.measures().size(); i++) {
            values.add(column(i, lines));
        }
        List<List<String>> rows = new ArrayList<>();
        for (int line = 0; line < lines.size(); line++) {
            rows.add(row(label(lines.get(line)), values, line));
        }
        return new TableModel(
                block.id(), block.title(), columns, Optional.empty(), rows, rows.size() < 2 ? List.of() : total());
    }

    private boolean isTouched(int group) {
        return Stream.concat(now.stream(), before.stream()).anyMatch(amounts -> amounts.touches(group));
    }

    /** Those without a value come last, whichever way. */
    private List<Integer> sorted(List<Integer> groups) {
        return block.sort()
                .map(sort -> {
                    Comparator<BigDecimal> order =
                            sort.ascending() ? Comparator.naturalOrder() : Comparator.reverseOrder();
                    return groups.stream()
                            .sorted(Comparator.comparing(
                                    (Integer group) -> value(sort.measure(), List.of(group))
                                            .orElse(null),
                                    Comparator.nullsLast(order)))
                            .toList();
                })
                .orElse(groups);
    }

    private String label(List<Integer> groups) {
        return groups.size() == 1 ? now.get(0).first().labels().get(groups.get(0)) : Evaluation.REST;
    }

    private List<Optional<BigDecimal>> column(int measure, List<List<Integer>> lines) {
        List<Optional<BigDecimal>> values =
                lines.stream().map(line -> value(measure, line)).toList();
        return block.measures().get(measure).shown() == Shown.RUNNING_TOTAL ? Shares.runningTotals(values) : values;
    }

    private Optional<BigDecimal> value(int measure, List<Integer> groups) {
        return Shares.shown(
                block.measures().get(measure).shown(),
                now.get(measure).value(groups, ALL_SECONDS),
                () -> before.get(measure).value(groups, ALL_SECONDS),
                () -> now.get(measure).value(all, ALL_SECONDS));
    }

    private List<String> total() {
        List<List<Optional<BigDecimal>>> values = new ArrayList<>();
        for (int i = 0; i < block.measures().size(); i++) {
            values.add(List.of(value(i, all)));
        }
        return row("", values, 0);
    }

    private static List<String> row(String label, List<List<Optional<BigDecimal>>> values, int line) {
        List<String> row = new ArrayList<>();
        row.add(label);
        values.forEach(column ->
                row.add(column.get(line).map(BigDecimal::toPlainString).orElse("")));
        return row;
    }
}
