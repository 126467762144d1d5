package mailshelf.render.paper;

import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.HouseColours;
import mailshelf.render.chart.ChartPainter;
import mailshelf.render.chart.TrendPainter;
import mailshelf.render.type.HouseFont;

/**
 * Sets pages on sheets: heading, then the blocks in the publisher's order; of figures side by side the leading one large,
 * with the others as a ledger beside it. What does not fit goes over to the next sheet; nothing is squeezed.
 */
public final class PageSetter {
    private static final double CHART_HEIGHT = 190;
    private static final double LYING_ROW = 19;
    private static final float LEAD_SIZE = 40;
    private static final double LEDGER_ROW = 26;
    private static final double NOTE_LINE = 12;
    private static final double BLOCK_GAP = 22;
    private static final double SECTION_TITLE_LINE = 20;
    private static final double SECTION_LINE = 13;
    private static final double SECTION_GAP = 16;
    private static final double TITLE_LINE = 14;
    private static final double TITLE_GAP = 4;

    private final Sheets sheets;
    private final Words words;
    private final double left;
    private final double width;

    private Pen pen;
    private double y;
    private double underHeading;
    private Optional<Written.Section> waiting = Optional.empty();

    /** @param margin at the left and right, in points */
    public PageSetter(Sheets sheets, Words words, double margin) {
        this.sheets = sheets;
        this.words = words;
        this.left = margin;
        this.width = sheets.widthPt() - 2 * margin;
    }

    /** Sets a page, beginning on a sheet of its own; gives the y below its last block. */
    public double set(Written.Page page) {
        turn();
        heading(page);
        page.each(this::figures, this::chart, this::table, this::text, this::section);
        return y;
    }

    private void turn() {
        pen = new Pen(sheets.next());
        y = sheets.topPt();
    }

    private void need(double height) {
        Optional<Written.Section> head = waiting;
        waiting = Optional.empty();
        if (y + height + head.map(this::heightOf).orElse(0.0) > sheets.bottomPt()) {
            turn();
        }
        head.ifPresent(this::head);
    }

    private void heading(Written.Page page) {
        for (String line : Pen.wrap(page.title(), HouseFont.SERIF, 22, width)) {
            y += 26;
            pen.left(line, left, y, HouseFont.SERIF, 22, HouseColours.INK);
        }
        String shows = Stream.of(page.showing(), page.freshness())
                .filter(line -> !line.isEmpty())
                .collect(Collectors.joining(" · "));
        for (String line : Pen.wrap(shows, HouseFont.SANS, 9, width)) {
            y += 15;
            pen.left(line, left, y, HouseFont.SANS, 9, HouseColours.GREY);
        }
        y += 10;
        pen.rule(left, left + width, y, HouseColours.INK, 0.75f);
        y += 16;
        underHeading = y;
    }

    private void figures(List<Written.Figure> figures) {
        Written.Figure lead = figures.get(0);
        List<Written.Figure> others = figures.subList(1, figures.size());
        double height = Math.max(84, others.size() * LEDGER_ROW + 4);
        need(height);
        double leadWidth = others.isEmpty() ? width : width * 0.36;
        String title = HouseFont.SANS.fit(lead.title(), 9, (float) leadWidth);
        pen.left(title, left, y + 9, HouseFont.SANS, 9, HouseColours.GREY);
        // a number that is cut is another number: it becomes smaller instead
        float size =
                (float) Math.min(LEAD_SIZE, LEAD_SIZE * leadWidth / HouseFont.SERIF.width(lead.value(), LEAD_SIZE));
        pen.left(lead.value(), left - 1, y + 48, HouseFont.SERIF, size, HouseColours.INK);
        pen.change(lead, lead.change(), left, y + 64, 9);
        TrendPainter.paint(
                pen.graphics(), new Rectangle2D.Double(left, y + 70, Math.min(leadWidth - 20, 130), 14), lead.trend());
        double ledger = left + leadWidth + 12;
        double row = y;
        for (Written.Figure figure : others) {
            ledgerRow(figure, ledger, left + width, row);
            row += LEDGER_ROW;
        }
        y += height + BLOCK_GAP - 6;
    }

    private void ledgerRow(Written.Figure figure, double from, double to, double top) {
        pen.rule(from, to, top, HouseColours.RULE, 0.5f);
        double base = top + 16;
        double room = to - from;
        ledgerTitle(figure.title(), from, top, room * 0.36);
        double trend = from + room * 0.38;
        double value = from + room * 0.69;
        double untilValue = value - HouseFont.SERIF.width(figure.value(), 12) - 6 - trend;
        TrendPainter.paint(
                pen.graphics(),
                new Rectangle2D.Double(trend, top + 6, Math.min(room * 0.14, untilValue), 14),
                figure.trend());
        pen.right(figure.value(), value, base, HouseFont.SERIF, 12, HouseColours.INK);
        pen.change(figure, figure.shortChange(), from + room * 0.71, base, 9);
    }

    /** On one line or two; what is longer still is cut there. */
    private void ledgerTitle(String title, double from, double top, double room) {
        List<String> lines = Pen.wrap(title, HouseFont.SANS, 9, room);
        double base = lines.size() == 1 ? top + 16 : top + 11;
        pen.left(lines.get(0), from, base, HouseFont.SANS, 9, HouseColours.INK);
        if (lines.size() > 1) {
            String rest = String.join(" ", lines.subList(1, lines.size()));
            String fitted = HouseFont.SANS.fit(rest, 9, (float) room);
            pen.left(fitted, from, base + 10.5, HouseFont.SANS, 9, HouseColours.INK);
        }
    }

    private void chart(Written.Chart chart) {
        double height = !chart.nothing().isEmpty()
                ? LYING_ROW
                : chart.overTime() ? CHART_HEIGHT : chart.categories().size() * LYING_ROW + 12;
        blockTitle(chart.title(), height);
        ChartPainter.paint(pen.graphics(), new Rectangle2D.Double(left, y, width, height), chart, 8.5f);
        y += height + BLOCK_GAP;
    }

    /** With room for what follows, so that no title stands alone at the foot of a sheet. */
    private void blockTitle(String title, double following) {
        List<String> lines = Pen.wrap(title, HouseFont.SANS_BOLD, 10.5f, width);
        need(lines.size() * TITLE_LINE + TITLE_GAP + following);
        for (String line : lines) {
            pen.left(line, left, y + 10, HouseFont.SANS_BOLD, 10.5f, HouseColours.INK);
            y += TITLE_LINE;
        }
        y += TITLE_GAP;
    }

    private void table(Written.Table table) {
        blockTitle(table.title(), TableSetter.headWithOneRow());
        TableSetter setter = new TableSetter(table, left, width);
        y = setter.head(pen, y);
        if (table.rows().isEmpty()) {
            pen.left(words.say("table.no-rows"), left, y + 12, HouseFont.SANS, 9, HouseColours.GREY);
            y += TableSetter.rowHeight();
        }
        for (List<Written.Cell> row : table.rows()) {
            if (y + TableSetter.rowHeight() > sheets.bottomPt()) {
                turn();
                y = setter.head(pen, y);
            }
            y = setter.row(pen, row, y);
        }
        if (!table.total().isEmpty()) {
            need(TableSetter.rowHeight());
            y = setter.total(pen, y);
        }
        if (!table.note().isEmpty()) {
            for (String line : Pen.wrap(table.note(), HouseFont.SANS, 8.5f, width)) {
                need(NOTE_LINE);
                y += NOTE_LINE;
                pen.left(line, left, y, HouseFont.SANS, 8.5f, HouseColours.GREY);
            }
        }
        y += BLOCK_GAP;
    }

    /** Set with the first block behind it, so that it never stands alone at the foot of a sheet. */
    private void section(Written.Section section) {
        waiting = Optional.of(section);
    }

    private void head(Written.Section section) {
        if (y > underHeading) {
            pen.rule(left, left + width, y + 4, HouseColours.INK, 0.5f);
        }
        for (String line : Pen.wrap(section.title(), HouseFont.SERIF, 14, width)) {
            y += SECTION_TITLE_LINE;
            pen.left(line, left, y, HouseFont.SERIF, 14, HouseColours.INK);
        }
        for (String line : Pen.wrap(section.showing(), HouseFont.SANS, 9, width)) {
            y += SECTION_LINE;
            pen.left(line, left, y, HouseFont.SANS, 9, HouseColours.GREY);
        }
        y += SECTION_GAP;
    }

    private double heightOf(Written.Section section) {
        return Pen.wrap(section.title(), HouseFont.SERIF, 14, width).size() * SECTION_TITLE_LINE
                + Pen.wrap(section.showing(), HouseFont.SANS, 9, width).size() * SECTION_LINE
                + SECTION_GAP;
    }

    private void text(Written.Text text) {
        if (!text.title().isEmpty()) {
            blockTitle(text.title(), 22);
        }
        for (String line : Pen.wrap(text.text(), HouseFont.SANS, 10, Math.min(width, 420))) {
            need(15);
            y += 15;
            pen.left(line, left, y, HouseFont.SANS, 10, HouseColours.INK);
        }
        y += BLOCK_GAP;
    }
}
