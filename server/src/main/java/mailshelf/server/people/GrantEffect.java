package mailshelf.server.people;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.audience.Recipient;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Words;
import mailshelf.core.work.StillWanted;
import mailshelf.server.delivery.Audience;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.SupposedRights;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** What a change of rights would do, told by asking the same questions as the loop and the gate as if it were made. */
@Component
public class GrantEffect {
    private final Database database;
    private final SubscriptionStore subscriptions;
    private final IssueStore issues;
    private final PersonStore people;
    private final Audience audience;
    private final Gate gate;

    /** @param because which right its owner would lack, in words */
    public record Pausing(SubscriptionId subscription, String name, String because) {}

    /** @param subscriptions names of those that he would be sent no longer */
    public record Dropping(String person, List<String> subscriptions) {}

    /** @param issues how many would leave his shelf */
    public record Losing(String person, long issues) {}

    /** All lists are empty where nothing that is there now would change. */
    public record Effect(List<Pausing> pausing, List<Dropping> dropping, List<Losing> losing) {}

    private record Sent(PersonId person, String name, String subscription) {}

    private record Facts(List<Pausing> lacking, List<Sent> sent, List<Losing> shelves) {}

    GrantEffect(
            Database database,
            SubscriptionStore subscriptions,
            IssueStore issues,
            PersonStore people,
            Audience audience,
            Gate gate) {
        this.database = database;
        this.subscriptions = subscriptions;
        this.issues = issues;
        this.people = people;
        this.audience = audience;
        this.gate = gate;
    }

    public Effect of(Person asker, SupposedRights change) {
        Words words = Words.in(Languages.supported(asker.locale()));
        Facts before = database.inTransaction(tx -> facts(tx, words));
        Facts after = database.supposing(change, tx -> facts(tx, words));
        return new Effect(
                after.lacking().stream()
                        .filter(pausing -> !before.lacking().contains(pausing))
                        .toList(),
                dropping(before, after),
                losing(before, after));
    }

    private Facts facts(Tx tx, Words words) {
        List<Subscription> active = subscriptions.all(tx).stream()
                .filter(subscription -> subscription.state() == State.ACTIVE)
                .toList();
        return new Facts(
                active.stream()
                        .flatMap(subscription -> pausing(tx, subscription, words).stream())
                        .toList(),
                active.stream()
                        .flatMap(subscription -> audience.of(tx, subscription).stream()
                                .filter(r -> r.inclusion() == Recipient.Inclusion.INCLUDED)
                                .map(r -> new Sent(
                                        r.person(),
                                        r.name(),
                                        subscription.terms().name())))
                        .toList(),
                issues.shelves(tx).stream()
                        .filter(shelf -> gate.maySee(tx, shelf.person(), shelf.reports()))
                        .collect(Collectors.groupingBy(
                                IssueStore.Shelf::person, Collectors.summingLong(IssueStore.Shelf::issues)))
                        .entrySet()
                        .stream()
                        .map(shelf -> new Losing(
                                people.find(tx, shelf.getKey()).orElseThrow().name(), shelf.getValue()))
                        .toList());
    }

    private Optional<Pausing> pausing(Tx tx, Subscription subscription, Words words) {
        StillWanted.require();
        return audience.ownerLacks(tx, subscription).map(verb -> {
            String owner = people.find(tx, subscription.owner()).orElseThrow().name();
            String because = words.say("paused.owner-lacks." + verb.name(), owner);
            return new Pausing(subscription.id(), subscription.terms().name(), because);
        });
    }

    private static List<Dropping> dropping(Facts before, Facts after) {
        return before.sent().stream()
                .filter(sent -> !after.sent().contains(sent))
                .collect(Collectors.groupingBy(Sent::name, Collectors.mapping(Sent::subscription, Collectors.toList())))
                .entrySet()
                .stream()
                .map(person -> new Dropping(person.getKey(), person.getValue()))
                .sorted(Comparator.comparing(each -> each.person(), Alphabet.order()))
                .toList();
    }

    private static List<Losing> losing(Facts before, Facts after) {
        return before.shelves().stream()
                .map(shelf -> new Losing(shelf.person(), shelf.issues() - left(after, shelf.person())))
                .filter(shelf -> shelf.issues() > 0)
                .sorted(Comparator.comparing(each -> each.person(), Alphabet.order()))
                .toList();
    }

    private static long left(Facts after, String person) {
        return after.shelves().stream()
                .filter(shelf -> shelf.person().equals(person))
                .mapToLong(Losing::issues)
                .sum();
    }
}
