package mailshelf.render.paper;

import java.awt.Graphics2D;

/** What a document is set on: sheets, and where it is said what the marks on them are. */
public interface Paper {
    /** A fresh sheet, in points with y growing downwards. */
    Graphics2D newSheet(double widthPt, double heightPt);

    Structure structure();
}
