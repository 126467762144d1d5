package mailshelf.server.data;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadTimes;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.Alarm;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.work.Loop;
import mailshelf.server.work.LoopHealth;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.DueLoads;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.data.TakenFile;
import mailshelf.store.source.WatchedFolder;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * Loads what is due by its time, by the business clock, and files that have arrived in watched folders, by looking. One
 * thread; the demo's clock drives the first from its own thread while it moves, under the same lock.
 */
@Component
public class LoadLoop implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LoadLoop.class);
    private static final Duration LOOK = Duration.ofSeconds(2);

    /** What failed by its time is tried again after a while, a few times; then at its next time. */
    public static final Duration AGAIN_AFTER = Duration.ofMinutes(10);

    private static final int MOST_TRIES = 3;

    private final LoadRows loadRows;
    private final FetchRows fetchRows;
    private final Database database;
    private final DataSetStore dataSets;
    private final DueLoads dueLoads;
    private final LoadClaims claims;
    private final WorkIsolation isolation;
    private final BusinessClock clock;
    private final InstantSource machineClock;
    private final ReentrantLock working = new ReentrantLock();

    /** Files that were seen and not taken yet, and since when each has been as it is; by the loop's own thread alone. */
    private final Map<DataSetId, Map<TakenFile, Instant>> seen = new HashMap<>();

    private final Loop loop;

    LoadLoop(
            LoadRows loadRows,
            FetchRows fetchRows,
            Database database,
            DataSetStore dataSets,
            DueLoads dueLoads,
            LoadClaims claims,
            WorkIsolation isolation,
            BusinessClock clock,
            InstantSource machineClock,
            LoopHealth health) {
        this.loadRows = loadRows;
        this.fetchRows = fetchRows;
        this.database = database;
        this.dataSets = dataSets;
        this.dueLoads = dueLoads;
        this.claims = claims;
        this.isolation = isolation;
        this.clock = clock;
        this.machineClock = machineClock;
        this.loop = health.watch(new Loop("load-loop", new Alarm(), this::look));
    }

    /** When something is loaded next; loads every so many minutes do not stop a moving clock before they are due. */
    public Optional<Instant> next() {
        Instant now = clock.instant();
        return database.inTransaction(tx -> {
            Set<DataSetId> mayBeTried = Set.copyOf(dueLoads.fromSources(tx, machineClock.instant()));
            return dataSets.fromSources(tx).stream()
                    .filter(dataSet -> mayBeTried.contains(dataSet.id()))
                    .flatMap(dataSet -> dueLoads
                            .next(tx, dataSet.id())
                            .filter(due ->
                                    !due.isAfter(now) || dataSet.plan().times().kind() != LoadTimes.Kind.EVERY)
                            .stream())
                    .min(Instant::compareTo);
        });
    }

    /** Loads all that is due by its time at this moment of the business clock, in the caller's thread. */
    public void drain() {
        working.lock();
        try {
            for (DataSetId id :
                    database.inTransaction(tx -> dueLoads.due(tx, clock.instant(), machineClock.instant()))) {
                loop.isAlive();
                isolation.attempt(WorkKind.LOAD, id, () -> claims.ifFree(id, () -> loadDue(dataSet(id))));
            }
        } finally {
            working.unlock();
        }
    }

    private DataSet dataSet(DataSetId id) {
        return database.inTransaction(tx -> dataSets.find(tx, id)).orElseThrow();
    }

    /** What was loaded and when it is next are kept together, or rows would be added again after a crash. */
    private void loadDue(DataSet dataSet) {
        Incoming rows = fetchRows.all(dataSet);
        load(dataSet, new Incoming() {
            @Override
            public void addTo(TableBuilder table) throws IOException {
                rows.addTo(table);
            }

            @Override
            public void recorded(Tx tx, Outcome outcome) {
                rows.recorded(tx, outcome);
                if (outcome != Outcome.BLOCKED) { // what is blocked stays due
                    dueLoads.plan(tx, dataSet.id(), next(tx, dataSet, outcome == Outcome.LOADED));
                }
            }
        });
    }

    private Optional<Instant> next(Tx tx, DataSet dataSet, boolean loaded) {
        Instant now = clock.instant();
        Optional<Instant> next = dataSet.plan().times().nextAfter(now);
        if (loaded || failuresInARow(tx, dataSet.id()) >= MOST_TRIES) {
            return next;
        }
        Instant again = now.plus(AGAIN_AFTER);
        return next.map(due -> due.isBefore(again) ? due : again);
    }

    private int failuresInARow(Tx tx, DataSetId id) {
        return (int) dataSets.attempts(tx, id, MOST_TRIES).stream()
                .takeWhile(LoadAttempt::hasFailed)
                .count();
    }

    /**
     * What fails is told where it is read; the loop goes on.
     *
     * @throws RuntimeException where the disk or the database is to blame: that concerns all loads alike, and passes
     */
    private void load(DataSet dataSet, Incoming incoming) {
        try {
            loadRows.run(Optional.empty(), dataSet, dataSet.plan().mode(), false, incoming);
        } catch (Problem e) {
            LOG.warn("A load of {} failed: {}", dataSet.id(), e.code());
        } catch (RuntimeException | IOException | StackOverflowError | LinkageError e) {
            if (e instanceof RuntimeException blocked && StoreException.isDisk(blocked)) {
                throw blocked;
            }
            LOG.warn("A load of {} failed", dataSet.id());
        }
    }

    private void lookForFiles() {
        List<DataSetId> fromSources = database.inTransaction(tx -> dueLoads.fromSources(tx, machineClock.instant()));
        seen.keySet().retainAll(fromSources);
        fromSources.forEach(id -> isolation.attempt(WorkKind.LOAD, id, () -> lookForFiles(id)));
    }

    private void lookForFiles(DataSetId id) {
        loop.isAlive();
        DataSet dataSet = dataSet(id);
        if (dataSet.plan().times().kind() != LoadTimes.Kind.ON_ARRIVAL) {
            return;
        }
        try {
            if (!settled(dataSet).isEmpty()) {
                claims.ifFree(id, () -> {
                    DataSet claimed = dataSet(id);
                    settled(claimed).forEach(file -> load(claimed, fetchRows.file(claimed, file)));
                });
            }
        } catch (Problem e) {
            LOG.warn("The folder of {} cannot be looked into: {}", id, e.code());
        }
    }

    /** The files that have arrived and not changed for a while; one that grows begins anew with each look. */
    private List<WatchedFolder.Found> settled(DataSet dataSet) {
        Instant now = machineClock.instant();
        Map<TakenFile, Instant> before = seen.getOrDefault(dataSet.id(), Map.of());
        Map<TakenFile, Instant> after = new HashMap<>();
        List<WatchedFolder.Found> arrived = fetchRows.arrived(dataSet);
        arrived.forEach(file -> after.put(file.state(), before.getOrDefault(file.state(), now)));
        seen.put(dataSet.id(), after);
        return arrived.stream()
                .filter(file ->
                        !after.get(file.state()).plus(WatchedFolder.SETTLING).isAfter(now))
                .toList();
    }

    private Duration look() {
        drain();
        lookForFiles();
        return LOOK;
    }

    @Override
    public void start() {
        loop.start();
    }

    /** A load under way is left alone: what it would make is recorded whole or not at all. */
    @Override
    public void stop() {
        loop.end();
    }

    @Override
    public boolean isRunning() {
        return loop.isRunning();
    }
}
