package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.PartChange;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.delivery.DeliveryLoop;
import mailshelf.server.http.Once;
import mailshelf.server.library.FollowedTerms;
import mailshelf.server.personal.Approvals;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Keeps new subscriptions and moves kept ones: change, start, pause, resume, end; durable before it answers. */
@Component
class KeepSubscription {
    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final Once once;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final FollowedTerms followed;
    private final CheckTerms check;
    private final Approvals approvals;
    private final DeliveryLoop loop;
    private final BusinessClock clock;
    private final Describe describe;
    private final AuditTrail audit;

    KeepSubscription(
            Gate gate,
            Database database,
            Durable durable,
            Once once,
            SubscriptionStore subscriptions,
            PersonStore people,
            FollowedTerms followed,
            CheckTerms check,
            Approvals approvals,
            DeliveryLoop loop,
            BusinessClock clock,
            Describe describe,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.once = once;
        this.subscriptions = subscriptions;
        this.people = people;
        this.followed = followed;
        this.check = check;
        this.approvals = approvals;
        this.loop = loop;
        this.clock = clock;
        this.describe = describe;
        this.audit = audit;
    }

    /**
     * @param start false keeps it as a draft
     * @param key of the request, so that what is asked again is kept once
     */
    SubscriptionId anew(Person who, Terms wanted, boolean start, Optional<String> key) {
        Instant now = clock.instant();
        String wish = (start ? "start " : "keep ") + wanted;
        SubscriptionId id = once.make(who, key, wish, SubscriptionId::new, tx -> {
            Terms terms = followed.of(tx, who, wanted);
            check.requireNew(tx, who, terms);
            if (start) {
                check.requireAnswered(tx, terms);
            }
            Subscription draft = Subscription.draft(who.id(), terms);
            SubscriptionId made =
                    subscriptions.insert(tx, start ? approvals.heldBack(tx, draft.start(now)) : draft, now);
            Subscription kept = subscriptions.find(tx, made).orElseThrow();
            approvals.kept(tx, kept);
            Act act = kept.state() == State.ACTIVE ? Act.SUBSCRIPTION_STARTED : Act.SUBSCRIPTION_MADE;
            audit.keep(tx, who, act, Thing.of(kept), "", describe.record(tx, terms, who.id(), who));
            if (kept.state() == State.PAUSED) {
                audit.keep(tx, who, Act.SUBSCRIPTION_HELD_BACK, Thing.of(kept), "", kept.pausedBecause());
            }
            return made;
        });
        loop.wake();
        return id;
    }

    /** @param version of the terms that the change was made from */
    void change(Person who, SubscriptionId id, int version, Terms wanted) {
        move(who, id, Act.SUBSCRIPTION_CHANGED, (tx, before) -> {
            if (before.version() != version) {
                throw new Problem(
                        Problem.Kind.STALE,
                        "subscription.changed-meanwhile",
                        before.terms().name());
            }
            Person owner = owner(tx, before);
            Terms terms = followed.of(tx, owner, wanted);
            check.require(tx, owner, terms);
            if (!terms.letter().equals(before.terms().letter())) {
                check.requireLetter(tx, owner, terms);
            }
            check.requireSeenAs(tx, terms);
            if (before.state() != State.DRAFT) {
                check.requireAnswered(tx, terms);
            }
            terms.recipients().stream()
                    .filter(person -> !before.terms().recipients().contains(person))
                    .forEach(person -> subscriptions.comeBack(tx, id, person));
            return before.change(terms, clock.instant());
        });
    }

    /** Owners take anybody off the list; everybody else may leave it himself, and the list stays as it is. */
    void takeOff(Person who, SubscriptionId id, PersonId recipient) {
        if (recipient.equals(who.id()) && leavesByHimself(who, id)) {
            durable.await();
            return;
        }
        move(who, id, Act.SUBSCRIPTION_CHANGED, (tx, before) -> {
            var others = before.terms().recipients().stream()
                    .filter(p -> !p.equals(recipient))
                    .toList();
            if (others.size() == before.terms().recipients().size()) {
                throw Problem.notFound();
            }
            return before.change(before.terms().withRecipients(others), clock.instant());
        });
    }

    /**
     * Puts one person on the list, or back if they left; nobody else's place on it changes. Owners do so for anybody,
     * everybody else only comes back where they left.
     */
    void putOn(Person who, SubscriptionId id, PersonId recipient) {
        boolean isDone = database.inTransaction(tx -> {
            Subscription subscription = gate.visible(tx, who, id);
            boolean isListed = subscription.terms().recipients().contains(recipient);
            return isListed && isSentAgain(tx, who, subscription, recipient);
        });
        if (isDone) {
            settle();
            return;
        }
        move(who, id, Act.SUBSCRIPTION_CHANGED, (tx, before) -> {
            List<PersonId> listed = new ArrayList<>(before.terms().recipients());
            listed.add(recipient);
            Terms terms = before.terms().withRecipients(listed);
            check.require(tx, owner(tx, before), terms);
            return before.change(terms, clock.instant());
        });
    }

    /** Whether somebody on the list is sent it from now on, which somebody who had left is again. */
    private boolean isSentAgain(Tx tx, Person who, Subscription subscription, PersonId recipient) {
        boolean may = recipient.equals(who.id()) || gate.mayChange(who, subscription);
        if (may && subscriptions.hasLeft(tx, subscription.id(), recipient)) {
            subscriptions.comeBack(tx, subscription.id(), recipient);
            audit.keep(
                    tx,
                    who,
                    Act.RECIPIENT_CAME_BACK,
                    Thing.of(subscription),
                    "",
                    people.find(tx, recipient).orElseThrow().name());
        }
        return may;
    }

    /** False for somebody who may change the list itself. */
    private boolean leavesByHimself(Person who, SubscriptionId id) {
        return database.inTransaction(tx -> {
            boolean leaves = !gate.mayChange(who, gate.visible(tx, who, id));
            if (leaves) {
                subscriptions.leave(tx, id, who.id(), clock.instant());
                audit.keep(tx, who, Act.RECIPIENT_LEFT, Thing.of(gate.visible(tx, who, id)));
            }
            return leaves;
        });
    }

    void start(Person who, SubscriptionId id) {
        moveWithRights(who, id, Act.SUBSCRIPTION_STARTED, (tx, before) -> before.start(clock.instant()));
    }

    void resume(Person who, SubscriptionId id) {
        moveWithRights(who, id, Act.SUBSCRIPTION_RESUMED, (tx, before) -> {
            approvals.requireNotAsked(tx, before);
            return before.resume(clock.instant());
        });
    }

    void pause(Person who, SubscriptionId id, String because) {
        if (because.length() > 500) {
            throw Problem.invalid("subscription.reason-too-long", 500);
        }
        move(who, id, Act.SUBSCRIPTION_PAUSED, (tx, before) -> before.pause(because.strip()));
    }

    void end(Person who, SubscriptionId id) {
        move(who, id, Act.SUBSCRIPTION_ENDED, (tx, before) -> before.end());
    }

    private Person owner(Tx tx, Subscription subscription) {
        return people.find(tx, subscription.owner()).orElseThrow();
    }

    /** Sending begins again only with the rights that it needs. */
    private void moveWithRights(
            Person who, SubscriptionId id, Act act, BiFunction<Tx, Subscription, Subscription> next) {
        move(who, id, act, (tx, before) -> {
            check.require(tx, owner(tx, before), before.terms());
            check.requireAnswered(tx, before.terms());
            return next.apply(tx, before);
        });
    }

    private void move(Person who, SubscriptionId id, Act act, BiFunction<Tx, Subscription, Subscription> next) {
        database.doInTransaction(tx -> {
            Subscription before = gate.changeable(tx, who, id);
            Subscription after = approvals.heldBack(tx, next.apply(tx, before));
            if (!subscriptions.update(tx, before, after, who.id(), clock.instant())) {
                throw new Problem(
                        Problem.Kind.STALE,
                        "subscription.changed-meanwhile",
                        before.terms().name());
            }
            approvals.kept(tx, after);
            record(tx, who, act, before, after);
        });
        settle();
    }

    private void record(Tx tx, Person who, Act act, Subscription before, Subscription after) {
        Thing thing = Thing.of(after);
        boolean isHeldBack =
                act != Act.SUBSCRIPTION_PAUSED && after.state() == State.PAUSED && before.state() != State.PAUSED;
        if (act == Act.SUBSCRIPTION_CHANGED) {
            List<PartChange> changes = describe.changes(tx, before, after, who);
            audit.keep(
                    tx, who, act, thing, said(who, changes, PartChange::before), said(who, changes, PartChange::after));
        } else if (!isHeldBack) {
            audit.keep(tx, who, act, thing, "", after.pausedBecause());
        }
        if (isHeldBack) {
            audit.keep(tx, who, Act.SUBSCRIPTION_HELD_BACK, thing, "", after.pausedBecause());
        }
    }

    /** "period: last week; to whom: Marit Lunde". */
    private static String said(Person who, List<PartChange> changes, Function<PartChange, String> state) {
        Words words = Describe.words(who);
        return changes.stream()
                .map(change -> words.say("part." + change.part()) + ": "
                        + (state.apply(change).isEmpty() ? words.say("part.nothing") : state.apply(change)))
                .collect(Collectors.joining("; "));
    }

    private void settle() {
        durable.await();
        loop.wake();
    }
}
