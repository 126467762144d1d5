package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import mailshelf.core.audience.Recipient;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.delivery.RunId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.delivery.Audience;
import mailshelf.server.http.Edited;
import mailshelf.server.personal.Approvals;
import mailshelf.server.rights.Gate;
import mailshelf.server.shelf.Spine;
import mailshelf.server.shelf.Spines;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Reads subscriptions: the list, and one with its recipients, versions and runs. */
@Component
class ReadSubscriptions {
    private static final int SPINES = 8;
    private static final int RUNS = 20;

    private final Gate gate;
    private final Database database;
    private final SubscriptionStore subscriptions;
    private final PersonStore people;
    private final IssueStore issues;
    private final RunStore runs;
    private final Audience audience;
    private final Spines spines;
    private final Describe describe;
    private final LostParts lost;
    private final ReadHistory history;
    private final Approvals approvals;
    private final AuditTrail audit;
    private final BusinessClock clock;

    /**
     * @param waits whether it is paused until somebody approves it
     * @param afterLoads whether it is sent after loads of its data, rather than by time
     * @param spines the last eight issues, oldest first
     */
    record SubscriptionLine(
            SubscriptionId id,
            String name,
            String sentence,
            State state,
            String pausedBecause,
            boolean waits,
            String owner,
            boolean mine,
            boolean mayChange,
            Optional<Instant> nextDue,
            boolean afterLoads,
            List<Spine> spines) {}

    record NextSend(Optional<Instant> at, Instant now) {}

    record RecipientView(PersonId id, String name, String address, Recipient.Inclusion inclusion, String because) {}

    record RunLine(
            RunId id,
            String trigger,
            Instant dueAt,
            String state,
            String outcome,
            String reason,
            Optional<Integer> number) {}

    /**
     * @param terms with what the reader may know of them
     * @param lost what it took of its reports that these have no more, in words
     * @param fitted the terms without that, for whoever may change it to go on from
     * @param recipients all, or the reader alone
     * @param others how many get it that are not listed
     */
    record SubscriptionView(
            SubscriptionLine line,
            String fullSentence,
            int version,
            Terms terms,
            List<String> lost,
            Terms fitted,
            List<RecipientView> recipients,
            int others,
            List<ReadHistory.Deed> history,
            List<RunLine> runs)
            implements Edited {}

    ReadSubscriptions(
            Gate gate,
            Database database,
            SubscriptionStore subscriptions,
            PersonStore people,
            IssueStore issues,
            RunStore runs,
            Audience audience,
            Spines spines,
            Describe describe,
            LostParts lost,
            ReadHistory history,
            Approvals approvals,
            AuditTrail audit,
            BusinessClock clock) {
        this.gate = gate;
        this.database = database;
        this.subscriptions = subscriptions;
        this.people = people;
        this.issues = issues;
        this.runs = runs;
        this.audience = audience;
        this.spines = spines;
        this.describe = describe;
        this.lost = lost;
        this.history = history;
        this.approvals = approvals;
        this.audit = audit;
        this.clock = clock;
    }

    /**
     * All that the person may see; ended ones last.
     *
     * @param report with content of it alone
     * @param most so many of them
     */
    List<SubscriptionLine> list(Person who, Optional<ReportId> report, int most) {
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            return among(tx, who, report).stream()
                    .filter(subscription -> gate.isVisible(tx, access, who, subscription))
                    .sorted((a, b) -> Boolean.compare(a.state() == State.ENDED, b.state() == State.ENDED))
                    .limit(most)
                    .map(subscription -> line(tx, who, access, subscription))
                    .toList();
        });
    }

    private List<Subscription> among(Tx tx, Person who, Optional<ReportId> report) {
        if (report.isPresent()) {
            return subscriptions.ofReport(tx, report.get());
        }
        return gate.readsHouse(who) ? subscriptions.all(tx) : subscriptions.of(tx, who.id());
    }

    /** The next send of all that I own or am sent, as far as I may see it; as the top line tells it. */
    NextSend next(Person who) {
        Optional<Instant> at = database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            return subscriptions.of(tx, who.id()).stream()
                    .filter(subscription -> subscription.nextDue().isPresent())
                    .sorted(Comparator.comparing(
                            subscription -> subscription.nextDue().orElseThrow()))
                    // asked of one after the other until one is, since every page asks this again and again
                    .filter(subscription -> gate.isVisible(tx, access, who, subscription))
                    .findFirst()
                    .flatMap(Subscription::nextDue);
        });
        return new NextSend(at, clock.instant());
    }

    SubscriptionView one(Person who, SubscriptionId id) {
        return database.inTransaction(tx -> {
            Subscription subscription = gate.visible(tx, who, id);
            boolean whole = gate.readsRecipients(who, subscription);
            if (whole && !subscription.owner().equals(who.id())) {
                audit.keepOfSitting(tx, who, Act.RECIPIENTS_READ, Thing.of(subscription));
            }
            List<Recipient> all = audience.of(tx, subscription);
            List<Recipient> shown = all.stream()
                    .filter(r -> whole || r.person().equals(who.id()))
                    .toList();
            Terms terms = whole ? subscription.terms() : ofReader(subscription.terms(), who);
            return new SubscriptionView(
                    line(tx, who, gate.access(tx, who), subscription),
                    describe.fullSentence(tx, subscription, who),
                    subscription.version(),
                    terms,
                    whole ? lost.of(tx, subscription, who) : List.of(),
                    lost.without(tx, terms),
                    shown.stream().map(r -> recipient(who, r)).toList(),
                    (int) all.stream()
                            .filter(r -> r.inclusion() == Recipient.Inclusion.INCLUDED && !shown.contains(r))
                            .count(),
                    history.of(tx, who, subscription),
                    runs.ofSubscription(tx, id, RUNS).stream()
                            .filter(run -> !run.trigger().isTrial()
                                    || run.askedBy().filter(who.id()::equals).isPresent())
                            .map(run -> new RunLine(
                                    run.id(),
                                    Describe.words(who)
                                            .say("trigger."
                                                    + run.trigger().kind().name()),
                                    run.dueAt(),
                                    run.state().name(),
                                    run.outcome().name(),
                                    run.reason(),
                                    issues.ofRun(tx, run.id()).flatMap(issue -> issue.number())))
                            .toList());
        });
    }

    private SubscriptionLine line(Tx tx, Person who, Gate.Access access, Subscription subscription) {
        List<Spine> spines =
                new ArrayList<>(this.spines.of(tx, who, access, issues.newest(tx, subscription.id(), SPINES)));
        Collections.reverse(spines);
        return new SubscriptionLine(
                subscription.id(),
                subscription.terms().name(),
                describe.sentence(tx, subscription, who),
                subscription.state(),
                subscription.pausedBecause(),
                approvals.waits(tx, subscription),
                people.find(tx, subscription.owner()).orElseThrow().name(),
                subscription.owner().equals(who.id()),
                gate.mayChange(who, subscription),
                subscription.nextDue(),
                subscription.terms().schedule().afterLoads().isPresent(),
                spines);
    }

    /** Without the others, and without filters, whose values row rules may hide from the reader. */
    private static Terms ofReader(Terms terms, Person who) {
        List<PersonId> own = terms.recipients().contains(who.id()) ? List.of(who.id()) : List.of();
        return terms.withRecipients(own).narrowed(content -> List.of());
    }

    private static RecipientView recipient(Person who, Recipient r) {
        return new RecipientView(
                r.person(),
                r.name(),
                r.address(),
                r.inclusion(),
                Describe.words(who).say("inclusion." + r.inclusion().name()));
    }
}
