package mailshelf.server.library;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
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
    private final ReadReport read;

    LibraryController(BrowseLibrary browse, ReadReport read) {
        this.browse = browse;
        this.read = read;
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
        double width = Math.max(280, Math.min(2400, chartWidth));
        // not bound by Spring, which would split values at commas
        String[] filters = request.getParameterValues("filter");
        List<String> all = filters == null ? List.of() : List.of(filters);
        return read.run(who, id, new ReadReport.Wish(page, period, all, width));
    }
}
