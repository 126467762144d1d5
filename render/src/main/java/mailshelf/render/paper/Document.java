package mailshelf.render.paper;

import java.awt.Graphics2D;
import java.util.ArrayList;
import java.util.List;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;

/** Pages of a report on A4 sheets with a running head and numbers. The caller says what the sheets are made of. */
public final class Document {
    public static final double WIDTH_PT = 595.28;
    public static final double HEIGHT_PT = 841.89;

    private static final double MARGIN = 48;
    private static final double EDGE = 46;
    private static final float SMALL = 8;

    private Document() {}

    /**
     * What stands at the head and foot of every sheet.
     *
     * @param title of the document: the subscription's name
     * @param issue number and period, at the right of the head
     * @param foot when it was made and from what
     */
    public record Running(String title, String issue, String foot) {}

    public static void set(List<Written.Page> pages, Running running, Words words, Paper paper) {
        A4 sheets = new A4(paper);
        PageSetter setter = new PageSetter(sheets, words, MARGIN);
        pages.forEach(setter::set);
        for (int i = 0; i < sheets.drawn.size(); i++) {
            sheets.drawn.get(i).running(running, words.say("paper.sheet", i + 1, sheets.drawn.size()));
        }
    }

    private record Drawn(Graphics2D graphics, double width, double height) {
        private void running(Running running, String number) {
            Pen pen = new Pen(graphics);
            double right = width - MARGIN;
            float issueWidth = HouseFont.SANS.width(running.issue(), SMALL);
            String title = HouseFont.SANS.fit(running.title(), SMALL, (float) (right - MARGIN - issueWidth - 16));
            pen.left(title, MARGIN, 34, HouseFont.SANS, SMALL, HouseColours.GREY);
            pen.right(running.issue(), right, 34, HouseFont.SANS, SMALL, HouseColours.GREY);
            pen.left(running.foot(), MARGIN, height - 26, HouseFont.SANS, SMALL, HouseColours.GREY);
            pen.right(number, right, height - 26, HouseFont.SANS, SMALL, HouseColours.GREY);
        }
    }

    private static final class A4 implements Sheets {
        private final Paper paper;
        private final List<Drawn> drawn = new ArrayList<>();

        private A4(Paper paper) {
            this.paper = paper;
        }

        @Override
        public Sheet next(boolean turned) {
            double height = turned ? WIDTH_PT : HEIGHT_PT;
            Graphics2D graphics = paper.newSheet(widthPt(turned), height);
            drawn.add(new Drawn(graphics, widthPt(turned), height));
            return new Sheet(graphics, EDGE, height - EDGE);
        }

        @Override
        public double widthPt(boolean turned) {
            return turned ? HEIGHT_PT : WIDTH_PT;
        }

        @Override
        public boolean canTurn() {
            return true;
        }

        @Override
        public Structure structure() {
            return paper.structure();
        }
    }
}
