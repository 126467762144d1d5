package mailshelf.render.paper;

import java.awt.Graphics2D;

/** Where a page setter gets its paper from. */
public interface Sheets {
    /** A fresh sheet, y growing downwards, in points. */
    Graphics2D next();

    double widthPt();

    /** Height that may be drawn on, or infinity where paper is endless. */
    double bottomPt();

    double topPt();
}
