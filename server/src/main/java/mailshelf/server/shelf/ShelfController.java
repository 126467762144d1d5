package mailshelf.server.shelf;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.rights.Person;
import mailshelf.server.mail.ReadMail;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The shelf over HTTP: rows, issues, files, mails, runs. */
@RestController
@RequestMapping("/api/v1")
class ShelfController {
    private final ReadShelf readShelf;
    private final ReadIssue readIssue;
    private final ReadRun readRun;

    record ReadMark(boolean read) {}

    ShelfController(ReadShelf readShelf, ReadIssue readIssue, ReadRun readRun) {
        this.readShelf = readShelf;
        this.readIssue = readIssue;
        this.readRun = readRun;
    }

    @GetMapping("/shelf")
    ReadShelf.ShelfView shelf(
            Person who,
            @RequestParam(defaultValue = "ALL") ReadShelf.Scope scope,
            @RequestParam(defaultValue = "91") int days) {
        return readShelf.run(who, scope, Math.max(7, Math.min(3660, days)));
    }

    @GetMapping("/issues/{id}")
    ReadIssue.IssueView issue(
            Person who,
            @PathVariable IssueId id,
            @RequestParam Optional<CopyId> copy,
            @RequestParam(defaultValue = "0") int page,
            @RequestParam(defaultValue = "608") double chartWidth) {
        return readIssue.run(who, id, copy, page, Math.max(280, Math.min(2400, chartWidth)));
    }

    @PutMapping("/issues/{id}/read")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setRead(Person who, @PathVariable IssueId id, @RequestBody ReadMark mark) {
        readIssue.setRead(who, id, mark.read());
    }

    /**
     * A file is named by its checksum and never changes: a browser keeps it, for as long as it is the same session's, and may
     * ask for a part of it (RFC 9110, section 14).
     */
    @GetMapping("/issues/{id}/files/{sha256}")
    ResponseEntity<Resource> file(
            Person who, @PathVariable IssueId id, @PathVariable String sha256, @RequestParam Optional<CopyId> copy) {
        ReadIssue.File file = readIssue.file(who, id, copy, sha256);
        MediaType type = file.role().equals("pdf") ? MediaType.APPLICATION_PDF : MediaType.IMAGE_PNG;
        return inline(type, file.name())
                .cacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePrivate().immutable())
                .varyBy(HttpHeaders.COOKIE)
                .eTag(sha256)
                .body(new ByteArrayResource(file.content()));
    }

    @GetMapping("/issues/{id}/mail")
    ReadMail.MailView mail(Person who, @PathVariable IssueId id) {
        return readIssue.mailView(who, id);
    }

    @GetMapping("/issues/{id}/mail.eml")
    ResponseEntity<byte[]> eml(Person who, @PathVariable IssueId id) {
        return inline(MediaType.parseMediaType("message/rfc822"), "issue-" + id.value() + ".eml")
                .body(readIssue.mail(who, id));
    }

    private static ResponseEntity.BodyBuilder inline(MediaType type, String name) {
        ContentDisposition disposition = ContentDisposition.inline()
                .filename(name, StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok().contentType(type).header(HttpHeaders.CONTENT_DISPOSITION, disposition.toString());
    }

    @GetMapping("/runs/{id}")
    ReadRun.RunView run(Person who, @PathVariable RunId id) {
        return readRun.run(who, id);
    }

    @PostMapping("/runs/{id}/try-again")
    ReadRun.Again tryAgain(Person who, @PathVariable RunId id) {
        return readRun.tryAgain(who, id);
    }
}
