package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Role;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.personal.Approvals;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Gives subscriptions another owner: one by its owner or an administrator, all of a person's by an administrator. */
@Component
class HandOver {
    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final Heirs heirs;
    private final Approvals approvals;
    private final TellOwners tell;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /**
     * What handing one over would mean.
     *
     * @param hindrance why the heir cannot take it, in words; "" where they can
     * @param letsGo whether it no longer follows the cut or clipping that it follows now
     * @param asOwner whether its copies show what its owner may see
     */
    record HandOverOutlook(
            SubscriptionId id, String name, State state, String hindrance, boolean letsGo, boolean asOwner) {}

    /** @param left those that the heir cannot take */
    record Handed(int handed, List<HandOverOutlook> left) {}

    HandOver(
            Gate gate,
            Database database,
            Durable durable,
            SubscriptionStore subscriptions,
            PersonStore people,
            Heirs heirs,
            Approvals approvals,
            TellOwners tell,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.subscriptions = subscriptions;
        this.people = people;
        this.heirs = heirs;
        this.approvals = approvals;
        this.tell = tell;
        this.clock = clock;
        this.audit = audit;
    }

    HandOverOutlook outlook(Person who, SubscriptionId id, PersonId to) {
        return database.inTransaction(tx -> outlook(tx, who, changeable(tx, who, id), Optional.of(heir(tx, to))));
    }

    void one(Person who, SubscriptionId id, PersonId to) {
        database.doInTransaction(tx -> {
            Subscription subscription = changeable(tx, who, id);
            Person heir = heir(tx, to);
            HandOverOutlook outlook = outlook(tx, who, subscription, Optional.of(heir));
            if (!outlook.hindrance().isEmpty()) {
                throw new Problem(Problem.Kind.CONFLICT, "handover.hindered", outlook.name(), outlook.hindrance());
            }
            hand(tx, who, subscription, heir);
            tell.ofNewOwner(tx, who, people.find(tx, subscription.owner()).orElseThrow(), heir, List.of(subscription));
        });
        durable.await();
    }

    /** Those that a person owns and that have not ended, as handing them over would find them. */
    List<HandOverOutlook> ofPerson(Person who, PersonId owner, Optional<PersonId> to) {
        gate.requireHouseReader(who);
        return database.inTransaction(tx -> {
            Optional<Person> heir = to.map(id -> heir(tx, id));
            return owned(tx, owner).stream()
                    .map(subscription -> outlook(tx, who, subscription, heir))
                    .toList();
        });
    }

    /** All that the heir can take; the others stay where they are. */
    Handed allOf(Person who, PersonId owner, PersonId to) {
        gate.requireAdministrator(who);
        Handed done = database.inTransaction(tx -> {
            Person heir = heir(tx, to);
            List<Subscription> handed = new ArrayList<>();
            List<HandOverOutlook> left = new ArrayList<>();
            for (Subscription subscription : owned(tx, owner)) {
                HandOverOutlook outlook = outlook(tx, who, subscription, Optional.of(heir));
                if (outlook.hindrance().isEmpty()) {
                    hand(tx, who, subscription, heir);
                    handed.add(subscription);
                } else {
                    left.add(outlook);
                }
            }
            if (!handed.isEmpty()) {
                tell.ofNewOwner(tx, who, people.find(tx, owner).orElseThrow(), heir, handed);
            }
            return new Handed(handed.size(), left);
        });
        durable.await();
        return done;
    }

    private List<Subscription> owned(Tx tx, PersonId owner) {
        people.find(tx, owner).orElseThrow(Problem::notFound);
        return subscriptions.of(tx, owner).stream()
                .filter(subscription -> subscription.owner().equals(owner) && subscription.state() != State.ENDED)
                .toList();
    }

    /** Whoever may subscribe others to all of it knows the people to choose from; others do not. */
    private Subscription changeable(Tx tx, Person who, SubscriptionId id) {
        Subscription subscription = gate.changeable(tx, who, id);
        boolean knowsOthers = who.is(Role.ADMINISTRATOR)
                || gate.may(
                        tx,
                        gate.access(tx, who),
                        Verb.SUBSCRIBE_TEAMMATES,
                        subscription.terms().reports());
        if (!knowsOthers) {
            throw new Problem(
                    Problem.Kind.FORBIDDEN,
                    "handover.knows-nobody",
                    subscription.terms().name());
        }
        if (subscription.state() == State.ENDED) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "subscription.ended",
                    subscription.terms().name());
        }
        return subscription;
    }

    private Person heir(Tx tx, PersonId id) {
        return people.find(tx, id).orElseThrow(() -> Problem.invalid("subscription.unknown-recipient"));
    }

    private HandOverOutlook outlook(Tx tx, Person who, Subscription subscription, Optional<Person> heir) {
        Terms terms = subscription.terms();
        String hindrance = heir.flatMap(person -> heirs.hindrance(tx, person, subscription))
                .map(found -> Describe.words(who)
                        .say("handover." + found, heir.orElseThrow().name()))
                .orElse("");
        boolean follows = terms.clipping().isPresent()
                || terms.content().stream().anyMatch(each -> each.follows().isPresent());
        boolean letsGo = follows
                && heir.filter(person -> heirs.following(tx, person, terms).isEmpty())
                        .isPresent();
        return new HandOverOutlook(
                subscription.id(),
                terms.name(),
                subscription.state(),
                hindrance,
                letsGo,
                terms.seenAs() == SeenAs.OWNER);
    }

    private void hand(Tx tx, Person who, Subscription subscription, Person heir) {
        Instant now = clock.instant();
        approvals.ownerChanged(tx, subscription.id());
        Terms kept = heirs.following(tx, heir, subscription.terms())
                .orElseGet(() -> subscription.terms().onItsOwn());
        Subscription after = approvals.heldBack(tx, subscription.handedTo(heir.id(), kept));
        if (!subscriptions.update(tx, subscription, after, who.id(), now)) {
            throw new Problem(
                    Problem.Kind.STALE,
                    "subscription.changed-meanwhile",
                    subscription.terms().name());
        }
        approvals.kept(tx, after);
        String formerly = people.find(tx, subscription.owner()).orElseThrow().name();
        audit.keep(tx, who, Act.SUBSCRIPTION_HANDED_OVER, Thing.of(after), formerly, heir.name());
    }
}
