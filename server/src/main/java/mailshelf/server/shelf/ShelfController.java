package mailshelf.server.shelf;

import java.nio.charset.StandardCharsets;
import java.util.Optional;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.rights.Person;
import mailshelf.server.mail.ReadMail;
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

    @GetMapping("/issues/{id}/files/{sha256}")
    ResponseEntity<byte[]> file(
            Person who, @PathVariable IssueId id, @PathVariable String sha256, @RequestParam Optional<CopyId> copy) {
        ReadIssue.File file = readIssue.file(who, id, copy, sha256);
        MediaType type = file.role().equals("pdf") ? MediaType.APPLICATION_PDF : MediaType.IMAGE_PNG;
        return download(file.content(), type, file.name());
    }

    @GetMapping("/issues/{id}/mail")
    ReadMail.MailView mail(Person who, @PathVariable IssueId id) {
        return readIssue.mailView(who, id);
    }

    @GetMapping("/issues/{id}/mail.eml")
    ResponseEntity<byte[]> eml(Person who, @PathVariable IssueId id) {
        return download(
                readIssue.mail(who, id), MediaType.parseMediaType("message/rfc822"), "issue-" + id.value() + ".eml");
    }

    private static ResponseEntity<byte[]> download(byte[] content, MediaType type, String name) {
        ContentDisposition disposition = ContentDisposition.inline()
                .filename(name, StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .contentType(type)
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition.toString())
                .body(content);
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
