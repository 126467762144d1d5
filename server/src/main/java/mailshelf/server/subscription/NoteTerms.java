package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.data.LoadPace;
import mailshelf.core.data.LoadTimes;
import mailshelf.core.data.PersonalRule;
import mailshelf.core.data.Viewer;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Part;
import mailshelf.core.subscription.Seam;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.time.Occurrence;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.Words;
import mailshelf.server.data.Viewers;
import mailshelf.server.library.Definitions;
import mailshelf.server.personal.OwnerView;
import mailshelf.server.personal.PersonalColumns;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** What the owner of terms should know of them, each note under the part that it concerns. */
@Component
class NoteTerms {
    /** As many as tell how often a data set is loaded. */
    private static final int LOADS_LOOKED_AT = 12;

    private final Gate gate;
    private final CheckTerms check;
    private final Viewers viewers;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;
    private final PersonalColumns personal;
    private final OwnerView ownerView;
    private final NextSends nextSends;
    private final OfferFields letters;
    private final DataSetStore store;

    /** Something said under the part that it concerns. */
    record Note(Part part, String text, boolean serious) {}

    NoteTerms(
            Gate gate,
            CheckTerms check,
            Viewers viewers,
            PersonStore people,
            SubscriptionStore subscriptions,
            PersonalColumns personal,
            OwnerView ownerView,
            NextSends nextSends,
            OfferFields letters,
            DataSetStore store) {
        this.gate = gate;
        this.check = check;
        this.viewers = viewers;
        this.people = people;
        this.subscriptions = subscriptions;
        this.personal = personal;
        this.ownerView = ownerView;
        this.nextSends = nextSends;
        this.letters = letters;
        this.store = store;
    }

    /**
     * @param owner whose subscription it is or becomes
     * @param own the subscription that the terms belong to, if it is kept already
     */
    List<Note> of(Tx tx, Person who, Person owner, Terms terms, Optional<SubscriptionId> own) {
        Words words = Describe.words(who);
        terms.reports().forEach(report -> gate.readable(tx, who, report));
        List<Note> notes = new ArrayList<>();
        Map<PersonId, Person> found = people.find(tx, terms.recipients());
        Set<PersonId> maySee = gate.whoMaySee(tx, terms.recipients(), terms.reports());
        for (PersonId id : terms.recipients()) {
            Person person = Optional.ofNullable(found.get(id))
                    .orElseThrow(() -> Problem.invalid("subscription.unknown-recipient"));
            if (!maySee.contains(id)) {
                notes.add(new Note(Part.TO_WHOM, words.say("note.may-not-see", person.name()), true));
            }
        }
        for (Subscription other : ofTheSame(tx, terms)) {
            boolean same = own.filter(other.id()::equals).isPresent();
            if (!same && other.state() == State.ACTIVE) {
                doubled(tx, who, terms, other, words).ifPresent(notes::add);
            }
        }
        Part narrowing = terms.standsOnOwnPage() ? Part.WHAT : Part.FILTER;
        check.unanswered(tx, terms).stream()
                .map(question -> new Note(narrowing, words.say("note.unanswered", question.ask()), true))
                .forEach(notes::add);
        seenAs(tx, terms, owner, found, words).ifPresent(notes::add);
        ofPersonal(tx, terms, owner, words).ifPresent(notes::add);
        List<DataSet> dataSets = check.published(tx, terms).stream()
                .map(Definitions.Published::dataSet)
                .distinct()
                .toList();
        notes.addAll(ofData(dataSets, terms, words));
        notes.addAll(ofLetter(tx, terms, owner, words));
        List<Occurrence> sends = nextSends.of(tx, terms, own, Seam.LOOKED_AT);
        notes.addAll(ofPace(tx, dataSets, terms, sends, words));
        notes.addAll(ofPeriods(terms, sends, words));
        return notes;
    }

    /** What the house does about personal columns that others would see as the owner does. */
    private Optional<Note> ofPersonal(Tx tx, Terms terms, Person owner, Words words) {
        List<String> columns = personal.goingOut(tx, owner.id(), terms);
        PersonalRule rule = personal.rule(tx);
        return columns.isEmpty()
                ? Optional.empty()
                : Optional.of(new Note(
                        Part.SEEN_AS,
                        words.say("note.personal." + rule, words.list(columns), owner.name()),
                        rule != PersonalRule.MASK));
    }

    /** What somebody may expect of loads that does not come. */
    private static List<Note> ofData(List<DataSet> dataSets, Terms terms, Words words) {
        List<String> byHand = dataSets.stream()
                .filter(dataSet -> dataSet.plan().times().kind() == LoadTimes.Kind.BY_HAND)
                .map(DataSet::name)
                .toList();
        List<String> notAsked = dataSets.stream()
                .filter(dataSet -> !dataSet.plan().canBeAskedFor())
                .map(DataSet::name)
                .toList();
        List<Note> notes = new ArrayList<>();
        if (terms.schedule().afterLoads().isPresent() && !byHand.isEmpty()) {
            notes.add(new Note(Part.WHEN, words.say("note.loaded-by-hand", words.list(byHand)), false));
        }
        if (terms.asksOfData().loadFirst() && !notAsked.isEmpty()) {
            notes.add(new Note(Part.WHEN, words.say("note.cannot-load-first", words.list(notAsked)), false));
        }
        return notes;
    }

    /** Sends that come faster than new rows, and so repeat figures. */
    private List<Note> ofPace(Tx tx, List<DataSet> dataSets, Terms terms, List<Occurrence> sends, Words words) {
        if (terms.schedule().afterLoads().isPresent()) {
            return List.of();
        }
        List<Instant> moments = sends.stream().map(Occurrence::at).toList();
        return dataSets.stream()
                .flatMap(dataSet -> pace(tx, dataSet)
                        .filter(pace -> pace.isOutpacedBy(moments))
                        .map(pace -> words.say("note.outpaced", dataSet.name(), words.span(pace.rounded())))
                        .stream())
                .map(text -> new Note(Part.WHEN, text, false))
                .toList();
    }

    private Optional<LoadPace> pace(Tx tx, DataSet dataSet) {
        List<Instant> loaded = store.attempts(tx, dataSet.id(), LOADS_LOOKED_AT).stream()
                .filter(attempt -> !attempt.hasFailed())
                .map(LoadAttempt::at)
                .toList();
        return LoadPace.of(dataSet.plan().times(), loaded);
    }

    /** What a letter puts in that there is not, and whether mailbox rules can go by its subject. */
    private List<Note> ofLetter(Tx tx, Terms terms, Person owner, Words words) {
        List<Note> notes = new ArrayList<>(letters.unknown(tx, owner, terms).stream()
                .map(field -> new Note(Part.LETTER, words.say("note.letter.unknown", field), true))
                .toList());
        if (!terms.letterPattern().beginsAlike()) {
            notes.add(new Note(Part.LETTER, words.say("note.letter.opening"), false));
        }
        return notes;
    }

    /** Those that send the same: pages of the report, or the clipping. */
    private List<Subscription> ofTheSame(Tx tx, Terms terms) {
        if (terms.standsOnOwnPage()) {
            return terms.clipping()
                    .map(clipping -> subscriptions.following(tx, clipping))
                    .orElse(List.of());
        }
        return subscriptions.ofReport(tx, terms.content().get(0).report()).stream()
                .filter(other -> !other.terms().standsOnOwnPage())
                .toList();
    }

    private static List<Note> ofPeriods(Terms terms, List<Occurrence> sends, Words words) {
        List<Note> notes = new ArrayList<>();
        if (terms.standsOnOwnPage()) {
            boolean fixed = terms.content().stream().anyMatch(content -> content.period() instanceof FixedPeriod);
            return fixed ? List.of(new Note(Part.WHAT, words.say("note.some-fixed-periods"), false)) : List.of();
        }
        Content content = terms.content().get(0);
        Seam.first(terms, content, sends).map(seam -> seam(seam, terms, words)).ifPresent(notes::add);
        if (content.period() instanceof FixedPeriod) {
            notes.add(new Note(Part.PERIOD, words.say("note.fixed-period"), false));
        }
        return notes;
    }

    private static Note seam(Seam seam, Terms terms, Words words) {
        Dates dates = words.dates(terms.schedule().zone());
        String said = words.say(
                "note.seam." + seam.kind(),
                dates.weekday(seam.first()),
                dates.weekday(seam.second()),
                dates.window(seam.days()));
        return new Note(Part.PERIOD, said, false);
    }

    /** Said of those who would be sent nothing, since there are no rows that they may see. */
    private Optional<Note> seenAs(Tx tx, Terms terms, Person owner, Map<PersonId, Person> recipients, Words words) {
        Collection<Definitions.Published> published = check.published(tx, terms);
        boolean asOwner = ownerView.asDone(tx, terms, published) == SeenAs.OWNER;
        Collection<Person> seers = asOwner ? List.of(owner) : recipients.values();
        List<Map<PersonId, Viewer>> views = published.stream()
                .map(each -> viewers.of(tx, seers, viewers.inForce(tx, each.dataSet())))
                .toList();
        List<String> blind = seers.stream()
                .filter(person -> !views.isEmpty()
                        && views.stream().allMatch(view -> view.get(person.id()).seesNothing()))
                .map(Person::name)
                .toList();
        return blind.isEmpty()
                ? Optional.empty()
                : Optional.of(new Note(
                        Part.SEEN_AS,
                        words.say(asOwner ? "note.owner-sees-nothing" : "note.sees-nothing", words.shortList(blind, 3)),
                        true));
    }

    /** Said only of subscriptions that the reader may see anyway. */
    private Optional<Note> doubled(Tx tx, Person who, Terms terms, Subscription other, Words words) {
        List<PersonId> already = subscriptions.staying(tx, other);
        boolean knowsAll = gate.readsRecipients(who, other);
        List<String> twice = terms.recipients().stream()
                .filter(already::contains)
                .filter(id -> knowsAll || id.equals(who.id()))
                .map(id -> id.equals(who.id())
                        ? words.say("sentence.you")
                        : people.find(tx, id).orElseThrow().name())
                .toList();
        boolean visible = gate.isVisible(tx, gate.access(tx, who), who, other);
        return twice.isEmpty() || !visible
                ? Optional.empty()
                : Optional.of(new Note(
                        Part.TO_WHOM,
                        words.say(
                                already(knowsAll, terms, other.terms()),
                                words.shortList(twice, 3),
                                other.terms().name()),
                        false));
    }

    /** What it shows is compared only for those who may know all of it. */
    private static String already(boolean knowsAll, Terms one, Terms other) {
        if (!knowsAll) {
            return "note.already-sends";
        }
        boolean isTheSame = one.onItsOwn().content().equals(other.onItsOwn().content());
        return isTheSame ? "note.already-sends-just-this" : "note.already-sends-others";
    }
}
