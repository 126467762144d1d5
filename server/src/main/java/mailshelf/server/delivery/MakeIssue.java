package mailshelf.server.delivery;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import mailshelf.core.condition.Sending;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.Slicing;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.library.Definitions;
import mailshelf.server.named.ResolveNamed;
import mailshelf.server.personal.OwnerView;
import mailshelf.server.personal.PersonalColumns;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Second step: evaluates the pages of a run's issue, renders its files, and has it sealed. */
@Component
class MakeIssue {
    private static final Logger LOG = LoggerFactory.getLogger(MakeIssue.class);
    private static final int AT_ONCE = 4;

    private final Database database;
    private final Durable durable;
    private final BusinessClock clock;
    private final LeaseKeeper lease;
    private final RunStore runs;
    private final SubscriptionStore subscriptions;
    private final Definitions definitions;
    private final Tables tables;
    private final Viewers viewers;
    private final Audience audience;
    private final ContinuedTerms continued;
    private final ResolveNamed named;
    private final PersonalColumns personal;
    private final OwnerView ownerView;
    private final MakeCopies makeCopies;
    private final SealIssue sealIssue;
    private final GiveBack giveBack;
    private final Hindrance hindrance;
    private final FaultPoint faultPoint;
    private final WorkIsolation isolation;

    MakeIssue(
            Database database,
            Durable durable,
            BusinessClock clock,
            LeaseKeeper lease,
            RunStore runs,
            SubscriptionStore subscriptions,
            Definitions definitions,
            Tables tables,
            Viewers viewers,
            Audience audience,
            ContinuedTerms continued,
            ResolveNamed named,
            PersonalColumns personal,
            OwnerView ownerView,
            MakeCopies makeCopies,
            SealIssue sealIssue,
            GiveBack giveBack,
            Hindrance hindrance,
            FaultPoint faultPoint,
            WorkIsolation isolation) {
        this.database = database;
        this.durable = durable;
        this.clock = clock;
        this.lease = lease;
        this.runs = runs;
        this.subscriptions = subscriptions;
        this.definitions = definitions;
        this.tables = tables;
        this.viewers = viewers;
        this.audience = audience;
        this.continued = continued;
        this.named = named;
        this.personal = personal;
        this.ownerView = ownerView;
        this.makeCopies = makeCopies;
        this.sealIssue = sealIssue;
        this.giveBack = giveBack;
        this.hindrance = hindrance;
        this.faultPoint = faultPoint;
        this.isolation = isolation;
    }

    /**
     * Makes what is booked; true if there was anything.
     *
     * @param meanwhile done between the batches of a large issue
     */
    boolean step(Runnable meanwhile) {
        List<RunId> claimed = database.inTransaction(tx -> runs.claimDue(tx, lease.lease(), lease.now(), AT_ONCE));
        if (claimed.isEmpty()) {
            return false;
        }
        faultPoint.behind(Arrow.RUN_CLAIMED);
        claimed.forEach(id -> tryToMake(id, meanwhile));
        durable.await();
        return true;
    }

    /** What hinders all runs alike, a full disk or a folder that cannot be written to, is waited out. */
    private void tryToMake(RunId id, Runnable meanwhile) {
        try {
            WorkIsolation.Outcome outcome = isolation.attempt(WorkKind.MAKE, id, () -> make(id, meanwhile));
            if (outcome == WorkIsolation.Outcome.SET_ASIDE) {
                recordAsFailed(id);
            }
            if (outcome != WorkIsolation.Outcome.DONE) {
                giveBack.now(id);
            }
        } catch (RuntimeException e) {
            giveBack.afterFault(id, e);
        }
    }

    private void make(RunId id, Runnable meanwhile) {
        Commission job = commission(run(id), true);
        Optional<String> stale = job.tooStale();
        if (stale.isPresent()) {
            sealIssue.notMade(job, RunOutcome.SKIPPED, stale.get());
        } else if (!isMade(job, meanwhile)) {
            giveBack.now(id);
            return;
        }
        hindrance.isGone(Optional.of(id));
        faultPoint.behind(Arrow.ISSUE_RECORDED);
    }

    private Run run(RunId id) {
        return database.inTransaction(tx -> runs.find(tx, id)).orElseThrow();
    }

    /** False where the server is about to end, and another has to begin anew. */
    private boolean isMade(Commission job, Runnable meanwhile) {
        IssueVolume volume = sealIssue.volume(job);
        Optional<List<MadeCopy>> copies = makeCopies.of(job, volume, meanwhile);
        if (copies.isEmpty()) {
            return false;
        }
        long empty = copies.get().stream().filter(made -> made.copy().isEmpty()).count();
        Sending sending = Sending.decide(copies.get().size(), empty);
        if (sending == Sending.SEND) {
            sealIssue.made(job, volume, copies.get());
        } else {
            sealIssue.notMade(job, RunOutcome.SKIPPED, job.words().say(sending.wordsKey()));
        }
        return true;
    }

    /**
     * Stands on the shelf as failed, with its number and reason, so that silence is no riddle. Where not even that can be
     * written down, the run stays set aside.
     */
    private void recordAsFailed(RunId id) {
        try {
            Run run = run(id);
            Commission job = commission(run, false);
            sealIssue.notMade(job, RunOutcome.FAILED, job.words().say("failed.making", run.attempt()));
            isolation.forget(WorkKind.MAKE, id);
        } catch (RuntimeException | StackOverflowError | LinkageError e) {
            if (StoreException.isDisk(e)) {
                throw e;
            }
            LOG.error("That run {} failed could not be recorded", id.value(), e);
        }
    }

    /** The terms as they are for somebody; the same for all where nothing is named in them. */
    private Function<Person, Audience.Narrowed> narrowed(
            Tx tx, Run run, Terms terms, List<RunStore.Source> pinned, List<Definitions.Published> published) {
        Map<ReportId, Definition> definitions = new HashMap<>();
        for (int i = 0; i < pinned.size(); i++) {
            definitions.put(pinned.get(i).report(), published.get(i).definition());
        }
        if (ResolveNamed.nameNothing(terms, definitions.values())) {
            Audience.Narrowed same = new Audience.Narrowed(terms, List.of(), List.of());
            return seer -> same;
        }
        LocalDate day = terms.sendDay(run.dueAt());
        return seer -> new Audience.Narrowed(
                named.in(tx, seer, day, terms, definitions),
                named.inTexts(tx, seer, day, terms, definitions.values()),
                named.seen(tx, seer, terms, definitions.values()));
    }

    /** @param isMade whether copies are; where it is given up, nobody is to see anything, which may be what failed */
    private Commission commission(Run run, boolean isMade) {
        List<RunStore.Source> pinned = database.inTransaction(tx -> runs.sources(tx, run.id()));
        Map<LoadId, Tables.Loaded> loaded = pinned.stream()
                .map(RunStore.Source::load)
                .distinct()
                .collect(Collectors.toMap(Function.identity(), tables::of));
        return database.inTransaction(tx -> {
            Subscription subscription =
                    subscriptions.find(tx, run.subscription()).orElseThrow();
            Terms terms = subscriptions
                    .version(tx, run.subscription(), run.subscriptionVersion())
                    .terms();
            Optional<LocalDate> since = continued.firstNewDay(tx, run.subscription(), terms);
            List<Definitions.Published> published = pinned.stream()
                    .map(source -> definitions.version(tx, source.report(), source.version()))
                    .toList();
            List<RunStore.Listed> recipients = runs.recipients(tx, run.id());
            List<DataSet> dataSets =
                    published.stream().map(Definitions.Published::dataSet).toList();
            List<List<Viewers.InForce>> rules =
                    dataSets.stream().map(each -> viewers.inForce(tx, each)).toList();
            SeenAs seenAs = ownerView.asDone(tx, terms, published);
            Terms going = terms.continuing(since);
            Map<DataSetId, String> names = new HashMap<>(named.dataSets(
                    tx,
                    terms,
                    published.stream().map(Definitions.Published::definition).toList()));
            dataSets.forEach(each -> names.put(each.id(), each.name()));
            List<View> views = isMade
                    ? audience.views(
                            tx,
                            run,
                            subscription,
                            seenAs,
                            rules,
                            personal.masked(tx, subscription.owner(), terms, published),
                            narrowed(tx, run, going, pinned, published),
                            recipients)
                    : List.of();
            List<Source> sources = new ArrayList<>();
            for (RunStore.Source source : pinned) {
                int i = sources.size();
                Tables.Loaded rows = loaded.get(source.load());
                Slicing slicing = new Slicing(rows.slicing().table(), views.size());
                sources.add(new Source(source, published.get(i), rows, slicing, rules.get(i)));
            }
            return new Commission(
                    run,
                    subscription,
                    going,
                    sources,
                    recipients,
                    views,
                    subscriptions.numbering(tx, run.subscription()),
                    run.trigger().isTrial() ? List.of() : runs.closedUnsealed(tx, run.subscription()),
                    since,
                    names,
                    clock.instant());
        });
    }
}
