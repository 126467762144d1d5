package mailshelf.server.delivery;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import mailshelf.core.Problem;
import mailshelf.core.audience.Recipient;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.condition.FreshData;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkKind;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.server.personal.Approvals;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
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
    private final PinData pinData;
    private final AwaitData awaitData;
    private final RunStore runs;
    private final PersonStore people;
    private final Notices notices;
    private final Audience audience;
    private final Approvals approvals;
    private final HouseSettings settings;
    private final FaultPoint faultPoint;
    private final AuditTrail audit;
    private final WorkIsolation isolation;
    private final InstantSource machineClock;

    BookRun(
            Database database,
            BusinessClock clock,
            SubscriptionStore subscriptions,
            PinData pinData,
            AwaitData awaitData,
            RunStore runs,
            PersonStore people,
            Notices notices,
            Audience audience,
            Approvals approvals,
            HouseSettings settings,
            FaultPoint faultPoint,
            AuditTrail audit,
            WorkIsolation isolation,
            InstantSource machineClock) {
        this.database = database;
        this.clock = clock;
        this.subscriptions = subscriptions;
        this.pinData = pinData;
        this.awaitData = awaitData;
        this.runs = runs;
        this.people = people;
        this.notices = notices;
        this.audience = audience;
        this.approvals = approvals;
        this.settings = settings;
        this.faultPoint = faultPoint;
        this.audit = audit;
        this.isolation = isolation;
        this.machineClock = machineClock;
    }

    /** Books all that is due; true if there was anything. */
    boolean step() {
        Instant now = clock.instant();
        List<SubscriptionId> due =
                database.inTransaction(tx -> subscriptions.due(tx, now, machineClock.instant(), AT_ONCE));
        due.forEach(id -> isolation.attempt(WorkKind.BOOK, id, () -> book(id, now)));
        return !due.isEmpty();
    }

    private void book(SubscriptionId id, Instant now) {
        Subscription subscription =
                database.inTransaction(tx -> subscriptions.find(tx, id)).orElseThrow();
        try {
            database.doInTransaction(tx -> book(tx, subscription, now));
        } catch (Problem e) {
            database.doInTransaction(tx -> pause(
                    tx, subscription, (words, owner) -> e.sentences(words).get(0), "notice.cannot-send.body", now));
        }
        faultPoint.behind(Arrow.BOOKED);
    }

    private void book(Tx tx, Subscription subscription, Instant now) {
        if (!subscription.isDue(now)) {
            return; // somebody has changed it in this very moment
        }
        Instant dueAt = subscription.nextDue().orElseThrow();
        Optional<Verb> lacking = audience.ownerLacks(tx, subscription);
        if (lacking.isPresent()) {
            String key = "paused.owner-lacks." + lacking.get().name();
            pause(tx, subscription, (words, owner) -> words.say(key, owner.name()), "notice.paused.body", now);
            return;
        }
        Optional<String> unapproved = approvals.lacking(tx, subscription);
        if (unapproved.isPresent()) {
            pause(tx, subscription, (words, owner) -> unapproved.get(), "notice.held-back.body", now);
            approvals.kept(tx, subscriptions.find(tx, subscription.id()).orElseThrow());
            return;
        }
        Subscription next = subscription.booked(dueAt);
        if (!subscriptions.update(tx, subscription, next, subscription.owner(), now)) {
            return; // somebody has changed it in this very moment; the next round sees how
        }
        List<RunStore.Source> sources = pinData.newest(tx, subscription.terms());
        Trigger trigger = trigger(subscription, dueAt, sources);
        boolean tooLate = Duration.between(dueAt, now).compareTo(GRACE) > 0;
        if (tooLate) {
            var pinned = new RunStore.Pinned(subscription.version(), sources, RunState.DUE);
            RunId missed = runs.book(tx, subscription.id(), trigger, Optional.empty(), dueAt, pinned, List.of(), now);
            String reason = words(subscription).say("missed", GRACE.toHours());
            runs.move(tx, runs.find(tx, missed).orElseThrow(), "", RunState.CLOSED, RunOutcome.MISSED, reason, now);
        } else {
            insert(tx, subscription, trigger, Optional.empty(), dueAt, sources, audience.of(tx, subscription), now);
        }
    }

    /** What fires after loads is told by the newest, so that it is sent once after each. */
    private static Trigger trigger(Subscription subscription, Instant dueAt, List<RunStore.Source> sources) {
        return subscription.terms().schedule().afterLoads().isEmpty()
                ? new Trigger(Trigger.Kind.SCHEDULE, dueAt.toString())
                : new Trigger(
                        Trigger.Kind.LOAD,
                        sources.stream()
                                .map(source -> source.load().value())
                                .max(Long::compare)
                                .orElseThrow()
                                .toString());
    }

    /**
     * @param why in the words of its owner
     * @param body what he is told, by its key
     */
    private void pause(
            Tx tx, Subscription subscription, BiFunction<Words, Person, String> why, String body, Instant now) {
        Person owner = people.find(tx, subscription.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String because = why.apply(words, owner);
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
        Trigger trigger = new Trigger(Trigger.Kind.BY_HAND, requestId);
        return byHand(tx, subscription, trigger, by, audience.of(tx, subscription), now);
    }

    /** For the same time and to all on the list, as one before could not be made; asked twice, it is the same run. */
    public RunId again(Tx tx, Subscription subscription, Run failed, Person by, Instant now) {
        subscription.requireSendable();
        Trigger trigger =
                new Trigger(Trigger.Kind.BY_HAND, "again-" + failed.id().value());
        List<RunStore.Source> sources = pinData.newest(tx, subscription.terms());
        List<Recipient> recipients = audience.of(tx, subscription);
        return insert(tx, subscription, trigger, Optional.of(by.id()), failed.dueAt(), sources, recipients, now);
    }

    /** To the one who asks alone, with no number. */
    public RunId trial(Tx tx, Subscription subscription, Person by, String requestId, Instant now) {
        Recipient only = new Recipient(by.id(), by.name(), by.address(), Recipient.Inclusion.INCLUDED);
        Trigger trigger = new Trigger(Trigger.Kind.TRIAL, requestId);
        return byHand(tx, subscription, trigger, by, List.of(only), now);
    }

    private RunId byHand(
            Tx tx, Subscription subscription, Trigger trigger, Person by, List<Recipient> recipients, Instant now) {
        List<RunStore.Source> sources = pinData.newest(tx, subscription.terms());
        return insert(tx, subscription, trigger, Optional.of(by.id()), now, sources, recipients, now);
    }

    private RunId insert(
            Tx tx,
            Subscription subscription,
            Trigger trigger,
            Optional<PersonId> askedBy,
            Instant dueAt,
            List<RunStore.Source> sources,
            List<Recipient> recipients,
            Instant now) {
        FreshData asked = AwaitData.asked(subscription.terms(), trigger);
        var pinned = new RunStore.Pinned(
                subscription.version(),
                awaitData.begun(tx, asked, sources, now),
                asked.mayWait() ? RunState.WAITING : RunState.DUE);
        return runs.book(tx, subscription.id(), trigger, askedBy, dueAt, pinned, recipients, now);
    }

    private static Words words(Subscription subscription) {
        return Words.in(Languages.supported(subscription.terms().locale()));
    }
}
