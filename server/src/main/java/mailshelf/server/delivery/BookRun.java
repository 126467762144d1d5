package mailshelf.server.delivery;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audience.Recipient;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.server.notice.Notices;
import mailshelf.server.personal.Approvals;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** First step: turns what is due into runs, each with its recipients and versions frozen, and books the next time. */
@Component
public class BookRun {
    /** What fell due longer ago than this, while nothing ran, is recorded as missed and not sent. */
    static final Duration GRACE = Duration.ofHours(12);

    private static final int AT_ONCE = 100;

    private final Database database;
    private final BusinessClock clock;
    private final SubscriptionStore subscriptions;
    private final ReportStore reports;
    private final DataSetStore dataSets;
    private final Definitions definitions;
    private final RunStore runs;
    private final PersonStore people;
    private final Notices notices;
    private final Audience audience;
    private final Approvals approvals;
    private final HouseSettings settings;
    private final FaultPoint faultPoint;
    private final AuditTrail audit;

    BookRun(
            Database database,
            BusinessClock clock,
            SubscriptionStore subscriptions,
            ReportStore reports,
            DataSetStore dataSets,
            Definitions definitions,
            RunStore runs,
            PersonStore people,
            Notices notices,
            Audience audience,
            Approvals approvals,
            HouseSettings settings,
            FaultPoint faultPoint,
            AuditTrail audit) {
        this.database = database;
        this.clock = clock;
        this.subscriptions = subscriptions;
        this.reports = reports;
        this.dataSets = dataSets;
        this.definitions = definitions;
        this.runs = runs;
        this.people = people;
        this.notices = notices;
        this.audience = audience;
        this.approvals = approvals;
        this.settings = settings;
        this.faultPoint = faultPoint;
        this.audit = audit;
    }

    /** Books all that is due; true if there was anything. */
    boolean step() {
        Instant now = clock.instant();
        List<Subscription> due = database.inTransaction(tx -> subscriptions.due(tx, now, AT_ONCE));
        due.forEach(subscription -> {
            database.doInTransaction(tx -> book(tx, subscription, now));
            faultPoint.behind(Arrow.BOOKED);
        });
        return !due.isEmpty();
    }

    private void book(Tx tx, Subscription subscription, Instant now) {
        Instant dueAt = subscription.nextDue().orElseThrow();
        Optional<Verb> lacking = audience.ownerLacks(tx, subscription);
        if (lacking.isPresent()) {
            Person owner = people.find(tx, subscription.owner()).orElseThrow();
            String key = "paused.owner-lacks." + lacking.get().name();
            String because = Words.in(Languages.supported(owner.locale())).say(key, owner.name());
            pause(tx, subscription, because, "notice.paused.body", now);
            return;
        }
        Optional<String> unapproved = approvals.lacking(tx, subscription);
        if (unapproved.isPresent()) {
            pause(tx, subscription, unapproved.get(), "notice.held-back.body", now);
            approvals.kept(tx, subscriptions.find(tx, subscription.id()).orElseThrow());
            return;
        }
        Subscription next = subscription.booked(dueAt);
        if (!subscriptions.update(tx, subscription, next, subscription.owner(), now)) {
            return; // somebody has changed it in this very moment; the next round sees how
        }
        Trigger trigger = new Trigger(Trigger.Kind.SCHEDULE, dueAt.toString());
        boolean tooLate = Duration.between(dueAt, now).compareTo(GRACE) > 0;
        if (tooLate) {
            RunId missed = insert(tx, subscription, trigger, Optional.empty(), dueAt, List.of(), now);
            String reason = words(subscription).say("missed", GRACE.toHours());
            runs.move(tx, runs.find(tx, missed).orElseThrow(), "", RunState.CLOSED, RunOutcome.MISSED, reason, now);
        } else {
            insert(tx, subscription, trigger, Optional.empty(), dueAt, audience.of(tx, subscription), now);
        }
    }

    /** @param body what its owner is told, by its key */
    private void pause(Tx tx, Subscription subscription, String because, String body, Instant now) {
        Person owner = people.find(tx, subscription.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        if (subscriptions.update(tx, subscription, subscription.pause(because), subscription.owner(), now)) {
            String link =
                    settings.baseUrl() + "/subscriptions/" + subscription.id().value();
            audit.keepOfNobody(
                    tx, words.say("audit.house"), Act.SUBSCRIPTION_PAUSED, Thing.of(subscription), "", because);
            notices.tell(
                    tx,
                    owner.id(),
                    words.say("notice.paused.subject", subscription.terms().name()),
                    words.say(body, subscription.terms().name(), because, link));
        }
    }

    /** To all on the list, now. */
    public RunId byHand(Tx tx, Subscription subscription, Person by, String requestId, Instant now) {
        return insert(
                tx,
                subscription,
                new Trigger(Trigger.Kind.BY_HAND, requestId),
                Optional.of(by.id()),
                now,
                audience.of(tx, subscription),
                now);
    }

    /** To the one who asks alone, with no number. */
    public RunId trial(Tx tx, Subscription subscription, Person by, String requestId, Instant now) {
        Recipient only = new Recipient(by.id(), by.name(), by.address(), Recipient.Inclusion.INCLUDED);
        Trigger trigger = new Trigger(Trigger.Kind.TRIAL, requestId);
        return insert(tx, subscription, trigger, Optional.of(by.id()), now, List.of(only), now);
    }

    private RunId insert(
            Tx tx,
            Subscription subscription,
            Trigger trigger,
            Optional<PersonId> askedBy,
            Instant dueAt,
            List<Recipient> recipients,
            Instant now) {
        Map<DataSetId, Load> loads = new HashMap<>();
        List<RunStore.Source> sources = subscription.terms().reports().stream()
                .map(report -> source(tx, reports.find(tx, report).orElseThrow(), loads))
                .toList();
        var pinned = new RunStore.Pinned(subscription.version(), sources);
        return runs.book(tx, subscription.id(), trigger, askedBy, dueAt, pinned, recipients, now);
    }

    /** @param loads what is pinned already, so that all reports over the same data show the same */
    private RunStore.Source source(Tx tx, Report report, Map<DataSetId, Load> loads) {
        DataSet dataSet = definitions.newest(tx, report).dataSet();
        Load load = loads.computeIfAbsent(
                dataSet.id(),
                id -> dataSets.newestLoad(tx, id)
                        .orElseThrow(() -> Problem.invalid("data.none-loaded", dataSet.name())));
        return new RunStore.Source(report.id(), report.version(), load.id());
    }

    private static Words words(Subscription subscription) {
        return Words.in(Languages.supported(subscription.terms().locale()));
    }
}
