package mailshelf.render.paper;

import java.awt.Graphics2D;

/** Where a page setter gets its paper from. */
interface Sheets {
    /**
     * A sheet to draw on, in points with y growing downwards.
     *
     * @param bottomPt how far down may be drawn, or infinity where paper is endless
     */
    record Sheet(Graphics2D graphics, double topPt, double bottomPt) {}

    /** A fresh sheet. */
    Sheet next(boolean turned);

    double widthPt(boolean turned);

    /** Whether there are any that lie on their long side. */
    boolean canTurn();

    Structure structure();
}
