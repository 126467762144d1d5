package mailshelf.server.library;

import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import mailshelf.core.Problem;
import mailshelf.core.report.Cut;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import mailshelf.render.pdf.ReportPdf;
import mailshelf.render.picture.PagePicture;
import mailshelf.render.sheet.PageXlsx;
import mailshelf.render.sheet.TableCsv;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** Makes a file of what is on the screen: the page as it is cut there, or one of its blocks. */
@Component
class ExportPage {
    private final ReadReport read;
    private final ReadRows rows;
    private final BusinessClock clock;

    /** What sort of file. */
    enum FileKind {
        PDF(MediaType.APPLICATION_PDF),
        XLSX(MediaType.parseMediaType("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")),
        /** Of one table. */
        CSV(MediaType.parseMediaType("text/csv;charset=utf-8")),
        /** Of the page, or of one block. */
        PNG(MediaType.IMAGE_PNG);

        private final MediaType type;

        FileKind(MediaType type) {
            this.type = type;
        }

        MediaType type() {
            return type;
        }
    }

    /** @param name for whom it is saved */
    record File(String name, FileKind kind, byte[] bytes) {}

    ExportPage(ReadReport read, ReadRows rows, BusinessClock clock) {
        this.read = read;
        this.rows = rows;
        this.clock = clock;
    }

    /**
     * @param block the id of one block; "" for the page
     * @param layouts how tables of rows are laid out, by their ids; others are as their publisher has them
     */
    File run(
            Person who,
            ReportId id,
            ReadReport.Wish wish,
            FileKind kind,
            String block,
            Map<String, Cut.Layout> layouts) {
        Words words = Words.in(Languages.supported(who.locale()));
        PageModel model = laidOut(id, read.asked(who, id, wish).answered(), wish, layouts);
        Written.Page page = Writing.page(model, words, who.zone());
        byte[] bytes = switch (kind) {
            case PDF -> pdf(who, page, words);
            case XLSX -> PageXlsx.of(List.of(model), List.of(page), words);
            case CSV -> csv(model, page, block);
            case PNG -> PagePicture.of(block.isEmpty() ? page : only(page, block), words);
        };
        String of = block.isEmpty() ? page.title() : title(model, block);
        String days = words.dates(who.zone()).fullWindow(model.window());
        String name = page.report() + ", " + of + " " + days + "." + kind.name().toLowerCase(Locale.ROOT);
        return new File(saved(name), kind, bytes);
    }

    /** With the tables of rows sorted, and with the columns, as they are on the screen. */
    private PageModel laidOut(
            ReportId id, ReadReport.Asked page, ReadReport.Wish wish, Map<String, Cut.Layout> layouts) {
        PageModel model = page.model();
        return model.withBlocks(model.blocks().stream()
                .map(each -> layouts.containsKey(each.id())
                        ? rows.table(id, page, ReadRows.Wish.of(wish, each.id(), layouts.get(each.id())))
                        : each)
                .toList());
    }

    /** A file of rows, written as it goes out: there may be a million. */
    record Rows(String name, PageModel.TableModel table, List<Written.Head> heads) {
        void write(OutputStream out) throws IOException {
            Writer text = new OutputStreamWriter(out, StandardCharsets.UTF_8);
            TableCsv.write(table, heads, text);
            text.flush();
        }
    }

    Rows rows(Person who, ReportId id, ReadRows.Wish wish) {
        ReadReport.Asked page = read.asked(who, id, wish.page()).answered();
        PageModel.TableModel table = rows.table(id, page, wish);
        Words words = Words.in(Languages.supported(who.locale()));
        String of = String.join(", ", rows.of(page, wish.mark(), words, who));
        String days = words.dates(who.zone()).fullWindow(page.question().window());
        List<Written.Head> heads = Writing.table(
                        table.shortened(0), page.question().window(), words, who.zone())
                .heads();
        String name =
                page.definition().title() + ", " + (of.isEmpty() ? page.page().title() : of) + " " + days;
        return new Rows(saved(name + ".csv"), table, heads);
    }

    /** Without what file systems do not take. */
    private static String saved(String name) {
        return name.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", " ");
    }

    private byte[] pdf(Person who, Written.Page page, Words words) {
        Document.Running running = new Document.Running(
                page.report(),
                page.showing(),
                words.say("paper.made", words.dates(who.zone()).fullMoment(clock.instant())));
        return ReportPdf.of(List.of(page), running, words, clock.instant());
    }

    private static byte[] csv(PageModel model, Written.Page page, String block) {
        PageModel.TableModel table = model.blocks().stream()
                .filter(each -> each.id().equals(block) && each instanceof PageModel.TableModel)
                .map(PageModel.TableModel.class::cast)
                .findFirst()
                .orElseThrow(Problem::notFound);
        Written.Table written = page.tables().stream()
                .filter(each -> each.id().equals(block))
                .findFirst()
                .orElseThrow();
        return TableCsv.of(table, written.heads());
    }

    private static String title(PageModel model, String block) {
        return model.blocks().stream()
                .filter(each -> each.id().equals(block))
                .map(PageModel.BlockModel::title)
                .findFirst()
                .orElseThrow(Problem::notFound);
    }

    private static Written.Page only(Written.Page page, String block) {
        if (!page.order().contains(block)) {
            throw Problem.notFound();
        }
        return new Written.Page(
                page.report(),
                page.id(),
                page.title(),
                page.number(),
                page.showing(),
                page.freshness(),
                page.rows(),
                page.figures().stream().filter(each -> each.id().equals(block)).toList(),
                page.charts().stream().filter(each -> each.id().equals(block)).toList(),
                page.tables().stream().filter(each -> each.id().equals(block)).toList(),
                page.texts().stream().filter(each -> each.id().equals(block)).toList(),
                List.of(),
                List.of(block));
    }
}
