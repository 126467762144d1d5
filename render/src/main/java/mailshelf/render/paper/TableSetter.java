package mailshelf.render.paper;

import java.awt.Color;
import java.util.List;
import java.util.stream.IntStream;
import mailshelf.core.report.Written;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;

/**
 * Sets the columns of a table that stand side by side: rows broken over sheets with the head repeated, texts over lines.
 * Three rows at least stand together, and a total never alone.
 */
final class TableSetter {
    static final float SIZE = 9;
    static final float HEAD_SIZE = 8.5f;

    private static final double LINE = 11;
    private static final double PADDING = 5;
    private static final double LEAST_PADDING = 2;
    private static final double HEAD_LINE = 10.5;
    private static final double HEAD_PADDING = 5.5;
    private static final double NOTE_LINE = 12;
    private static final int TOGETHER = 3;

    /** Higher than this, rows are not held together: it would leave too much of a sheet empty. */
    private static final double MOST_TOGETHER = 180;

    private final Written.Table table;
    private final Band band;
    private final Flow flow;
    private final List<List<String>> heads;
    private final List<List<List<String>>> rows;
    private final List<List<String>> total;
    private final List<String> note;
    private double padding = PADDING;

    /** @param note whether what its emphasis means is said under it */
    TableSetter(Written.Table table, Band band, boolean note, Flow flow) {
        this.table = table;
        this.band = band;
        this.flow = flow;
        this.heads = places().mapToObj(i -> Pen.wrap(head(i).title(), HouseFont.SANS, HEAD_SIZE, width(i)))
                .toList();
        this.rows = table.rows().stream().map(this::lines).toList();
        this.total = table.total().isEmpty() ? List.of() : lines(table.total());
        this.note = note && !table.note().isEmpty()
                ? Pen.wrap(table.note(), HouseFont.SANS, HEAD_SIZE, flow.width())
                : List.of();
    }

    private IntStream places() {
        return IntStream.range(0, band.columns().size());
    }

    private Written.Head head(int place) {
        return table.heads().get(band.columns().get(place));
    }

    private double width(int place) {
        return band.widths().get(place);
    }

    private List<List<String>> lines(List<Written.Cell> cells) {
        return places().mapToObj(i -> {
                    String text = cells.get(band.columns().get(i)).text();
                    return head(i).wraps() ? Pen.wrap(text, HouseFont.SANS_BOLD, SIZE, width(i)) : List.of(text);
                })
                .toList();
    }

    private double headHeight() {
        return most(heads) * HEAD_LINE + HEAD_PADDING;
    }

    private double height(List<List<String>> lines) {
        return most(lines) * LINE + padding;
    }

    private static int most(List<List<String>> lines) {
        int most = 1;
        for (List<String> each : lines) {
            most = Math.max(most, each.size());
        }
        return most;
    }

    private double height(int from, int to) {
        return rows.subList(from, to).stream().mapToDouble(this::height).sum();
    }

    /** All of it. */
    double height() {
        return headHeight() + height(0, rows.size()) + endHeight();
    }

    /** Of what has to follow the last row on its sheet. */
    private double endHeight() {
        return (total.isEmpty() ? 0 : height(total)) + note.size() * NOTE_LINE;
    }

    /** What has to stand under its title on the same sheet: the head with the first rows. */
    double beginning() {
        int first = Math.min(TOGETHER, rows.size());
        double end = first == rows.size() ? endHeight() : 0;
        double together = height(0, first) + (rows.isEmpty() ? LINE + padding : 0) + end;
        return headHeight() + Math.min(together, MOST_TOGETHER);
    }

    /** Sets the rows closer together where that saves a height, and says whether it does. */
    boolean tighten(double by) {
        double each = by / (rows.size() + (total.isEmpty() ? 0 : 1));
        if (each > PADDING - LEAST_PADDING) {
            return false;
        }
        padding = PADDING - each;
        return true;
    }

    /** Sets it from where the flow is. */
    void set(String noRows) {
        flow.structure().open(Structure.Role.TABLE, "");
        flow.structure().within(Structure.Role.ROW, "", () -> head(true));
        if (rows.isEmpty()) {
            flow.structure()
                    .within(
                            Structure.Role.ROW,
                            "",
                            () -> flow.structure()
                                    .within(
                                            Structure.Role.CELL,
                                            noRows,
                                            () -> flow.pen()
                                                    .left(
                                                            noRows,
                                                            flow.left(),
                                                            flow.y() + 12,
                                                            HouseFont.SANS,
                                                            SIZE,
                                                            HouseColours.GREY)));
            flow.down(LINE + padding);
        }
        for (int i = 0; i < rows.size(); i++) {
            breakBefore(i);
            row(table.rows().get(i), rows.get(i));
        }
        if (!total.isEmpty()) {
            flow.pen().rule(flow.left(), flow.left() + flow.width(), flow.y(), HouseColours.INK, 0.75f);
            line(table.total(), total, 0, most(total), HouseFont.SANS_BOLD, null);
        }
        flow.structure().close();
        for (String line : note) {
            flow.down(NOTE_LINE);
            flow.structure()
                    .within(
                            Structure.Role.PARAGRAPH,
                            line,
                            () -> flow.pen()
                                    .left(line, flow.left(), flow.y(), HouseFont.SANS, HEAD_SIZE, HouseColours.GREY));
        }
    }

    private void breakBefore(int row) {
        boolean isLast = row == rows.size() - 1;
        double own = isLast
                ? height(rows.get(row)) + endHeight()
                : height(row, Math.min(rows.size(), row + (isSum(row) ? 2 : 1)));
        boolean isThirdLast = row == rows.size() - TOGETHER;
        double together = isThirdLast ? height(row, rows.size()) + endHeight() : own;
        double needed = together < MOST_TOGETHER ? together : own;
        if (row > 0 && needed > flow.room() && needed < flow.wholeRoom()) {
            flow.turnOver();
            head(false);
        }
    }

    /** Whether it sums up those behind it, of which one has to stand with it. */
    private boolean isSum(int row) {
        return table.rows().get(row).stream().anyMatch(cell -> cell.weight() == Written.Weight.SUM);
    }

    /** @param isRead whether it is the table's own, rather than its repetition on another sheet */
    private void head(boolean isRead) {
        double x = flow.left();
        double bottom = flow.y() + headHeight();
        for (int i = 0; i < heads.size(); i++) {
            if (isRead) {
                flow.structure().open(Structure.Role.HEAD, head(i).title());
            }
            // at the bottom, beside the others' last lines
            double baseline = bottom - 5 - (heads.get(i).size() - 1) * HEAD_LINE;
            for (String text : heads.get(i)) {
                place(text, x, i, baseline, HouseFont.SANS, HEAD_SIZE, HouseColours.GREY);
                baseline += HEAD_LINE;
            }
            if (isRead) {
                flow.structure().close();
            }
            x += width(i) + Band.GAP;
        }
        flow.moveTo(bottom);
        flow.pen().rule(flow.left(), flow.left() + flow.width(), bottom, HouseColours.RULE, 0.75f);
    }

    /** One that is higher than a sheet goes on upon the next. */
    private void row(List<Written.Cell> cells, List<List<String>> lines) {
        int all = most(lines);
        int from = 0;
        while (from < all) {
            int fitting = (int) Math.floor((flow.room() - padding) / LINE);
            int to = Math.min(all, from + Math.max(1, fitting));
            line(cells, lines, from, to, HouseFont.SANS, to == all ? HouseColours.RULE : null);
            from = to;
            if (from < all) {
                flow.turnOver();
                head(false);
            }
        }
    }

    private void line(
            List<Written.Cell> cells, List<List<String>> lines, int from, int to, HouseFont face, Color ruleBelow) {
        flow.structure().open(Structure.Role.ROW, "");
        double x = flow.left();
        for (int i = 0; i < lines.size(); i++) {
            Written.Cell cell = cells.get(band.columns().get(i));
            HouseFont own = cell.weight() == Written.Weight.PLAIN ? face : HouseFont.SANS_BOLD;
            Color colour = Pen.colour(cell.verdict(), HouseColours.INK);
            flow.structure().open(Structure.Role.CELL, cell.text());
            for (int at = from; at < Math.min(to, lines.get(i).size()); at++) {
                double baseline = flow.y() + 6.5 + padding + (at - from) * LINE;
                place(lines.get(i).get(at), x, i, baseline, own, SIZE, colour);
            }
            flow.structure().close();
            x += width(i) + Band.GAP;
        }
        flow.structure().close();
        flow.down((to - from) * LINE + padding);
        if (ruleBelow != null) {
            flow.pen().rule(flow.left(), flow.left() + flow.width(), flow.y(), ruleBelow, 0.5f);
        }
    }

    private void place(String text, double x, int column, double baseline, HouseFont face, float size, Color colour) {
        if (head(column).number()) {
            flow.pen().right(text, x + width(column), baseline, face, size, colour);
        } else {
            flow.pen().left(text, x, baseline, face, size, colour);
        }
    }
}
