package mailshelf.server.subscription;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.delivery.RunId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.server.http.EntityTag;
import mailshelf.server.http.Once;
import mailshelf.server.http.ReadsOnly;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Subscriptions over HTTP. */
@RestController
@RequestMapping("/api/v1")
class SubscriptionController {
    private final ReadSubscriptions read;
    private final KeepSubscription keep;
    private final SendByHand send;
    private final Compose compose;
    private final Gate gate;
    private final Database database;
    private final PersonStore people;

    record NewSubscription(Terms terms, boolean start) {}

    record Made(SubscriptionId id) {}

    record RunMade(RunId id) {}

    record Pause(String because) {}

    /** Somebody who can be put on a list; those who may not see all of it are said so. */
    record Candidate(PersonId id, String name, String address, boolean maySee) {}

    SubscriptionController(
            ReadSubscriptions read,
            KeepSubscription keep,
            SendByHand send,
            Compose compose,
            Gate gate,
            Database database,
            PersonStore people) {
        this.read = read;
        this.keep = keep;
        this.send = send;
        this.compose = compose;
        this.gate = gate;
        this.database = database;
        this.people = people;
    }

    @GetMapping("/subscriptions")
    List<ReadSubscriptions.SubscriptionLine> list(
            Person who, @RequestParam Optional<ReportId> report, @RequestParam Optional<Integer> most) {
        return read.list(who, report, Math.max(0, most.orElse(Integer.MAX_VALUE)));
    }

    @GetMapping("/subscriptions/next")
    ReadSubscriptions.NextSend next(Person who) {
        return read.next(who);
    }

    @GetMapping("/subscriptions/{id}")
    ReadSubscriptions.SubscriptionView one(Person who, @PathVariable SubscriptionId id) {
        return read.one(who, id);
    }

    /**
     * Who can be put on the list of what is sent of some reports: every active person, for those who may subscribe others
     * to all of them; otherwise one knows of oneself alone.
     */
    @GetMapping("/candidates")
    List<Candidate> candidates(Person who, @RequestParam(name = "report", defaultValue = "") List<ReportId> reports) {
        if (reports.isEmpty()) {
            throw Problem.invalid("candidates.of-nothing");
        }
        return database.inTransaction(tx -> {
            reports.forEach(report -> gate.readable(tx, who, report));
            Gate.Access access = gate.access(tx, who);
            boolean others = gate.may(tx, access, Verb.SUBSCRIBE_TEAMMATES, reports);
            List<Person> offered =
                    others ? people.all(tx).stream().filter(Person::active).toList() : List.of(who);
            Set<PersonId> maySee =
                    gate.whoMaySee(tx, offered.stream().map(Person::id).toList(), reports);
            return offered.stream()
                    .map(person ->
                            new Candidate(person.id(), person.name(), person.address(), maySee.contains(person.id())))
                    .sorted(Comparator.comparing(candidate -> !candidate.id().equals(who.id())))
                    .toList();
        });
    }

    @ReadsOnly
    @PostMapping("/compositions")
    Compose.Composed compose(Person who, @RequestBody Compose.Draft draft) {
        return compose.run(who, draft);
    }

    @ReadsOnly
    @PostMapping(path = "/compositions/pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    byte[] composePdf(Person who, @RequestBody Compose.Draft draft) {
        return compose.pdf(who, draft);
    }

    @PostMapping("/subscriptions")
    @ResponseStatus(HttpStatus.CREATED)
    Made post(
            Person who,
            @RequestBody NewSubscription wish,
            @RequestHeader(name = Once.KEY, required = false) Optional<String> key) {
        return new Made(keep.anew(who, wish.terms(), wish.start(), key));
    }

    /** If-Match carries the version that the change was made from. */
    @PutMapping("/subscriptions/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(
            Person who,
            @PathVariable SubscriptionId id,
            @RequestHeader("If-Match") EntityTag from,
            @RequestBody Terms terms) {
        keep.change(who, id, from.version(), terms);
    }

    @DeleteMapping("/subscriptions/{id}/recipients/{person}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeOff(Person who, @PathVariable SubscriptionId id, @PathVariable PersonId person) {
        keep.takeOff(who, id, person);
    }

    @PutMapping("/subscriptions/{id}/recipients/{person}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putOn(Person who, @PathVariable SubscriptionId id, @PathVariable PersonId person) {
        keep.putOn(who, id, person);
    }

    @PostMapping("/subscriptions/{id}/start")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void start(Person who, @PathVariable SubscriptionId id) {
        keep.start(who, id);
    }

    @PostMapping("/subscriptions/{id}/pause")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pause(Person who, @PathVariable SubscriptionId id, @RequestBody Pause pause) {
        keep.pause(who, id, pause.because());
    }

    @PostMapping("/subscriptions/{id}/resume")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void resume(Person who, @PathVariable SubscriptionId id) {
        keep.resume(who, id);
    }

    @PostMapping("/subscriptions/{id}/end")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Person who, @PathVariable SubscriptionId id) {
        keep.end(who, id);
    }

    @GetMapping("/subscriptions/{id}/outlook")
    SendByHand.Outlook outlook(Person who, @PathVariable SubscriptionId id) {
        return send.outlook(who, id);
    }

    @PostMapping("/subscriptions/{id}/send")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunMade sendNow(
            Person who,
            @PathVariable SubscriptionId id,
            @RequestHeader(name = Once.KEY, required = false) Optional<String> key) {
        return new RunMade(send.toAll(who, id, key));
    }

    @PostMapping("/sendings")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunMade sendOnce(
            Person who,
            @RequestBody Terms terms,
            @RequestHeader(name = Once.KEY, required = false) Optional<String> key) {
        return new RunMade(send.once(who, terms, key));
    }

    @PostMapping("/subscriptions/{id}/try")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunMade tryOnMyself(
            Person who,
            @PathVariable SubscriptionId id,
            @RequestHeader(name = Once.KEY, required = false) Optional<String> key) {
        return new RunMade(send.trial(who, id, key));
    }
}
