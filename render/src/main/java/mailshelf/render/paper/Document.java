package mailshelf.render.paper;

import java.awt.Graphics2D;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;

/** Pages of a report on A4 sheets with a running head and numbers. The caller says what the sheets are made of. */
public final class Document {
    public static final double WIDTH_PT = 595.28;
    public static final double HEIGHT_PT = 841.89;

    private static final double MARGIN = 48;
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

    public static void set(List<Written.Page> pages, Running running, Words words, Supplier<Graphics2D> newSheet) {
        A4 sheets = new A4(newSheet);
        PageSetter setter = new PageSetter(sheets, words, MARGIN);
        pages.forEach(setter::set);
        for (int i = 0; i < sheets.drawn.size(); i++) {
            running(new Pen(sheets.drawn.get(i)), running, words.say("paper.sheet", i + 1, sheets.drawn.size()));
        }
    }

    private static void running(Pen pen, Running running, String number) {
        double right = WIDTH_PT - MARGIN;
        float issueWidth = HouseFont.SANS.width(running.issue(), SMALL);
        String title = HouseFont.SANS.fit(running.title(), SMALL, (float) (right - MARGIN - issueWidth - 16));
        pen.left(title, MARGIN, 34, HouseFont.SANS, SMALL, HouseColours.GREY);
        pen.right(running.issue(), right, 34, HouseFont.SANS, SMALL, HouseColours.GREY);
        pen.left(running.foot(), MARGIN, HEIGHT_PT - 26, HouseFont.SANS, SMALL, HouseColours.GREY);
        pen.right(number, right, HEIGHT_PT - 26, HouseFont.SANS, SMALL, HouseColours.GREY);
    }

    private static final class A4 implements Sheets {
        private final Supplier<Graphics2D> newSheet;
        private final List<Graphics2D> drawn = new ArrayList<>();

        private A4(Supplier<Graphics2D> newSheet) {
            this.newSheet = newSheet;
        }

        @Override
        public Graphics2D next() {
            Graphics2D sheet = newSheet.get();
            drawn.add(sheet);
            return sheet;
        }

        @Override
        public double widthPt() {
            return WIDTH_PT;
        }

        @Override
        public double topPt() {
            return 46;
        }

        @Override
        public double bottomPt() {
            return HEIGHT_PT - 46;
        }
    }
}
