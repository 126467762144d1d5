package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.PartChange;
import mailshelf.core.subscription.Sentence;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.server.personal.OwnerView;
import mailshelf.server.rights.Gate;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.library.ClippingStore;
import mailshelf.store.library.CutStore;
import mailshelf.store.library.KeptClipping;
import mailshelf.store.library.KeptCut;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Says terms as their sentence, for a reader. */
@Component
public class Describe {
    private static final Logger LOG = LoggerFactory.getLogger(Describe.class);

    private final Gate gate;
    private final Definitions definitions;
    private final DataSetStore dataSets;
    private final CutStore cuts;
    private final ClippingStore clippings;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;
    private final OwnerView ownerView;
    private final LostParts lost;

    Describe(
            Gate gate,
            Definitions definitions,
            DataSetStore dataSets,
            CutStore cuts,
            ClippingStore clippings,
            PersonStore people,
            SubscriptionStore subscriptions,
            OwnerView ownerView,
            LostParts lost) {
        this.gate = gate;
        this.definitions = definitions;
        this.dataSets = dataSets;
        this.cuts = cuts;
        this.clippings = clippings;
        this.people = people;
        this.subscriptions = subscriptions;
        this.ownerView = ownerView;
        this.lost = lost;
    }

    public String sentence(Tx tx, Subscription subscription, Person reader) {
        return sayable(reader, () -> {
            Terms terms = asSent(tx, subscription);
            Supplier<Instant> writtenAt = () -> lost.writtenAt(tx, subscription);
            return Sentence.text(terms, facts(tx, terms, subscription, writtenAt, reader), words(reader));
        });
    }

    /** One of its versions. */
    String sentence(Tx tx, SubscriptionStore.Version version, Subscription of, Person reader) {
        Terms terms = version.terms();
        return sayable(reader, () -> Sentence.text(terms, facts(tx, terms, of, version::at, reader), words(reader)));
    }

    /** Without those who have left: they are sent nothing. */
    private Terms asSent(Tx tx, Subscription subscription) {
        return subscription.terms().withRecipients(subscriptions.staying(tx, subscription));
    }

    private Sentence.Facts facts(Tx tx, Terms terms, Subscription of, Supplier<Instant> writtenAt, Person reader) {
        boolean whole = gate.readsRecipients(reader, of);
        return facts(tx, terms, writtenAt, of.owner(), Optional.of(reader.id()), whole);
    }

    String fullSentence(Tx tx, Subscription subscription, Person reader) {
        return sayable(reader, () -> {
            Terms terms = asSent(tx, subscription);
            Supplier<Instant> writtenAt = () -> lost.writtenAt(tx, subscription);
            return Sentence.fullText(terms, facts(tx, terms, subscription, writtenAt, reader), words(reader));
        });
    }

    /** One that cannot be put in words says so, and breaks no list that it stands in. */
    private static String sayable(Person reader, Supplier<String> sentence) {
        try {
            return sentence.get();
        } catch (RuntimeException e) {
            if (StoreException.isDisk(e)) {
                throw e;
            }
            LOG.error("A subscription cannot be put in words", e);
            return words(reader).say("sentence.unsayable");
        }
    }

    /** How a version reads, as far as the reader may know it. */
    PartChange.Wording wording(Tx tx, SubscriptionStore.Version version, Subscription of, Person reader) {
        Sentence.Facts facts = facts(tx, version.terms(), of, version::at, reader);
        return new PartChange.Wording(version.terms().name(), Sentence.whole(version.terms(), facts, words(reader)));
    }

    /** What a change makes different, as the audit trail keeps it. */
    List<PartChange> changes(Tx tx, Subscription before, Subscription after, Person by) {
        Supplier<Instant> writtenAt = () -> lost.writtenAt(tx, before);
        return PartChange.between(
                wording(tx, before.terms(), writtenAt, before.owner(), by),
                wording(tx, after.terms(), () -> Instant.MAX, before.owner(), by));
    }

    private PartChange.Wording wording(Tx tx, Terms terms, Supplier<Instant> writtenAt, PersonId owner, Person by) {
        Sentence.Facts facts = facts(tx, terms, writtenAt, owner, Optional.empty(), true);
        return new PartChange.Wording(terms.name(), Sentence.whole(terms, facts, words(by)));
    }

    /** Terms that are written now, as the audit trail keeps them: whole, and with nobody as "me". */
    String record(Tx tx, Terms terms, PersonId owner, Person by) {
        return Sentence.fullText(terms, facts(tx, terms, () -> Instant.MAX, owner, Optional.empty(), true), words(by));
    }

    List<Sentence.Phrase> phrases(Tx tx, Terms terms, PersonId owner, Person reader) {
        return Sentence.of(
                terms, facts(tx, terms, () -> Instant.MAX, owner, Optional.of(reader.id()), true), words(reader));
    }

    private Sentence.Facts facts(
            Tx tx, Terms terms, Supplier<Instant> writtenAt, PersonId owner, Optional<PersonId> reader, boolean whole) {
        Map<ReportId, Definitions.Published> published = new LinkedHashMap<>();
        terms.reports().forEach(report -> published.put(report, definitions.newest(tx, report)));
        List<PersonId> named = new ArrayList<>(terms.recipients());
        named.add(owner);
        Map<PersonId, String> names =
                people.find(tx, named).values().stream().collect(Collectors.toMap(Person::id, Person::name));
        List<String> ruled = ruled(tx, published.values());
        String cut = terms.content().stream()
                .flatMap(content -> content.follows().stream())
                .findFirst()
                .flatMap(id -> cuts.find(tx, id))
                .map(KeptCut::name)
                .orElse("");
        String clipping = terms.clipping()
                .flatMap(id -> clippings.find(tx, id))
                .map(KeptClipping::name)
                .orElse("");
        Map<ReportId, Definition> read = published.entrySet().stream()
                .collect(Collectors.toMap(
                        Map.Entry::getKey,
                        each -> lost.wording(
                                tx, terms, each.getKey(), each.getValue().definition(), writtenAt)));
        return new Sentence.Facts(
                read,
                cut,
                clipping,
                ruled,
                ownerView.asDone(tx, terms, published.values()),
                owner,
                names,
                reader,
                whole);
    }

    /** The columns that row rules limit in some reports, as these call them. */
    List<String> ruled(Tx tx, Collection<Definitions.Published> published) {
        return published.stream()
                .flatMap(each -> dataSets.rowRules(tx, each.dataSet().id()).stream()
                        .map(rule -> each.definition().columnTitle(rule.column())))
                .distinct()
                .toList();
    }

    static Words words(Person reader) {
        return Words.in(Languages.supported(reader.locale()));
    }
}
