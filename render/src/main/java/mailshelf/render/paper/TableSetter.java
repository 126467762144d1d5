package mailshelf.render.paper;

import java.awt.Color;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import mailshelf.core.report.Written;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;

/** Sets one table: columns as wide as their contents, rows broken over sheets with the head repeated. */
final class TableSetter {
    private static final float SIZE = 9;
    private static final float HEAD_SIZE = 8.5f;
    private static final double ROW = 16;
    private static final double COLUMN_GAP = 16;

    private final Written.Table table;
    private final double left;
    private final double width;
    private final double[] widths;

    TableSetter(Written.Table table, double left, double width) {
        this.table = table;
        this.left = left;
        this.width = width;
        this.widths = widths();
    }

    /** What the head with one row needs, so that it does not stand alone at the foot of a sheet. */
    static double headWithOneRow() {
        return 2 * ROW + 6;
    }

    static double rowHeight() {
        return ROW;
    }

    /** Draws the head with its top at y; gives the y below. */
    double head(Pen pen, double y) {
        double x = left;
        for (int i = 0; i < widths.length; i++) {
            Written.Head head = table.heads().get(i);
            String text = HouseFont.SANS.fit(head.title(), HEAD_SIZE, (float) widths[i]);
            place(pen, text, x, widths[i], head.number(), y + 11, HouseFont.SANS, HEAD_SIZE, HouseColours.GREY);
            x += widths[i] + COLUMN_GAP;
        }
        pen.rule(left, left + width, y + ROW, HouseColours.RULE, 0.75f);
        return y + ROW;
    }

    double row(Pen pen, List<Written.Cell> cells, double y) {
        return line(pen, cells, y, HouseFont.SANS, HouseColours.RULE);
    }

    double total(Pen pen, double y) {
        pen.rule(left, left + width, y, HouseColours.INK, 0.75f);
        return line(pen, table.total(), y, HouseFont.SANS_BOLD, null);
    }

    private double line(Pen pen, List<Written.Cell> cells, double y, HouseFont face, Color ruleBelow) {
        double x = left;
        for (int i = 0; i < widths.length; i++) {
            Written.Cell cell = cells.get(i);
            HouseFont own = cell.weight() == Written.Weight.PLAIN ? face : HouseFont.SANS_BOLD;
            String text = own.fit(cell.text(), SIZE, (float) widths[i]);
            Color colour = Pen.colour(cell.verdict(), HouseColours.INK);
            place(pen, text, x, widths[i], table.heads().get(i).number(), y + 11.5, own, SIZE, colour);
            x += widths[i] + COLUMN_GAP;
        }
        if (ruleBelow != null) {
            pen.rule(left, left + width, y + ROW, ruleBelow, 0.5f);
        }
        return y + ROW;
    }

    private static void place(
            Pen pen,
            String text,
            double x,
            double width,
            boolean number,
            double baseline,
            HouseFont face,
            float size,
            Color colour) {
        if (number) {
            pen.right(text, x + width, baseline, face, size, colour);
        } else {
            pen.left(text, x, baseline, face, size, colour);
        }
    }

    /** What the contents need; room left over goes by share, and what lacks is taken from texts before numbers. */
    private double[] widths() {
        int columns = table.heads().size();
        double room = width - COLUMN_GAP * (columns - 1);
        double[] wanted = IntStream.range(0, columns).mapToDouble(this::wanted).toArray();
        IntPredicate isNumber = column -> table.heads().get(column).number();
        double texts = sum(wanted, isNumber.negate());
        double left = room - sum(wanted, isNumber);
        if (left < texts && left > 0) {
            for (int i = 0; i < columns; i++) {
                wanted[i] *= isNumber.test(i) ? 1 : left / texts;
            }
        }
        double sum = sum(wanted, column -> true);
        return IntStream.range(0, columns)
                .mapToDouble(i -> sum == 0 ? room / columns : wanted[i] * room / sum)
                .toArray();
    }

    private static double sum(double[] wanted, IntPredicate which) {
        return IntStream.range(0, wanted.length)
                .filter(which)
                .mapToDouble(i -> wanted[i])
                .sum();
    }

    private double wanted(int column) {
        List<List<Written.Cell>> measured = new ArrayList<>(
                table.rows().subList(0, Math.min(200, table.rows().size())));
        if (!table.total().isEmpty()) {
            measured.add(table.total());
        }
        double widest = measured.stream()
                .mapToDouble(row -> HouseFont.SANS_BOLD.width(row.get(column).text(), SIZE))
                .max()
                .orElse(0);
        return Math.max(widest, HouseFont.SANS.width(table.heads().get(column).title(), HEAD_SIZE));
    }
}
