package mailshelf.server.delivery;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import mailshelf.core.audience.Recipient;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.Seen;
import mailshelf.core.data.Viewer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.named.InText;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.server.data.Viewers;
import mailshelf.server.personal.PersonalColumns;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Expands a subscription's list at the moment of sending: everybody on it, and whether he is sent a copy or why not. */
@Component
public class Audience {
    private final Gate gate;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;
    private final Viewers viewers;
    private final DataSetStore dataSets;
    private final RunStore runs;
    private final IssueStore issues;

    Audience(
            Gate gate,
            PersonStore people,
            SubscriptionStore subscriptions,
            Viewers viewers,
            DataSetStore dataSets,
            RunStore runs,
            IssueStore issues) {
        this.gate = gate;
        this.people = people;
        this.subscriptions = subscriptions;
        this.viewers = viewers;
        this.dataSets = dataSets;
        this.runs = runs;
        this.issues = issues;
    }

    public List<Recipient> of(Tx tx, Subscription subscription) {
        List<PersonId> listed = subscription.terms().recipients();
        Map<PersonId, Person> found = people.find(tx, listed);
        Set<PersonId> departed = subscriptions.departed(tx, subscription.id());
        Set<PersonId> maySee = gate.whoMaySee(tx, listed, subscription.terms().reports());
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

    /**
     * All of a run's recipients who are included, by what they see: who sees the same gets the same copy.
     *
     * @param rules the row rules in force, by source
     * @param masked what is personal, and others than the owner are not shown as he sees it
     * @param narrowed the terms as they are for somebody
     */
    List<View> views(
            Tx tx,
            Run run,
            Subscription subscription,
            SeenAs seenAs,
            List<List<Viewers.InForce>> rules,
            PersonalColumns.Masked masked,
            Function<Person, Narrowed> narrowed,
            List<RunStore.Listed> recipients) {
        List<RunStore.Listed> included = recipients.stream()
                .filter(listed -> listed.recipient().inclusion() == Recipient.Inclusion.INCLUDED)
                .toList();
        boolean asOwner = seenAs == SeenAs.OWNER && (!run.trigger().isTrial() || getsIt(subscription, run.askedBy()));
        Collection<Person> seers = seers(tx, subscription, included, asOwner);
        List<Map<PersonId, Viewer>> seen =
                rules.stream().map(each -> viewers.of(tx, seers, each)).toList();
        Map<PersonId, Narrowed> terms = seers.stream().collect(Collectors.toMap(Person::id, narrowed));
        record Key(
                List<List<Allowed>> allowed,
                List<List<String>> masked,
                List<Content> content,
                List<InText> texts,
                List<Seen> named) {}
        Map<Key, View> views = new LinkedHashMap<>();
        for (RunStore.Listed listed : included) {
            PersonId seer = asOwner ? subscription.owner() : listed.recipient().person();
            boolean isMasked = !listed.recipient().person().equals(seer);
            List<Viewer> of = new ArrayList<>();
            for (Map<PersonId, Viewer> each : seen) {
                of.add(each.get(seer).without(isMasked ? masked.columns().get(of.size()) : List.of()));
            }
            Narrowed his = terms.get(seer);
            Terms known = asOwner ? his.terms() : known(his.terms(), of);
            List<InText> texts = isMasked ? masked.in(his.texts()) : his.texts();
            Key key = new Key(
                    of.stream().map(Viewer::allowed).toList(),
                    of.stream().map(Viewer::masked).toList(),
                    known.content(),
                    texts,
                    his.named());
            views.computeIfAbsent(
                            key,
                            added -> new View(
                                    asOwner ? SeenAs.OWNER : SeenAs.RECIPIENT,
                                    List.copyOf(of),
                                    known,
                                    texts,
                                    his.named(),
                                    new ArrayList<>()))
                    .recipients()
                    .add(listed);
        }
        return List.copyOf(views.values());
    }

    /** Terms whose filters name no values that row rules hide from who sees them; they are passed by the same rows. */
    private static Terms known(Terms terms, List<Viewer> viewers) {
        List<ReportId> reports = terms.reports();
        return terms.knownBy(
                content -> viewers.get(reports.indexOf(content.report())).allowed());
    }

    /**
     * Terms as they are for somebody.
     *
     * @param terms with what named values come to for him
     * @param texts the named values in the texts of its reports
     * @param named what he sees of the data that those are taken from
     */
    record Narrowed(Terms terms, List<InText> texts, List<Seen> named) {}

    private Collection<Person> seers(
            Tx tx, Subscription subscription, List<RunStore.Listed> included, boolean asOwner) {
        List<PersonId> ids = asOwner
                ? List.of(subscription.owner())
                : included.stream().map(listed -> listed.recipient().person()).toList();
        return people.find(tx, ids).values();
    }

    /** Who tries what he would not be sent sees it with his own eyes. */
    private static boolean getsIt(Subscription subscription, Optional<PersonId> asker) {
        return asker.filter(who -> who.equals(subscription.owner())
                        || subscription.terms().recipients().contains(who))
                .isPresent();
    }

    /** Those whose recipients may see, at this moment, the reports and all that their copies show. */
    Set<DeliveryId> entitled(Tx tx, Run run, List<Delivery> some) {
        List<ReportId> reports =
                runs.sources(tx, run.id()).stream().map(RunStore.Source::report).toList();
        List<PersonId> recipients = some.stream().map(Delivery::person).toList();
        Set<PersonId> maySee = gate.whoMaySee(tx, recipients, reports);
        Map<CopyId, Copy> copies =
                issues.copies(tx, some.stream().map(Delivery::copy).toList());
        List<DataSet> dataSets = copies.values().stream()
                .flatMap(copy -> copy.slices().stream())
                .map(Seen::dataSet)
                .distinct()
                .map(id -> this.dataSets.find(tx, id).orElseThrow())
                .toList();
        Collection<Person> seers = people.find(tx, recipients).values();
        Map<DataSetId, Map<PersonId, Viewer>> seen = dataSets.stream()
                .collect(Collectors.toMap(DataSet::id, each -> viewers.of(tx, seers, viewers.inForce(tx, each))));
        boolean ownerView = dataSets.stream().allMatch(DataSet::ownerView);
        return some.stream()
                .filter(delivery -> maySee.contains(delivery.person()))
                .filter(delivery -> shows(copies.get(delivery.copy()), ownerView, seen, delivery.person()))
                .map(Delivery::id)
                .collect(Collectors.toSet());
    }

    private static boolean shows(
            Copy copy, boolean ownerView, Map<DataSetId, Map<PersonId, Viewer>> seen, PersonId person) {
        boolean asOwner = copy.seenAs() == SeenAs.OWNER && ownerView;
        return asOwner
                || copy.slices().stream()
                        .allMatch(slice -> seen.get(slice.dataSet()).get(person).covers(slice.allowed()));
    }

    /** The right that the owner lacks for what his subscription does, if he lacks one. */
    public Optional<Verb> ownerLacks(Tx tx, Subscription subscription) {
        PersonId owner = subscription.owner();
        boolean others = subscription.terms().recipients().stream().anyMatch(id -> !id.equals(owner));
        Verb needed = others ? Verb.SUBSCRIBE_TEAMMATES : Verb.SUBSCRIBE_SELF;
        boolean may = gate.may(tx, owner, needed, subscription.terms().reports());
        return may ? Optional.empty() : Optional.of(needed);
    }
}
