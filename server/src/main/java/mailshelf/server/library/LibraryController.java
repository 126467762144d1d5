package mailshelf.server.library;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.util.List;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The library over HTTP. */
@RestController
@RequestMapping("/api/v1")
class LibraryController {
    private final BrowseLibrary browse;
    /** Charts of files are not drawn for the screen. */
    private static final double PAPER = 608;

    private final ReadReport read;
    private final ExportPage export;

    LibraryController(BrowseLibrary browse, ReadReport read, ExportPage export) {
        this.browse = browse;
        this.read = read;
        this.export = export;
    }

    @GetMapping("/library")
    BrowseLibrary.LibraryView library(Person who, @RequestParam(defaultValue = "") String words) {
        return browse.run(who, words);
    }

    @GetMapping("/reports/{id}")
    ReadReport.ReaderView report(
            Person who,
            @PathVariable ReportId id,
            @RequestParam(defaultValue = "") String page,
            @RequestParam(defaultValue = "last-week") Period period,
            @RequestParam(defaultValue = "608") double chartWidth,
            HttpServletRequest request) {
        return read.run(who, id, wish(page, period, chartWidth, request));
    }

    /**
     * What is on the screen as a file.
     *
     * @param kind PDF, XLSX or PNG of the page, CSV or PNG of one block
     * @param block the id of one block; empty for the page
     */
    @GetMapping("/reports/{id}/file")
    ResponseEntity<byte[]> file(
            Person who,
            @PathVariable ReportId id,
            @RequestParam ExportPage.FileKind kind,
            @RequestParam(defaultValue = "") String block,
            @RequestParam(defaultValue = "") String page,
            @RequestParam(defaultValue = "last-week") Period period,
            HttpServletRequest request) {
        ExportPage.File file = export.run(who, id, wish(page, period, PAPER, request), kind, block);
        ContentDisposition saved = ContentDisposition.attachment()
                .filename(file.name(), StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .contentType(file.kind().type())
                .header(HttpHeaders.CONTENT_DISPOSITION, saved.toString())
                .body(file.bytes());
    }

    private static ReadReport.Wish wish(String page, Period period, double chartWidth, HttpServletRequest request) {
        double width = Math.max(280, Math.min(2400, chartWidth));
        // not bound by Spring, which would split values at commas
        String[] filters = request.getParameterValues("filter");
        List<String> all = filters == null ? List.of() : List.of(filters);
        return new ReadReport.Wish(page, period, all, width);
    }
}
