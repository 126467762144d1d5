package mailshelf.server.people;

import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.GroupId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Subject;
import mailshelf.core.rights.Verb;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What groups and single people may do in folders, over HTTP. */
@RestController
@RequestMapping("/api/v1")
class GrantController {
    private final MindGrants grants;

    /** @param verbs empty takes the folder's own word away, so that the one above counts; [] says "nothing" */
    record GrantWish(Optional<Set<Verb>> verbs) {}

    GrantController(MindGrants grants) {
        this.grants = grants;
    }

    @GetMapping("/grants")
    MindGrants.Grid grants(Person who) {
        return grants.grid(who);
    }

    /** What somebody may do in a folder, and why. */
    @GetMapping("/folders/{folder}/people/{person}/why")
    WhyMay.Why why(Person who, @PathVariable FolderId folder, @PathVariable PersonId person) {
        return grants.why(who, folder, person);
    }

    /**
     * What a change would do, before it is made.
     *
     * @param own false asks for the folder's own word to be taken away
     */
    @GetMapping("/grants/{folder}/{group}/effect")
    GrantEffect.Effect effect(
            Person who,
            @PathVariable FolderId folder,
            @PathVariable GroupId group,
            @RequestParam boolean own,
            @RequestParam(defaultValue = "") Set<Verb> verbs) {
        return grants.effect(who, folder, new Subject.OfGroup(group), wished(own, verbs));
    }

    @GetMapping("/grants/{folder}/people/{person}/effect")
    GrantEffect.Effect effect(
            Person who,
            @PathVariable FolderId folder,
            @PathVariable PersonId person,
            @RequestParam boolean own,
            @RequestParam(defaultValue = "") Set<Verb> verbs) {
        return grants.effect(who, folder, new Subject.OfPerson(person), wished(own, verbs));
    }

    private static Optional<Set<Verb>> wished(boolean own, Set<Verb> verbs) {
        return own ? Optional.of(verbs) : Optional.empty();
    }

    @PutMapping("/grants/{folder}/{group}")
    MindGrants.GrantCell put(
            Person who, @PathVariable FolderId folder, @PathVariable GroupId group, @RequestBody GrantWish wish) {
        return grants.change(who, folder, group, wish.verbs());
    }

    @PutMapping("/grants/{folder}/people/{person}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Person who, @PathVariable FolderId folder, @PathVariable PersonId person, @RequestBody GrantWish wish) {
        grants.change(who, folder, person, wish.verbs());
    }
}
