package mailshelf.server.delivery;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Stream;
import mailshelf.core.condition.FreshData;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.subscription.Terms;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.LoadLoop;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.DueLoads;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Step between booking and making, for runs that begin with a load or wait for one: has loads made, looks whether they are,
 * and pins the run to them, or to those before where waiting any longer is not asked for.
 */
@Component
public class AwaitData {
    /** A load that was asked for and has not been made by then is taken as failed. */
    private static final Duration LONGEST_LOAD = Duration.ofHours(1);

    private final Database database;
    private final BusinessClock clock;
    private final RunStore runs;
    private final SubscriptionStore subscriptions;
    private final DataSetStore dataSets;
    private final DueLoads dueLoads;
    private final PinData pinData;
    private final FaultPoint faultPoint;
    private final WorkIsolation isolation;
    private final InstantSource machineClock;

    /**
     * Data that a run waits for.
     *
     * @param failed the last load, where that failed; empty while one is under way
     * @param until when it is waited for no longer
     * @param then what becomes of the issue then
     */
    public record Awaited(DataSet dataSet, Optional<LoadAttempt> failed, Instant until, FreshData.IfStale then) {}

    AwaitData(
            Database database,
            BusinessClock clock,
            RunStore runs,
            SubscriptionStore subscriptions,
            DataSetStore dataSets,
            DueLoads dueLoads,
            PinData pinData,
            FaultPoint faultPoint,
            WorkIsolation isolation,
            InstantSource machineClock) {
        this.database = database;
        this.clock = clock;
        this.runs = runs;
        this.subscriptions = subscriptions;
        this.dataSets = dataSets;
        this.dueLoads = dueLoads;
        this.pinData = pinData;
        this.faultPoint = faultPoint;
        this.isolation = isolation;
        this.machineClock = machineClock;
    }

    /**
     * What is asked of data for a run: whoever sends by hand does not wait for a load that may never come, and a trial for
     * none.
     */
    static FreshData asked(Terms terms, Trigger trigger) {
        FreshData asked = terms.asksOfData();
        return switch (trigger.kind()) {
            case SCHEDULE, LOAD -> asked;
            case BY_HAND -> new FreshData(asked.loadFirst(), 0, FreshData.IfStale.SEND);
            case TRIAL -> FreshData.AS_THEY_ARE;
        };
    }

    /** The sources of a run that may have to wait, with loads asked for where it begins with them. */
    List<RunStore.Source> begun(Tx tx, FreshData asked, List<RunStore.Source> sources, Instant now) {
        if (!asked.loadFirst()) {
            return sources;
        }
        return sources.stream()
                .map(source -> {
                    DataSet dataSet = pinData.dataSet(tx, source);
                    if (!dataSet.plan().canBeAskedFor()) {
                        return source;
                    }
                    dueLoads.ask(tx, dataSet.id(), now);
                    return source.after(dataSets.newestAttempt(tx, dataSet.id()).orElseThrow());
                })
                .toList();
    }

    /** Goes on with runs that need not wait any longer; true if there were any. */
    boolean step() {
        AtomicBoolean any = new AtomicBoolean();
        for (RunId id : database.inTransaction(tx -> runs.waiting(tx, machineClock.instant()))) {
            isolation.attempt(WorkKind.AWAIT, id, () -> {
                boolean ready = database.inTransaction(tx -> goOn(tx, run(tx, id)));
                if (ready) {
                    faultPoint.behind(Arrow.DATA_PINNED);
                    any.set(true);
                }
            });
        }
        return any.get();
    }

    private Run run(Tx tx, RunId id) {
        return runs.find(tx, id).orElseThrow();
    }

    private boolean goOn(Tx tx, Run run) {
        Instant now = clock.instant();
        List<Awaited> awaited = awaited(tx, run);
        if (awaited.isEmpty()) {
            return runs.ready(tx, run.id(), pinData.anew(tx, runs.sources(tx, run.id())));
        }
        awaited.stream()
                .filter(each -> each.dataSet().plan().canBeAskedFor()
                        && each.failed()
                                .filter(last -> !again(last).isAfter(now))
                                .isPresent())
                .forEach(each -> dueLoads.ask(tx, each.dataSet().id(), now));
        return false;
    }

    /** What a run waits for at this moment; nothing where it need not any more. */
    public List<Awaited> awaited(Tx tx, Run run) {
        Terms terms = subscriptions
                .version(tx, run.subscription(), run.subscriptionVersion())
                .terms();
        FreshData asked = asked(terms, run.trigger());
        return runs.sources(tx, run.id()).stream()
                .flatMap(source -> awaited(tx, run, asked, source).stream())
                .distinct()
                .toList();
    }

    private Optional<Awaited> awaited(Tx tx, Run run, FreshData asked, RunStore.Source source) {
        DataSet dataSet = pinData.dataSet(tx, source);
        Optional<LoadAttempt> failed = dataSets.failedLast(tx, dataSet.id());
        boolean underWay =
                source.before().isPresent() && source.before().equals(dataSets.newestAttempt(tx, dataSet.id()));
        Duration waits = Duration.ofHours(asked.waitHours());
        Awaited wanted = underWay
                ? new Awaited(
                        dataSet, Optional.empty(), run.bookedAt().plus(longer(waits, LONGEST_LOAD)), asked.ifStale())
                : new Awaited(dataSet, failed, run.bookedAt().plus(waits), asked.ifStale());
        boolean waitsStill = (underWay || failed.isPresent()) && clock.instant().isBefore(wanted.until());
        return waitsStill ? Optional.of(wanted) : Optional.empty();
    }

    private static Duration longer(Duration one, Duration other) {
        return one.compareTo(other) > 0 ? one : other;
    }

    private static Instant again(LoadAttempt failed) {
        return failed.at().plus(LoadLoop.AGAIN_AFTER);
    }

    /** When something is to be done by time alone for those that wait: their end, or another try to load. */
    Optional<Instant> nextDue() {
        List<RunId> waiting = database.inTransaction(tx -> runs.waiting(tx, machineClock.instant()));
        return waiting.stream().flatMap(id -> nextDue(id).stream()).min(Instant::compareTo);
    }

    /** Nothing for one that cannot be looked at: {@link #step} says so. */
    private Optional<Instant> nextDue(RunId id) {
        try {
            return database.inTransaction(tx -> nextDue(tx, run(tx, id)));
        } catch (RuntimeException e) {
            if (StoreException.isDisk(e)) {
                throw e;
            }
            return Optional.empty();
        }
    }

    private Optional<Instant> nextDue(Tx tx, Run run) {
        return awaited(tx, run).stream()
                .flatMap(each -> Stream.concat(
                        Stream.of(each.until()),
                        each
                                .failed()
                                .filter(last -> each.dataSet().plan().canBeAskedFor())
                                .map(AwaitData::again)
                                .stream()))
                .min(Instant::compareTo);
    }
}
