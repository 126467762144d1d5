package mailshelf.server.subscription;

import java.util.Locale;
import java.util.Optional;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.http.PlainPage;
import mailshelf.server.mail.LeaveLinks;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/**
 * Leaving by the link in a mail, without an account: a GET shows what it is and a button, so that programs that follow
 * links take nobody off; a POST does it, also the one of RFC 8058 that mail programs send.
 */
@RestController
@RequestMapping(path = "/leave", produces = MediaType.TEXT_HTML_VALUE)
class LeaveController {
    private final LeaveLinks links;
    private final Database database;
    private final Durable durable;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final BusinessClock clock;
    private final AuditTrail audit;

    private record Found(Subscription subscription, Person person, boolean left) {}

    LeaveController(
            LeaveLinks links,
            Database database,
            Durable durable,
            SubscriptionStore subscriptions,
            PersonStore people,
            BusinessClock clock,
            AuditTrail audit) {
        this.links = links;
        this.database = database;
        this.durable = durable;
        this.subscriptions = subscriptions;
        this.people = people;
        this.clock = clock;
        this.audit = audit;
    }

    @GetMapping("/{token}")
    ResponseEntity<String> get(@PathVariable String token, Locale locale) {
        Words words = Words.in(Languages.supported(locale));
        return find(token)
                .map(found -> found.left()
                        ? PlainPage.ok(words, words.say("leave.done.title"), text(words, "leave.done.text", found))
                        : PlainPage.okWithButton(
                                words,
                                words.say(
                                        "leave.ask.title",
                                        found.subscription().terms().name()),
                                text(words, "leave.ask.text", found),
                                words.say("leave.ask.button")))
                .orElseGet(() -> unknown(words));
    }

    @PostMapping("/{token}")
    ResponseEntity<String> post(@PathVariable String token, Locale locale) {
        Words words = Words.in(Languages.supported(locale));
        return find(token)
                .map(found -> {
                    database.doInTransaction(tx -> {
                        Subscription left = found.subscription();
                        subscriptions.leave(tx, left.id(), found.person().id(), clock.instant());
                        audit.keepOfNobody(tx, found.person().name(), Act.RECIPIENT_LEFT, Thing.of(left), "", "");
                    });
                    durable.await();
                    return PlainPage.ok(words, words.say("leave.done.title"), text(words, "leave.done.text", found));
                })
                .orElseGet(() -> unknown(words));
    }

    private static ResponseEntity<String> unknown(Words words) {
        return PlainPage.notFound(words, words.say("leave.unknown.title"), words.say("leave.unknown.text"));
    }

    private static String text(Words words, String key, Found found) {
        return words.say(
                key, found.subscription().terms().name(), found.person().address());
    }

    private Optional<Found> find(String token) {
        return links.read(token)
                .flatMap(leaver -> database.inTransaction(tx -> {
                    Optional<Subscription> subscription = subscriptions.find(tx, leaver.subscription());
                    Optional<Person> person = people.find(tx, leaver.person());
                    if (subscription.isEmpty() || person.isEmpty()) {
                        return Optional.<Found>empty();
                    }
                    boolean left = subscriptions.hasLeft(tx, leaver.subscription(), leaver.person());
                    return Optional.of(new Found(subscription.get(), person.get(), left));
                }));
    }
}
