package mailshelf.server.library;

import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Kept cuts over HTTP. */
@RestController
@RequestMapping("/api/v1")
class CutController {
    private final KeepCuts keep;

    record CutKept(CutId id) {}

    CutController(KeepCuts keep) {
        this.keep = keep;
    }

    @GetMapping("/reports/{id}/cuts")
    KeepCuts.CutsView cuts(Person who, @PathVariable ReportId id) {
        return keep.of(who, id);
    }

    @PostMapping("/reports/{id}/cuts")
    @ResponseStatus(HttpStatus.CREATED)
    CutKept post(Person who, @PathVariable ReportId id, @RequestBody KeepCuts.CutWish wish) {
        return new CutKept(keep.keep(who, id, wish));
    }

    @PutMapping("/cuts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable CutId id, @RequestBody KeepCuts.CutChange change) {
        keep.change(who, id, change);
    }

    @DeleteMapping("/cuts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(Person who, @PathVariable CutId id) {
        keep.remove(who, id);
    }
}
