package mailshelf.server.library;

import java.util.List;
import java.util.Optional;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.server.http.ReadsOnly;
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

/** Writing reports and publishing them, over HTTP. */
@RestController
@RequestMapping("/api/v1/reports")
class WritingController {
    private final WriteReport write;
    private final PublishReport publish;

    record NewReport(FolderId folder, String yaml) {}

    /** @param after the version that it was written from, where another publisher's is not to be written over */
    record NextVersion(String yaml, Optional<Integer> after) {}

    record ReportMade(ReportId id) {}

    record ReportText(String yaml) {}

    WritingController(WriteReport write, PublishReport publish) {
        this.write = write;
        this.publish = publish;
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ReportMade post(Person who, @RequestBody NewReport wish) {
        return new ReportMade(publish.anew(who, wish.folder(), wish.yaml()));
    }

    @GetMapping("/{id}/definition")
    WriteReport.DefinitionView definition(Person who, @PathVariable ReportId id) {
        return write.definition(who, id);
    }

    @PutMapping("/{id}/definition")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable ReportId id, @RequestBody NextVersion wish) {
        publish.nextVersion(who, id, wish.yaml(), wish.after());
    }

    @GetMapping("/{id}/versions/{no}")
    ReportText version(Person who, @PathVariable ReportId id, @PathVariable int no) {
        return new ReportText(write.version(who, id, no));
    }

    /** Which subscriptions would lose something if this were published. */
    @ReadsOnly
    @PostMapping("/{id}/losses")
    List<WriteReport.LosingLine> losses(Person who, @PathVariable ReportId id, @RequestBody ReportText wish) {
        return write.losing(who, id, wish.yaml());
    }

    /** A page of a text that is not published. */
    @ReadsOnly
    @PostMapping("/drafts")
    WriteReport.DraftView draft(Person who, @RequestBody WriteReport.DraftWish wish) {
        return write.draft(who, wish);
    }

    /** The data sets that reports in a folder can be made of. */
    @GetMapping("/data-sets")
    List<WriteReport.MadeOf> dataSets(Person who, @RequestParam FolderId folder) {
        return write.madeOf(who, folder);
    }
}
