package mailshelf.server.source;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.SourceId;
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

/** Sources that data sets come from. */
@RestController
@RequestMapping("/api/v1/sources")
class SourceController {
    private final MindSources sources;

    SourceController(MindSources sources) {
        this.sources = sources;
    }

    @GetMapping
    List<MindSources.SourceView> list(Person who) {
        return sources.list(who);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    MindSources.SourceView post(Person who, @RequestBody MindSources.SourceWish wish) {
        return sources.add(who, wish);
    }

    @PutMapping("/{id}")
    MindSources.SourceView put(Person who, @PathVariable SourceId id, @RequestBody MindSources.SourceWish wish) {
        return sources.change(who, id, wish);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void delete(Person who, @PathVariable SourceId id) {
        sources.remove(who, id);
    }

    /** Answers with nothing where the source can be reached, with the reason where it cannot. */
    @PostMapping("/tests")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void test(Person who, @RequestParam Optional<SourceId> source, @RequestBody MindSources.SourceWish wish) {
        sources.test(who, source, wish);
    }
}
