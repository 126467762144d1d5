package mailshelf.server.subscription;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import mailshelf.core.audience.Recipient;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.delivery.RunId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.delivery.Audience;
import mailshelf.server.delivery.BookRun;
import mailshelf.server.delivery.ContinuedTerms;
import mailshelf.server.delivery.DeliveryLoop;
import mailshelf.server.http.Once;
import mailshelf.server.library.FollowedTerms;
import mailshelf.server.personal.Approvals;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Sending outside the schedule: try it on myself, or to all now, with what that would do said first. */
@Component
class SendByHand {
    private final Gate gate;
    private final Database database;
    private final Once once;
    private final SubscriptionStore subscriptions;
    private final Audience audience;
    private final BookRun bookRun;
    private final FollowedTerms followed;
    private final ContinuedTerms continued;
    private final CheckTerms check;
    private final Approvals approvals;
    private final Describe describe;
    private final DeliveryLoop loop;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /** Somebody who would be left out, and why. */
    record LeftOut(String name, String because) {}

    /**
     * What sending to all now would do.
     *
     * @param loadFirst whether its data are loaded before it is made
     * @param regular when it goes by itself; "" where no time is known
     */
    record Outlook(int number, int recipients, List<LeftOut> leftOut, String days, boolean loadFirst, String regular) {}

    SendByHand(
            Gate gate,
            Database database,
            Once once,
            SubscriptionStore subscriptions,
            Audience audience,
            BookRun bookRun,
            FollowedTerms followed,
            ContinuedTerms continued,
            CheckTerms check,
            Approvals approvals,
            Describe describe,
            DeliveryLoop loop,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.once = once;
        this.subscriptions = subscriptions;
        this.audience = audience;
        this.bookRun = bookRun;
        this.followed = followed;
        this.continued = continued;
        this.check = check;
        this.approvals = approvals;
        this.describe = describe;
        this.loop = loop;
        this.clock = clock;
        this.audit = audit;
    }

    Outlook outlook(Person who, SubscriptionId id) {
        Words words = Describe.words(who);
        Instant now = clock.instant();
        return database.inTransaction(tx -> {
            Subscription subscription = gate.changeable(tx, who, id);
            List<Recipient> recipients = audience.of(tx, subscription);
            List<LeftOut> leftOut = recipients.stream()
                    .filter(r -> r.inclusion() != Recipient.Inclusion.INCLUDED)
                    .map(r -> new LeftOut(
                            r.name(), words.say("inclusion." + r.inclusion().name())))
                    .toList();
            var dates = words.dates(subscription.terms().schedule().zone());
            return new Outlook(
                    subscriptions.numbering(tx, id).nextNumber(),
                    recipients.size() - leftOut.size(),
                    leftOut,
                    dates.fullWindow(continued.of(tx, id, subscription.terms()).windowAt(now)),
                    subscription.terms().asksOfData().loadFirst(),
                    subscription.nextDue().map(dates::moment).orElse(""));
        });
    }

    /** @param key of the request, so that what is asked again is sent once */
    RunId toAll(Person who, SubscriptionId id, Optional<String> key) {
        return booked(who, key, "send " + id.value(), tx -> {
            Subscription subscription = gate.changeable(tx, who, id);
            subscription.requireSendable();
            check.require(tx, who, subscription.terms());
            check.requireAnswered(tx, subscription.terms());
            approvals.require(tx, subscription);
            audit.keep(tx, who, Act.SEND_ASKED, Thing.of(subscription));
            return bookRun.byHand(tx, subscription, who, UUID.randomUUID().toString(), clock.instant());
        });
    }

    /** What is on the screen, a single time: it is on the shelf like any issue, and nothing follows. */
    RunId once(Person who, Terms wanted, Optional<String> key) {
        Instant now = clock.instant();
        return booked(who, key, "send once " + wanted, tx -> {
            Terms terms = followed.of(tx, who, wanted).onItsOwn();
            check.requireNew(tx, who, terms);
            check.requireAnswered(tx, terms);
            SubscriptionId id =
                    subscriptions.insert(tx, Subscription.draft(who.id(), terms).sentOnce(), now);
            Subscription sent = subscriptions.find(tx, id).orElseThrow();
            approvals.require(tx, sent);
            audit.keep(tx, who, Act.SENT_ONCE, Thing.of(sent), "", describe.record(tx, terms, who.id(), who));
            return bookRun.byHand(tx, sent, who, UUID.randomUUID().toString(), now);
        });
    }

    RunId trial(Person who, SubscriptionId id, Optional<String> key) {
        return booked(who, key, "try " + id.value(), tx -> {
            Subscription subscription = gate.triable(tx, who, id);
            check.requireAnswered(tx, subscription.terms());
            audit.keep(tx, who, Act.TRIAL_ASKED, Thing.of(subscription));
            return bookRun.trial(tx, subscription, who, UUID.randomUUID().toString(), clock.instant());
        });
    }

    /** Durable before it answers, and begun at once. */
    private RunId booked(Person who, Optional<String> key, String wish, Function<Tx, RunId> booking) {
        RunId run = once.make(who, key, wish, RunId::new, booking);
        loop.wake();
        return run;
    }
}
