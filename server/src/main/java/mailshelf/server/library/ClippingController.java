package mailshelf.server.library;

import java.util.List;
import mailshelf.core.report.Clip;
import mailshelf.core.report.ClippingId;
import mailshelf.core.rights.Person;
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

/** Clippings over HTTP. */
@RestController
@RequestMapping("/api/v1/clippings")
class ClippingController {
    private final KeepClippings keep;
    private final ReadClipping read;

    record ClippingKept(ClippingId id) {}

    record MoreClips(List<Clip> clips) {}

    ClippingController(KeepClippings keep, ReadClipping read) {
        this.keep = keep;
        this.read = read;
    }

    @GetMapping
    List<KeepClippings.ClippingName> all(Person who) {
        return keep.of(who);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ClippingKept post(Person who, @RequestBody KeepClippings.ClippingWish wish) {
        return new ClippingKept(keep.keep(who, wish));
    }

    @GetMapping("/{id}")
    ReadClipping.ClippingView one(
            Person who, @PathVariable ClippingId id, @RequestParam(defaultValue = "600") double chartWidth) {
        return read.run(who, id, chartWidth);
    }

    /** Blocks that come behind those it has. */
    @PostMapping("/{id}/clips")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(Person who, @PathVariable ClippingId id, @RequestBody MoreClips more) {
        keep.add(who, id, more.clips());
    }

    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable ClippingId id, @RequestBody KeepClippings.ClippingChange change) {
        keep.change(who, id, change);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(Person who, @PathVariable ClippingId id) {
        keep.remove(who, id);
    }
}
