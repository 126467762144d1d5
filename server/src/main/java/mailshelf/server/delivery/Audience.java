package mailshelf.server.delivery;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.audience.Recipient;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Subscription;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Expands a subscription's list at the moment of sending: everybody on it, and whether he is sent a copy or why not. */
@Component
public class Audience {
    private final Gate gate;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;

    Audience(Gate gate, PersonStore people, SubscriptionStore subscriptions) {
        this.gate = gate;
        this.people = people;
        this.subscriptions = subscriptions;
    }

    public List<Recipient> of(Tx tx, Subscription subscription) {
        List<PersonId> listed = subscription.terms().recipients();
        Map<PersonId, Person> found = people.find(tx, listed);
        Set<PersonId> departed = subscriptions.departed(tx, subscription.id());
        Set<PersonId> maySee = gate.whoMaySee(tx, listed, subscription.terms().report());
        return listed.stream()
                .distinct()
                .map(found::get)
                .map(person -> new Recipient(
                        person.id(),
                        person.name(),
                        person.address(),
                        Recipient.decide(
                                person.active(), departed.contains(person.id()), maySee.contains(person.id()))))
                .toList();
    }

    /** The right that the owner lacks for what his subscription does, if he lacks one. */
    public Optional<Verb> ownerLacks(Tx tx, Subscription subscription) {
        PersonId owner = subscription.owner();
        boolean others = subscription.terms().recipients().stream().anyMatch(id -> !id.equals(owner));
        Verb needed = others ? Verb.SUBSCRIBE_TEAMMATES : Verb.SUBSCRIBE_SELF;
        boolean may = gate.may(tx, owner, needed, subscription.terms().report());
        return may ? Optional.empty() : Optional.of(needed);
    }
}
