package mailshelf.server.library;

import java.util.List;
import java.util.Locale;
import mailshelf.core.Problem;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
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

    ExportPage(ReadReport read, BusinessClock clock) {
        this.read = read;
        this.clock = clock;
    }

    /** @param block the id of one block; "" for the page */
    File run(Person who, ReportId id, ReadReport.Wish wish, FileKind kind, String block) {
        ReadReport.Shown shown = read.shown(who, id, wish);
        Words words = Words.in(Languages.supported(who.locale()));
        PageModel model = shown.model();
        Written.Page page = shown.view().page();
        byte[] bytes = switch (kind) {
            case PDF -> pdf(who, page, words);
            case XLSX -> PageXlsx.of(model, page);
            case CSV -> csv(model, page, block);
            case PNG -> PagePicture.of(block.isEmpty() ? page : only(page, block), words);
        };
        String of = block.isEmpty() ? page.title() : title(model, block);
        String days = words.dates(who.zone()).fullWindow(model.window());
        String name = page.report() + ", " + of + " " + days + "." + kind.name().toLowerCase(Locale.ROOT);
        return new File(name.replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", " "), kind, bytes);
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
                List.of(block));
    }
}
