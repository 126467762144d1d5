package mailshelf.server.delivery;

import java.util.List;
import java.util.Optional;
import mailshelf.core.audience.Recipient;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Subscription;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Expands a subscription's list at the moment of sending: everybody on it, and whether he is sent a copy or why not. */
@Component
public class Audience {
    private final Gate gate;
    private final PersonStore people;
    private final ReportStore reports;
    private final SubscriptionStore subscriptions;

    Audience(Gate gate, PersonStore people, ReportStore reports, SubscriptionStore subscriptions) {
        this.gate = gate;
        this.people = people;
        this.reports = reports;
        this.subscriptions = subscriptions;
    }

    public List<Recipient> of(Tx tx, Subscription subscription) {
        Report report = reports.find(tx, subscription.terms().report()).orElseThrow();
        return subscription.terms().recipients().stream()
                .distinct()
                .map(id -> people.find(tx, id).orElseThrow())
                .map(person -> recipient(tx, subscription, report, person))
                .toList();
    }

    private Recipient recipient(Tx tx, Subscription subscription, Report report, Person person) {
        Recipient.Inclusion inclusion = Recipient.decide(
                person.active(),
                subscriptions.hasLeft(tx, subscription.id(), person.id()),
                gate.access(tx, person).may(Verb.SEE, report.folder()));
        return new Recipient(person.id(), person.name(), person.address(), inclusion);
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
