package mailshelf.server.named;

import java.util.List;
import mailshelf.core.named.NamedId;
import mailshelf.core.rights.Person;
import mailshelf.server.http.ReadsOnly;
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

/** Named values over HTTP. */
@RestController
@RequestMapping("/api/v1/named-values")
class NamedController {
    private final KeepNamed keep;

    record NamedKept(NamedId id) {}

    NamedController(KeepNamed keep) {
        this.keep = keep;
    }

    @GetMapping
    List<KeepNamed.NamedView> list(Person who) {
        return keep.list(who);
    }

    /** What one would come to; nothing is kept. */
    @ReadsOnly
    @PostMapping("/trials")
    KeepNamed.Outcome attempt(Person who, @RequestBody KeepNamed.NamedWish wish) {
        return keep.attempt(who, wish);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    NamedKept post(Person who, @RequestBody KeepNamed.NamedWish wish) {
        return new NamedKept(keep.keep(who, wish));
    }

    @PutMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable NamedId id, @RequestBody KeepNamed.NamedChange change) {
        keep.change(who, id, change);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(Person who, @PathVariable NamedId id) {
        keep.remove(who, id);
    }
}
