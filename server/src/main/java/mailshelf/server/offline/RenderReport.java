package mailshelf.server.offline;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.report.Definition;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.html.PageHtml;
import mailshelf.render.paper.Document;
import mailshelf.render.pdf.ReportPdf;
import mailshelf.render.picture.PagePicture;
import mailshelf.render.sheet.PageXlsx;
import mailshelf.render.sheet.TableCsv;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Makes a file of a report and a file of rows. */
@Command(
        name = "render",
        description =
                "Makes a file of a report's text and a file of rows. The end of its name says what it is: all pages as "
                        + ".pdf, .xlsx or .html, one page as .png, a table as .csv.",
        mixinStandardHelpOptions = true)
public final class RenderReport implements Callable<Integer> {
    private final Words words = Words.in(Locale.ENGLISH);

    @Mixin
    ReportOnFile files;

    @Option(
            names = {"-o", "--output"},
            required = true,
            paramLabel = "FILE",
            description = "the file to be made; its name ends with .pdf, .xlsx, .html, .png or .csv")
    Path output;

    @Option(
            names = "--page",
            paramLabel = "ID",
            description = "only this page (default: all; of a picture or a table the first that has one)")
    String page = "";

    @Option(names = "--block", paramLabel = "ID", description = "of which table CSV is made (default: the first)")
    String block = "";

    /** What sort of file, by the end of its name. */
    private enum Kind {
        PDF,
        XLSX,
        HTML,
        PNG,
        CSV;

        static Optional<Kind> of(String name) {
            return Stream.of(values())
                    .filter(kind -> name.toUpperCase(Locale.ROOT).endsWith("." + kind))
                    .findFirst();
        }
    }

    @Override
    public Integer call() throws IOException {
        Optional<Kind> kind = Kind.of(output.getFileName().toString());
        if (kind.isEmpty()) {
            System.err.println(output.getFileName()
                    + ": the name of the file to be made ends with .pdf, .xlsx, .html, .png or .csv.");
            return 2;
        }
        return CheckReport.told(files, () -> {
            ReportOnFile.Read read = files.read();
            List<PageModel> models = files.pages(read).stream()
                    .filter(model -> page.isEmpty() || model.pageId().equals(page))
                    .toList();
            if (models.isEmpty()) {
                throw Problem.invalid("report.no-page", page, pageIds(read.definition()));
            }
            List<Written.Page> written = models.stream()
                    .map(model -> Writing.page(model, words, ZoneOffset.UTC))
                    .toList();
            Files.write(
                    output,
                    switch (kind.get()) {
                        case PDF -> pdf(read, models.get(0).freshness().loadedAt(), written);
                        case XLSX -> PageXlsx.of(models, written, words);
                        case HTML -> PageHtml.of(written, words).getBytes(StandardCharsets.UTF_8);
                        case PNG -> PagePicture.of(written.get(0), words);
                        case CSV -> csv(models, written);
                    });
        });
    }

    private byte[] csv(List<PageModel> models, List<Written.Page> written) {
        Written.Table heads = written.stream()
                .flatMap(each -> each.tables().stream())
                .filter(table -> block.isEmpty() || table.id().equals(block))
                .findFirst()
                .orElseThrow(() -> Problem.invalid("report.no-table", block));
        return models.stream()
                .flatMap(model -> model.blocks().stream())
                .filter(PageModel.TableModel.class::isInstance)
                .map(PageModel.TableModel.class::cast)
                .filter(table -> table.id().equals(heads.id()))
                .findFirst()
                .map(table -> TableCsv.of(table, heads.heads()))
                .orElseThrow();
    }

    private static String pageIds(Definition definition) {
        return String.join(
                ", ", definition.pages().stream().map(Definition.Page::id).toList());
    }

    private byte[] pdf(ReportOnFile.Read read, Instant stamp, List<Written.Page> pages) {
        Document.Running running = new Document.Running(
                read.definition().title(), pages.get(0).showing(), pages.get(0).freshness());
        return ReportPdf.of(pages, running, words, stamp);
    }
}
