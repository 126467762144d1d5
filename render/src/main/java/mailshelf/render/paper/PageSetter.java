package mailshelf.render.paper;

import java.awt.Color;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.HouseColours;
import mailshelf.render.chart.ChartPainter;
import mailshelf.render.chart.ChartWords;
import mailshelf.render.chart.TrendPainter;
import mailshelf.render.type.HouseFont;

/**
 * Sets pages on sheets: heading, then the blocks in the publisher's order; of figures side by side the leading one large,
 * with the others as a ledger beside it. What does not fit goes over to the next sheet; nothing is squeezed.
 */
final class PageSetter {
    private static final int MOST_TITLE_LINES = 4;
    private static final double CHART_HEIGHT = 190;
    private static final double LYING_ROW = 19;
    private static final double LYING_TOP = 12;
    private static final int LEAST_LYING = 3;
    /** The part of a sheet below which a table that would fit on a whole one does not begin. */
    private static final double LITTLE_ROOM = 0.4;

    private static final float LEAD_SIZE = 40;
    private static final double LEDGER_ROW = 26;
    private static final double NOTE_LINE = 12;
    private static final double TEXT_LINE = 15;
    private static final double BLOCK_GAP = 22;
    private static final double SECTION_TITLE_LINE = 20;
    private static final double SECTION_LINE = 13;
    private static final double SECTION_GAP = 16;
    private static final double TITLE_LINE = 14;
    private static final double TITLE_GAP = 4;

    private final Flow flow;
    private final Structure structure;
    private final Words words;

    private double underHeading;
    private boolean hasSections;
    private boolean lacks;
    private Optional<Written.Section> waiting = Optional.empty();

    /** @param margin at the left and right, in points */
    PageSetter(Sheets sheets, Words words, double margin) {
        this.flow = new Flow(sheets, margin);
        this.structure = sheets.structure();
        this.words = words;
    }

    /** Sets a page, beginning on a sheet of its own; gives the y below its last block. */
    double set(Written.Page page) {
        hasSections = !page.sections().isEmpty();
        lacks = false;
        flow.turnOver(beginsWide(page));
        structure.open(Structure.Role.SECTION, "");
        heading(page);
        page.each(this::figures, this::chart, this::table, this::text, this::section);
        if (lacks) {
            note(words.say("paper.lacking"));
        }
        structure.close();
        return flow.y();
    }

    /** Whether its first block is a table for which a standing sheet is too narrow. */
    private boolean beginsWide(Written.Page page) {
        Optional<String> first = page.order().stream()
                .filter(id -> page.sections().stream()
                        .noneMatch(section -> section.id().equals(id)))
                .findFirst();
        return flow.canTurn()
                && page.tables().stream()
                        .filter(table -> first.filter(table.id()::equals).isPresent())
                        .anyMatch(table -> Band.of(table, flow.width(false)).size() > 1);
    }

    private void need(double height) {
        Optional<Written.Section> head = waiting;
        waiting = Optional.empty();
        if (height + head.map(this::heightOf).orElse(0.0) > flow.room()) {
            flow.turnOver();
        }
        head.ifPresent(this::head);
    }

    private void line(String text, HouseFont face, float size, Color colour) {
        flow.pen().left(text, flow.left(), flow.y(), face, size, colour);
    }

    /** An element of one or more lines, each so far below the one before. */
    private void lines(
            Structure.Role role,
            String text,
            List<String> lines,
            double step,
            HouseFont face,
            float size,
            Color colour) {
        seen(text);
        structure.within(
                role,
                text,
                () -> lines.forEach(each -> {
                    flow.down(step);
                    line(each, face, size, colour);
                }));
    }

    /** Takes down what has characters that no face of the house has. */
    private void seen(String text) {
        lacks = lacks || HouseFont.SANS.lacks(text);
    }

    private void heading(Written.Page page) {
        List<String> title = Pen.wrap(page.title(), HouseFont.SERIF, 22, flow.width(), MOST_TITLE_LINES);
        lines(Structure.Role.TITLE, page.title(), title, 26, HouseFont.SERIF, 22, HouseColours.INK);
        String shows = Stream.of(page.showing(), page.freshness())
                .filter(line -> !line.isEmpty())
                .collect(Collectors.joining(" · "));
        List<String> showing = Pen.wrap(shows, HouseFont.SANS, 9, flow.width());
        lines(Structure.Role.PARAGRAPH, shows, showing, 15, HouseFont.SANS, 9, HouseColours.GREY);
        flow.down(10);
        flow.pen().rule(flow.left(), flow.left() + flow.width(), flow.y(), HouseColours.INK, 0.75f);
        flow.down(16);
        underHeading = flow.y();
    }

    private void figures(List<Written.Figure> figures) {
        Written.Figure lead = figures.get(0);
        List<Written.Figure> others = figures.subList(1, figures.size());
        double height = Math.max(84, others.size() * LEDGER_ROW + 4);
        flow.orient(false);
        need(height);
        double left = flow.left();
        double width = flow.width();
        double y = flow.y();
        Pen pen = flow.pen();
        structure.open(Structure.Role.PARAGRAPH, said(lead, lead.change()));
        double leadWidth = others.isEmpty() ? width : width * 0.36;
        String title = HouseFont.SANS.fit(lead.title(), 9, (float) leadWidth);
        pen.left(title, left, y + 9, HouseFont.SANS, 9, HouseColours.GREY);
        // a number that is cut is another number: it becomes smaller instead
        float size =
                (float) Math.min(LEAD_SIZE, LEAD_SIZE * leadWidth / HouseFont.SERIF.width(lead.value(), LEAD_SIZE));
        pen.left(lead.value(), left - 1, y + 48, HouseFont.SERIF, size, HouseColours.INK);
        pen.change(lead, lead.change(), left, y + 64, 9);
        structure.close();
        TrendPainter.paint(
                pen.graphics(), new Rectangle2D.Double(left, y + 70, Math.min(leadWidth - 20, 130), 14), lead.trend());
        double ledger = left + leadWidth + 12;
        double row = y;
        for (Written.Figure figure : others) {
            ledgerRow(figure, ledger, left + width, row);
            row += LEDGER_ROW;
        }
        flow.down(height + BLOCK_GAP - 6);
    }

    private String said(Written.Figure figure, String change) {
        String said = String.join(" ", figure.title(), figure.value(), change, figure.verdictWords());
        seen(said);
        return said;
    }

    private void ledgerRow(Written.Figure figure, double from, double to, double top) {
        Pen pen = flow.pen();
        pen.rule(from, to, top, HouseColours.RULE, 0.5f);
        double base = top + 16;
        double room = to - from;
        structure.open(Structure.Role.PARAGRAPH, said(figure, figure.shortChange()));
        ledgerTitle(figure.title(), from, top, room * 0.36);
        double trend = from + room * 0.38;
        double value = from + room * 0.69;
        double untilValue = value - HouseFont.SERIF.width(figure.value(), 12) - 6 - trend;
        pen.right(figure.value(), value, base, HouseFont.SERIF, 12, HouseColours.INK);
        pen.change(figure, figure.shortChange(), from + room * 0.71, base, 9);
        structure.close();
        TrendPainter.paint(
                pen.graphics(),
                new Rectangle2D.Double(trend, top + 6, Math.min(room * 0.14, untilValue), 14),
                figure.trend());
    }

    /** On one line or two; what is longer still is cut there. */
    private void ledgerTitle(String title, double from, double top, double room) {
        List<String> lines = Pen.wrap(title, HouseFont.SANS, 9, room, 2);
        double baseline = lines.size() == 1 ? top + 16 : top + 11;
        for (String line : lines) {
            flow.pen().left(line, from, baseline, HouseFont.SANS, 9, HouseColours.INK);
            baseline += 10.5;
        }
    }

    private void chart(Written.Chart chart) {
        flow.orient(false);
        boolean lies = !chart.overTime() && chart.nothing().isEmpty();
        double height =
                lies ? lyingHeight(chart.categories().size()) : chart.nothing().isEmpty() ? CHART_HEIGHT : LYING_ROW;
        chart.categories().forEach(this::seen);
        chart.series().forEach(series -> seen(series.name()));
        blockTitle(chart.title(), lies ? Math.min(height, lyingHeight(LEAST_LYING)) : height);
        int all = Math.max(1, chart.categories().size());
        for (int from = 0; from < all; ) {
            int fitting = lies ? (int) Math.floor((flow.room() - LYING_TOP) / LYING_ROW) : all;
            int to = Math.min(all, from + Math.max(LEAST_LYING, fitting));
            drawn(chart, from, to, lies ? lyingHeight(to - from) : height);
            from = to;
            if (from < all) {
                flow.turnOver();
            }
        }
        flow.down(BLOCK_GAP);
    }

    private static double lyingHeight(int categories) {
        return categories * LYING_ROW + LYING_TOP;
    }

    private void drawn(Written.Chart chart, int from, int to, double height) {
        Rectangle2D area = new Rectangle2D.Double(flow.left(), flow.y(), flow.width(), height);
        structure.figure(area, ChartWords.of(chart, from, to, words));
        ChartPainter.paint(flow.pen().graphics(), area, chart, from, to, 8.5f);
        structure.close();
        flow.down(height);
    }

    /** With room for what follows, so that no title stands alone at the foot of a sheet. */
    private void blockTitle(String title, double following) {
        List<String> lines = titleLines(title);
        need(titleHeight(lines) + following);
        seen(title);
        structure.within(hasSections ? Structure.Role.SUBHEADING : Structure.Role.HEADING, title, () -> {
            for (String line : lines) {
                flow.pen().left(line, flow.left(), flow.y() + 10, HouseFont.SANS_BOLD, 10.5f, HouseColours.INK);
                flow.down(TITLE_LINE);
            }
        });
        flow.down(TITLE_GAP);
    }

    private List<String> titleLines(String title) {
        return Pen.wrap(title, HouseFont.SANS_BOLD, 10.5f, flow.width(), MOST_TITLE_LINES);
    }

    private static double titleHeight(List<String> lines) {
        return lines.size() * TITLE_LINE + TITLE_GAP;
    }

    /** On sheets that lie where it is too wide for those that stand, and in several bands where it is wider still. */
    private void table(Written.Table table) {
        List<Band> bands = Band.of(table, flow.width(false));
        boolean turns = bands.size() > 1 && flow.canTurn();
        flow.orient(turns);
        if (turns) {
            bands = Band.of(table, flow.width());
        }
        table.rows().forEach(row -> row.forEach(cell -> seen(cell.text())));
        for (int i = 0; i < bands.size(); i++) {
            String title = i == 0 ? table.title() : words.say("table.more-columns", table.title());
            band(new TableSetter(table, bands.get(i), i == bands.size() - 1, flow), title);
        }
    }

    /** One that misses the sheet by little is set tighter or begins on the next. */
    private void band(TableSetter setter, String title) {
        double before =
                titleHeight(titleLines(title)) + waiting.map(this::heightOf).orElse(0.0);
        double over = before + setter.height() - flow.room();
        if (over > 0 && !setter.tighten(over)) {
            boolean fitsOnOne = before + setter.height() <= flow.wholeRoom();
            if (fitsOnOne && flow.room() < flow.wholeRoom() * LITTLE_ROOM) {
                flow.turnOver();
            }
        }
        blockTitle(title, setter.beginning());
        setter.set(words.say("table.no-rows"));
        flow.down(BLOCK_GAP);
    }

    /** Set with the first block behind it, so that it never stands alone at the foot of a sheet. */
    private void section(Written.Section section) {
        waiting = Optional.of(section);
    }

    private void head(Written.Section section) {
        if (flow.y() > underHeading) {
            flow.pen().rule(flow.left(), flow.left() + flow.width(), flow.y() + 4, HouseColours.INK, 0.5f);
        }
        List<String> title = sectionTitle(section);
        lines(
                Structure.Role.HEADING,
                section.title(),
                title,
                SECTION_TITLE_LINE,
                HouseFont.SERIF,
                14,
                HouseColours.INK);
        List<String> showing = Pen.wrap(section.showing(), HouseFont.SANS, 9, flow.width());
        lines(Structure.Role.PARAGRAPH, section.showing(), showing, SECTION_LINE, HouseFont.SANS, 9, HouseColours.GREY);
        flow.down(SECTION_GAP);
    }

    private List<String> sectionTitle(Written.Section section) {
        return Pen.wrap(section.title(), HouseFont.SERIF, 14, flow.width(), MOST_TITLE_LINES);
    }

    private double heightOf(Written.Section section) {
        return sectionTitle(section).size() * SECTION_TITLE_LINE
                + Pen.wrap(section.showing(), HouseFont.SANS, 9, flow.width()).size() * SECTION_LINE
                + SECTION_GAP;
    }

    private void text(Written.Text text) {
        flow.orient(false);
        if (!text.title().isEmpty()) {
            blockTitle(text.title(), 2 * TEXT_LINE);
        }
        paragraph(text.text(), TEXT_LINE, Math.min(flow.width(), 420), 10, HouseColours.INK);
        flow.down(BLOCK_GAP);
    }

    private void note(String text) {
        paragraph(text, NOTE_LINE, flow.width(), 8.5f, HouseColours.GREY);
    }

    private void paragraph(String text, double step, double width, float size, Color colour) {
        seen(text);
        structure.open(Structure.Role.PARAGRAPH, text);
        for (String line : Pen.wrap(text, HouseFont.SANS, size, width)) {
            need(step);
            flow.down(step);
            line(line, HouseFont.SANS, size, colour);
        }
        structure.close();
    }
}
