package mailshelf.server.subscription;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Definition;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Part;
import mailshelf.core.subscription.Seam;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.FixedPeriod;
import mailshelf.core.wording.Dates;
import mailshelf.core.wording.OneLine;
import mailshelf.core.wording.Words;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Viewers;
import mailshelf.server.library.Definitions;
import mailshelf.server.library.Filters;
import mailshelf.server.rights.Gate;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Checks terms against rights and the report: refuses what cannot be kept, and notes what its owner should know. */
@Component
class CheckTerms {
    private static final int MOST_RECIPIENTS = 10_000;

    private final Gate gate;
    private final Definitions definitions;
    private final ReportStore reports;
    private final Viewers viewers;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;
    private final BusinessClock clock;

    /** Something said under the part that it concerns. */
    record Note(Part part, String text, boolean serious) {}

    CheckTerms(
            Gate gate,
            Definitions definitions,
            ReportStore reports,
            Viewers viewers,
            PersonStore people,
            SubscriptionStore subscriptions,
            BusinessClock clock) {
        this.gate = gate;
        this.definitions = definitions;
        this.reports = reports;
        this.viewers = viewers;
        this.people = people;
        this.subscriptions = subscriptions;
        this.clock = clock;
    }

    /**
     * Refuses what cannot be kept.
     *
     * @param owner whose subscription it is or becomes
     */
    void require(Tx tx, Person owner, Terms terms) {
        Report report = gate.readable(tx, owner, terms.report());
        requireOffered(terms, definitions.newest(tx, report).definition());
        if (new HashSet<>(terms.pages()).size() != terms.pages().size()) {
            throw Problem.invalid("subscription.page-twice");
        }
        if (!terms.name().isBlank() && !OneLine.isName(terms.name())) {
            throw Problem.invalid("subscription.bad-name", OneLine.LONGEST_NAME);
        }
        requireAudience(tx, owner, report.folder(), terms.recipients());
    }

    /** Refuses to keep terms that would not be kept to: where data forbid the owner's view, each sees his own rows. */
    void requireSeenAs(Tx tx, Terms terms) {
        DataSet dataSet = dataSet(tx, terms);
        if (terms.seenAs() != terms.seenAs(dataSet.ownerView())) {
            throw Problem.invalid("subscription.no-owner-view", dataSet.name());
        }
    }

    private DataSet dataSet(Tx tx, Terms terms) {
        return published(tx, terms).dataSet();
    }

    private Definition definition(Tx tx, Terms terms) {
        return published(tx, terms).definition();
    }

    private Definitions.Published published(Tx tx, Terms terms) {
        return definitions.newest(tx, reports.find(tx, terms.report()).orElseThrow());
    }

    /** Refuses to send what leaves a question of the report open. */
    void requireAnswered(Tx tx, Terms terms) {
        definition(tx, terms).unanswered(terms.filters()).stream().findFirst().ifPresent(question -> {
            throw Problem.invalid("subscription.unanswered", question.ask(), terms.name());
        });
    }

    /** Refuses pages and columns that the report does not have. */
    void requireOffered(Terms terms, Definition definition) {
        Filters.requireOffered(terms.filters(), definition);
        for (String page : terms.pages()) {
            definition.page(page).orElseThrow(() -> Problem.invalid("subscription.no-such-page", page));
        }
    }

    private void requireAudience(Tx tx, Person owner, FolderId folder, List<PersonId> recipients) {
        if (recipients.size() > MOST_RECIPIENTS) {
            throw Problem.invalid("subscription.too-many-recipients", recipients.size(), MOST_RECIPIENTS);
        }
        Gate.Access access = gate.access(tx, owner);
        boolean others = recipients.stream().anyMatch(id -> !id.equals(owner.id()));
        if (others && !access.may(Verb.SUBSCRIBE_TEAMMATES, folder)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "subscription.no-teammates");
        }
        if (!access.may(Verb.SUBSCRIBE_SELF, folder)) {
            throw new Problem(Problem.Kind.FORBIDDEN, "subscription.no-subscribing");
        }
        Map<PersonId, Person> found = people.find(tx, recipients);
        if (!recipients.stream()
                .allMatch(id -> found.containsKey(id) && found.get(id).active())) {
            throw Problem.invalid("subscription.unknown-recipient");
        }
    }

    /**
     * @param owner whose subscription it is or becomes
     * @param own the subscription that the terms belong to, if it is kept already
     */
    List<Note> notes(Tx tx, Person who, Person owner, Terms terms, Optional<SubscriptionId> own) {
        Words words = Describe.words(who);
        gate.readable(tx, who, terms.report());
        List<Note> notes = new ArrayList<>();
        Map<PersonId, Person> found = people.find(tx, terms.recipients());
        Set<PersonId> maySee = gate.whoMaySee(tx, terms.recipients(), terms.report());
        for (PersonId id : terms.recipients()) {
            Person person = Optional.ofNullable(found.get(id))
                    .orElseThrow(() -> Problem.invalid("subscription.unknown-recipient"));
            if (!maySee.contains(id)) {
                notes.add(new Note(Part.TO_WHOM, words.say("note.may-not-see", person.name()), true));
            }
        }
        for (Subscription other : subscriptions.ofReport(tx, terms.report())) {
            boolean same = own.filter(other.id()::equals).isPresent();
            if (!same && other.state() == State.ACTIVE) {
                doubled(tx, who, terms, other, words).ifPresent(notes::add);
            }
        }
        definition(tx, terms).unanswered(terms.filters()).stream()
                .map(question -> new Note(Part.FILTER, words.say("note.unanswered", question.ask()), true))
                .forEach(notes::add);
        seenAs(tx, terms, owner, found, words).ifPresent(notes::add);
        Seam.first(terms, clock.instant()).map(seam -> seam(seam, terms, words)).ifPresent(notes::add);
        if (terms.period() instanceof FixedPeriod) {
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
        DataSet dataSet = dataSet(tx, terms);
        boolean asOwner = terms.seenAs(dataSet.ownerView()) == SeenAs.OWNER;
        Collection<Person> seers = asOwner ? List.of(owner) : recipients.values();
        Map<PersonId, Viewer> views = viewers.of(tx, seers, viewers.inForce(tx, dataSet));
        List<String> blind = seers.stream()
                .filter(person -> views.get(person.id()).seesNothing())
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
        List<String> twice = terms.recipients().stream()
                .filter(other.terms().recipients()::contains)
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
                                "note.already",
                                words.shortList(twice, 3),
                                other.terms().name()),
                        false));
    }
}
