package mailshelf.server.offline;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import mailshelf.core.Problem;
import mailshelf.core.report.Definition;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import mailshelf.render.pdf.ReportPdf;
import mailshelf.render.picture.PagePicture;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Makes a file of a report and a file of rows. */
@Command(
        name = "render",
        description = "Makes a file of a report's text and a file of rows: all its pages as PDF, or one as a picture.",
        mixinStandardHelpOptions = true)
public final class RenderReport implements Callable<Integer> {
    private static final Words WORDS = Words.in(Locale.ENGLISH);

    @Mixin
    ReportOnFile files;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "FILE",
            description = "the file to be made; its name ends with .pdf or .png")
    Path output;

    @Option(names = "--page", paramLabel = "ID", description = "only this page (default: all, of a picture the first)")
    String page = "";

    @Override
    public Integer call() throws IOException {
        String name = output.getFileName().toString();
        boolean isPdf = name.endsWith(".pdf");
        if (!isPdf && !name.endsWith(".png")) {
            System.err.println(name + ": the name of the file to be made ends with .pdf or .png.");
            return 2;
        }
        return CheckReport.told(files, () -> {
            ReportOnFile.Read read = files.read();
            List<PageModel> models = files.pages(read);
            List<Written.Page> written = models.stream()
                    .filter(model -> page.isEmpty() || model.pageId().equals(page))
                    .map(model -> Writing.page(model, WORDS, ZoneOffset.UTC))
                    .toList();
            if (written.isEmpty()) {
                throw Problem.invalid("report.no-page", page, pageIds(read.definition()));
            }
            Files.write(
                    output,
                    isPdf
                            ? pdf(read, models.get(0).freshness().loadedAt(), written)
                            : PagePicture.of(written.get(0), WORDS));
        });
    }

    private static String pageIds(Definition definition) {
        return String.join(
                ", ", definition.pages().stream().map(Definition.Page::id).toList());
    }

    private static byte[] pdf(ReportOnFile.Read read, Instant stamp, List<Written.Page> pages) {
        Document.Running running = new Document.Running(
                read.definition().title(), pages.get(0).showing(), pages.get(0).freshness());
        return ReportPdf.of(pages, running, WORDS, stamp);
    }
}
