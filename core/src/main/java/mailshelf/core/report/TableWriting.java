package mailshelf.core.report;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import mailshelf.core.data.ColumnType;
import mailshelf.core.report.PageModel.ColumnModel;
import mailshelf.core.report.PageModel.TableModel;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.Figures;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.Words;

/** Puts tables in words. */
final class TableWriting {
    private final Words words;
    private final Figures figures;
    private final Dates dates;
    private final int year;

    /** @param year in which days are read, which need not say it */
    TableWriting(Words words, ZoneId zone, int year) {
        this.words = words;
        this.figures = words.figures();
        this.dates = words.dates(zone);
        this.year = year;
    }

    Written.Table table(TableModel table) {
        List<ColumnModel> columns = table.columns();
        Set<Integer> subtotals = Set.copyOf(table.subtotals());
        List<List<Written.Cell>> rows = new ArrayList<>();
        for (int i = 0; i < table.rows().size(); i++) {
            List<String> row = table.rows().get(i);
            rows.add(table.count().isPresent() ? cells(columns, row) : line(table, row, subtotals.contains(i)));
        }
        List<Written.Cell> total = table.total().isEmpty() ? List.of() : totals(columns, table.total());
        return new Written.Table(
                table.id(),
                table.title(),
                columns.stream().map(this::head).toList(),
                table.count().isPresent(),
                keys(table, subtotals),
                table.count().orElse((long) rows.size()),
                rows,
                total,
                note(columns));
    }

    /** A line of groups; those within a group need not name it again. */
    private List<Written.Cell> line(TableModel table, List<String> row, boolean isSubtotal) {
        List<Written.Cell> cells = cells(table.columns(), row);
        int names = names(table);
        boolean isWithin = names > 1 && !isSubtotal;
        cells.set(0, Written.Cell.plain(isWithin ? "" : Writing.value(row.get(0), words)));
        if (names > 1) {
            String inner = isSubtotal ? words.say("table.group") : Writing.value(row.get(1), words);
            cells.set(1, Written.Cell.plain(inner));
        }
        return isSubtotal
                ? cells.stream()
                        .map(cell -> new Written.Cell(
                                cell.text(),
                                cell.verdict(),
                                cell.weight() == Written.Weight.PLAIN ? Written.Weight.SUM : cell.weight()))
                        .toList()
                : cells;
    }

    /** How many of its columns say what a line is of. */
    private static int names(TableModel table) {
        return (int) table.columns().stream()
                .takeWhile(column -> column.type() == ColumnType.TEXT)
                .count();
    }

    private static List<List<String>> keys(TableModel table, Set<Integer> subtotals) {
        return table.count().isPresent()
                ? List.of()
                : IntStream.range(0, table.rows().size())
                        .mapToObj(row -> table.rows().get(row).subList(0, subtotals.contains(row) ? 1 : names(table)))
                        .toList();
    }

    /** "• Share over 5.0 %". */
    private String note(List<ColumnModel> columns) {
        List<String> limits = columns.stream()
                .flatMap(column -> column.limit().stream().map(limit -> limit(column, limit)))
                .toList();
        return limits.isEmpty() ? "" : words.say("table.beyond", words.list(limits));
    }

    private String limit(ColumnModel column, Limit limit) {
        Format format = column.format();
        String value = figures.withUnit(limit.value(), format.decimals(), format.unit());
        String title = words.say("shown." + column.shown().name(), column.title());
        return words.say("table.beyond." + limit.side(), title, value);
    }

    private Written.Head head(ColumnModel column) {
        String unit =
                column.format().unit().isEmpty() ? "" : ", " + column.format().unit();
        String title = words.say("shown." + column.shown().name(), column.title());
        return new Written.Head(title + unit, column.type() == ColumnType.NUMBER, column.type() == ColumnType.TEXT);
    }

    private List<Written.Cell> cells(List<ColumnModel> columns, List<String> row) {
        List<Written.Cell> cells = new ArrayList<>(row.size());
        for (int i = 0; i < row.size(); i++) {
            cells.add(cell(columns.get(i), row.get(i)));
        }
        return cells;
    }

    private List<Written.Cell> totals(List<ColumnModel> columns, List<String> row) {
        List<Written.Cell> cells = cells(columns, row);
        cells.set(0, Written.Cell.plain(words.say("table.all")));
        return cells;
    }

    private Written.Cell cell(ColumnModel column, String raw) {
        return switch (column.type()) {
            case TEXT -> Written.Cell.plain(OneLine.of(raw));
            case DATE -> Written.Cell.plain(raw.isEmpty() ? "" : day(LocalDate.parse(raw)));
            case TIME -> Written.Cell.plain(raw.isEmpty() ? "" : time(LocalDateTime.parse(raw)));
            case NUMBER -> number(column, raw);
        };
    }

    private String time(LocalDateTime at) {
        return words.say("date.time", day(at.toLocalDate()), dates.time(at.toLocalTime()));
    }

    private String day(LocalDate day) {
        return day.getYear() == year ? dates.weekday(day) : dates.fullWeekday(day);
    }

    private Written.Cell number(ColumnModel column, String raw) {
        if (raw.isEmpty()) {
            return Written.Cell.plain(Figures.NOTHING);
        }
        BigDecimal value = new BigDecimal(raw);
        int decimals = column.format().decimals();
        boolean isBeyond = column.limit().filter(limit -> limit.isBeyond(value)).isPresent();
        String text = column.change() ? figures.signed(value, decimals) : figures.number(value, decimals);
        return new Written.Cell(
                isBeyond ? words.say("table.marked", text) : text,
                column.change()
                        ? Writing.verdict(
                                Writing.round(value, decimals), column.format().good())
                        : Written.Verdict.NEITHER,
                isBeyond ? Written.Weight.BEYOND : Written.Weight.PLAIN);
    }
}
