package mailshelf.render.paper;

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
        List<SvgSink> sinks = new ArrayList<>();
        Document.set(pages, running, words, () -> {
            SvgSink sink = new SvgSink();
            sinks.add(sink);
            return new VectorGraphics(sink);
        });
        return sinks.stream()
                .map(sink -> sink.document(Document.WIDTH_PT, Document.HEIGHT_PT))
                .toList();
    }
}
