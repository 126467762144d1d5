package mailshelf.server.library;

import jakarta.servlet.http.HttpServletRequest;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import mailshelf.core.report.ColumnValues;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.RowsBehind;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The library over HTTP. */
@RestController
@RequestMapping("/api/v1")
class LibraryController {
    private final BrowseLibrary browse;
    /** Charts of files are not drawn for the screen. */
    private static final double PAPER = 608;

    private static final int MOST_ENTRIES = 1000;
    private static final int MOST_HITS = 8;

    private final FindReports find;
    private final DrawReport draw;
    private final ReadReport read;
    private final Periods periods;
    private final ReadRows rows;
    private final ExportPage export;

    LibraryController(
            BrowseLibrary browse,
            FindReports find,
            DrawReport draw,
            ReadReport read,
            Periods periods,
            ReadRows rows,
            ExportPage export) {
        this.browse = browse;
        this.find = find;
        this.draw = draw;
        this.read = read;
        this.periods = periods;
        this.rows = rows;
        this.export = export;
    }

    @GetMapping("/library")
    BrowseLibrary.LibraryView library(
            Person who,
            @RequestParam Optional<FolderId> folder,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "FOLDER") BrowseLibrary.Order order,
            @RequestParam(defaultValue = "60") int most) {
        return browse.run(who, new BrowseLibrary.Wish(folder, words, order, Math.max(1, Math.min(MOST_ENTRIES, most))));
    }

    /** The best answers to a few words, while they are typed. */
    @GetMapping("/library/hits")
    List<FindReports.Hit> hits(Person who, @RequestParam String words) {
        return find.hits(who, words, MOST_HITS);
    }

    @GetMapping("/reports/{id}/drawing")
    DrawReport.Drawing drawing(Person who, @PathVariable ReportId id) {
        return draw.run(who, id);
    }

    /** Marks a report as one's favourite. */
    @PutMapping("/reports/{id}/favourite")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void favour(Person who, @PathVariable ReportId id) {
        read.favour(who, id, true);
    }

    @DeleteMapping("/reports/{id}/favourite")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void favourNoMore(Person who, @PathVariable ReportId id) {
        read.favour(who, id, false);
    }

    @GetMapping("/reports/{id}")
    ReadReport.ReaderView report(
            Person who,
            @PathVariable ReportId id,
            @RequestParam(defaultValue = "") String page,
            @RequestParam Optional<Period> period,
            @RequestParam(defaultValue = "608") double chartWidth,
            HttpServletRequest request) {
        return read.run(who, id, wish(page, period, chartWidth, request));
    }

    /**
     * What is on the screen as a file.
     *
     * @param kind PDF, XLSX or PNG of the page, CSV or PNG of one block
     * Tables of rows are laid out as {@code up}, {@code down} and {@code column} say, each BLOCK:COLUMN.
     *
     * @param block the id of one block; empty for the page
     */
    @GetMapping("/reports/{id}/file")
    ResponseEntity<byte[]> file(
            Person who,
            @PathVariable ReportId id,
            @RequestParam ExportPage.FileKind kind,
            @RequestParam(defaultValue = "") String block,
            @RequestParam(defaultValue = "") String page,
            @RequestParam Optional<Period> period,
            HttpServletRequest request) {
        ExportPage.File file = export.run(
                who, id, wish(page, period, PAPER, request), kind, block, Layouts.of(request.getParameterMap()));
        return ResponseEntity.ok()
                .contentType(file.kind().type())
                .header(HttpHeaders.CONTENT_DISPOSITION, saved(file.name()))
                .body(file.bytes());
    }

    /**
     * Rows of the data, a stretch at a time. Beside the cut, {@code of} says which mark or line of the block they are
     * behind, by its keys (without, all of the block's), and {@code column} which columns are wanted, once each.
     *
     * @param block the id of the block that they are behind; empty for all rows of the page
     * @param sort the column that they are sorted by; empty for the order of the data
     * @param from place of the first row wanted, from 0
     */
    @GetMapping("/reports/{id}/rows")
    ReadRows.RowsView rows(
            Person who,
            @PathVariable ReportId id,
            @RequestParam(defaultValue = "") String page,
            @RequestParam Optional<Period> period,
            @RequestParam(defaultValue = "") String block,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "false") boolean descending,
            @RequestParam(defaultValue = "0") int from,
            HttpServletRequest request) {
        return rows.run(who, id, rowsWish(wish(page, period, PAPER, request), block, sort, descending, request), from);
    }

    /** The same rows, all of them, as CSV. */
    @GetMapping("/reports/{id}/rows/file")
    ResponseEntity<StreamingResponseBody> rowsFile(
            Person who,
            @PathVariable ReportId id,
            @RequestParam(defaultValue = "") String page,
            @RequestParam Optional<Period> period,
            @RequestParam(defaultValue = "") String block,
            @RequestParam(defaultValue = "") String sort,
            @RequestParam(defaultValue = "false") boolean descending,
            HttpServletRequest request) {
        ExportPage.Rows all =
                export.rows(who, id, rowsWish(wish(page, period, PAPER, request), block, sort, descending, request));
        return ResponseEntity.ok()
                .contentType(ExportPage.FileKind.CSV.type())
                .header(HttpHeaders.CONTENT_DISPOSITION, saved(all.name()))
                .body(all::write);
    }

    /**
     * What a column can be narrowed to, beside the filters on the others.
     *
     * @param words that occur in the values wanted; empty for all
     */
    @GetMapping("/reports/{id}/values")
    ColumnValues values(
            Person who,
            @PathVariable ReportId id,
            @RequestParam String column,
            @RequestParam(defaultValue = "") String words,
            @RequestParam Optional<Period> period,
            HttpServletRequest request) {
        return rows.values(who, id, wish("", period, PAPER, request), column, words);
    }

    /**
     * What common periods mean today, by one's own clocks and weeks or others.
     *
     * @param byTime whether they may begin and end within a day
     */
    @GetMapping("/periods")
    List<Periods.PeriodView> periods(
            Person who,
            @RequestParam Optional<ZoneId> zone,
            @RequestParam Optional<DayOfWeek> weeks,
            @RequestParam(defaultValue = "false") boolean byTime) {
        return periods.common(who, calendar(who, zone, weeks), byTime);
    }

    /** What a period means today, by one's own clocks and weeks or others. */
    @GetMapping("/periods/{code}")
    Periods.PeriodView period(
            Person who,
            @PathVariable Period code,
            @RequestParam Optional<ZoneId> zone,
            @RequestParam Optional<DayOfWeek> weeks) {
        return periods.view(who, calendar(who, zone, weeks), code);
    }

    private static Periods.Calendar calendar(Person who, Optional<ZoneId> zone, Optional<DayOfWeek> weeks) {
        return new Periods.Calendar(zone.orElse(who.zone()), weeks.orElse(who.firstDayOfWeek()));
    }

    private static ReadRows.Wish rowsWish(
            ReadReport.Wish page, String block, String sort, boolean descending, HttpServletRequest request) {
        return new ReadRows.Wish(
                page,
                new RowsBehind.Mark(block, values(request, "of")),
                new RowsBehind.Sort(Optional.of(sort).filter(column -> !column.isEmpty()), descending),
                values(request, "column"));
    }

    /** Not bound by Spring, which would split values at commas. */
    private static List<String> values(HttpServletRequest request, String name) {
        String[] values = request.getParameterValues(name);
        return values == null ? List.of() : List.of(values);
    }

    private static String saved(String name) {
        return ContentDisposition.attachment()
                .filename(name, StandardCharsets.UTF_8)
                .build()
                .toString();
    }

    private static ReadReport.Wish wish(
            String page, Optional<Period> period, double chartWidth, HttpServletRequest request) {
        double width = Math.max(280, Math.min(2400, chartWidth));
        return new ReadReport.Wish(page, period, request.getParameterMap(), width);
    }
}
