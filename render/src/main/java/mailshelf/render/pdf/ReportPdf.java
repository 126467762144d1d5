package mailshelf.render.pdf;

import java.time.Instant;
import java.util.List;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;

/** Pages of a report as a PDF document. */
public final class ReportPdf {
    private ReportPdf() {}

    /** @param made for the document's dates and identity; equal pages and moment give equal bytes */
    public static byte[] of(List<Written.Page> pages, Document.Running running, Words words, Instant made) {
        PdfFile file = new PdfFile();
        Document.set(pages, running, words, file);
        return file.bytes(running.title(), words.locale().toLanguageTag(), made);
    }
}
