package mailshelf.render.paper;

import java.awt.Graphics2D;
import java.util.ArrayList;
import java.util.List;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.vector.SvgSink;
import mailshelf.render.vector.VectorGraphics;

/** The sheets of a document as SVG, to look at before anything is made: the same drawing as the PDF's. */
public final class SheetSvgs {
    private SheetSvgs() {}

    public static List<String> of(List<Written.Page> pages, Document.Running running, Words words) {
        Drawings drawings = new Drawings();
        Document.set(pages, running, words, drawings);
        return drawings.sheets.stream()
                .map(sheet -> sheet.sink().document(sheet.widthPt(), sheet.heightPt()))
                .toList();
    }

    private record Sheet(SvgSink sink, double widthPt, double heightPt) {}

    private static final class Drawings implements Paper {
        private final List<Sheet> sheets = new ArrayList<>();

        @Override
        public Graphics2D newSheet(double widthPt, double heightPt) {
            SvgSink sink = new SvgSink();
            sheets.add(new Sheet(sink, widthPt, heightPt));
            return new VectorGraphics(sink);
        }

        @Override
        public Structure structure() {
            return Structure.NONE;
        }
    }
}
