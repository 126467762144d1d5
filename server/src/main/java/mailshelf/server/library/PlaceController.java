package mailshelf.server.library;

import java.util.List;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.server.people.GrantEffect;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Where reports stand in the library, over HTTP. */
@RestController
@RequestMapping("/api/v1/reports")
class PlaceController {
    private final PlaceReport place;

    record NewPlace(FolderId folder) {}

    PlaceController(PlaceReport place) {
        this.place = place;
    }

    @GetMapping("/{id}/folder/effect")
    GrantEffect.Effect effect(Person who, @PathVariable ReportId id, @RequestParam FolderId folder) {
        return place.effect(who, id, folder);
    }

    @PutMapping("/{id}/folder")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(Person who, @PathVariable ReportId id, @RequestBody NewPlace wish) {
        place.move(who, id, wish.folder());
    }

    @GetMapping("/{id}/removal")
    PlaceReport.Removal removal(Person who, @PathVariable ReportId id) {
        return place.removal(who, id);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Person who, @PathVariable ReportId id) {
        place.remove(who, id);
    }

    @GetMapping("/removed")
    List<PlaceReport.RemovedReport> removed(Person who) {
        return place.removed(who);
    }

    @PostMapping("/{id}/restoration")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(Person who, @PathVariable ReportId id) {
        place.restore(who, id);
    }
}
