package mailshelf.server.library;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.time.Period;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The library over HTTP. */
@RestController
@RequestMapping("/api/v1")
class LibraryController {
    private final BrowseLibrary browse;
    private final ReadReport read;
    private final PublishReport publish;

    record NewReport(FolderId folder, String yaml) {}

    record NextVersion(String yaml) {}

    record ReportMade(ReportId id) {}

    LibraryController(BrowseLibrary browse, ReadReport read, PublishReport publish) {
        this.browse = browse;
        this.read = read;
        this.publish = publish;
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

    @PostMapping("/reports")
    @ResponseStatus(HttpStatus.CREATED)
    ReportMade post(Person who, @RequestBody NewReport wish) {
        return new ReportMade(publish.anew(who, wish.folder(), wish.yaml()));
    }

    @PutMapping("/reports/{id}/definition")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable ReportId id, @RequestBody NextVersion wish) {
        publish.nextVersion(who, id, wish.yaml());
    }
}
