package mailshelf.render.paper;

import java.awt.Graphics2D;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;

/** A page on a single sheet that is as long as it needs. */
public final class EndlessSheet {
    private static final double MARGIN = 30;
    private static final double TOP = 12;

    private EndlessSheet() {}

    /** Sets a page; gives the height that it takes, in points. */
    public static double set(Written.Page page, Graphics2D graphics, double widthPt, Words words) {
        return new PageSetter(new Endless(graphics, widthPt), words, MARGIN).set(page);
    }

    private record Endless(Graphics2D graphics, double widthPt) implements Sheets {
        @Override
        public Sheet next(boolean turned) {
            return new Sheet(graphics, TOP, Double.POSITIVE_INFINITY);
        }

        @Override
        public double widthPt(boolean turned) {
            return widthPt;
        }

        @Override
        public boolean canTurn() {
            return false;
        }

        @Override
        public Structure structure() {
            return Structure.NONE;
        }
    }
}
