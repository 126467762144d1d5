package mailshelf.server.work;

import java.time.Instant;
import java.time.InstantSource;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.Id;
import mailshelf.core.Problem;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkFailure;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.BusinessClock;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.work.WorkFailureStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Does work unit by unit, so that one that fails unexpectedly concerns itself alone: it is tried again after growing pauses
 * and then set aside, with its reason, until somebody asks for another try. Thread-safe.
 */
@Component
public class WorkIsolation {
    private static final Logger LOG = LoggerFactory.getLogger(WorkIsolation.class);

    private final Database database;
    private final WorkFailureStore failures;
    private final TellSetAside tell;
    private final FailingUnit failingUnit;
    private final BusinessClock clock;
    private final InstantSource machineClock;
    private final Words house = Words.in(Locale.ENGLISH);

    /** What came of a unit. */
    public enum Outcome {
        DONE,
        TRIED_AGAIN,
        SET_ASIDE
    }

    WorkIsolation(
            Database database,
            WorkFailureStore failures,
            TellSetAside tell,
            FailingUnit failingUnit,
            BusinessClock clock,
            InstantSource machineClock) {
        this.database = database;
        this.failures = failures;
        this.tell = tell;
        this.failingUnit = failingUnit;
        this.clock = clock;
        this.machineClock = machineClock;
    }

    /**
     * Does a unit of work, once.
     *
     * @throws StoreException where the disk or the database is to blame: that concerns all units alike, and passes
     */
    public Outcome attempt(WorkKind kind, Id unit, Runnable work) {
        try {
            failingUnit.failIfItIs(kind, unit.value());
            work.run();
        } catch (OutOfMemoryError e) {
            throw e; // the process ends
        } catch (RuntimeException | Error e) {
            return failed(kind, unit, e);
        }
        forget(kind, unit);
        return Outcome.DONE;
    }

    /**
     * Records that a unit has failed, for work that is not done in one piece.
     *
     * @throws StoreException where the disk or the database is to blame
     */
    public Outcome failed(WorkKind kind, Id unit, Throwable failure) {
        if (StoreException.isDisk(failure)) {
            throw failure instanceof RuntimeException e ? e : new IllegalStateException(failure);
        }
        LOG.error("{} of {} failed", kind, unit.value(), failure);
        Instant now = machineClock.instant();
        WorkFailure recorded = database.inTransaction(tx -> {
            int before = failures.find(tx, kind, unit.value())
                    .map(WorkFailure::failures)
                    .orElse(0);
            // what a problem tells has to be put right by somebody: trying again by itself does not help
            Optional<Instant> next = failure instanceof Problem
                    ? Optional.empty()
                    : failingUnit.pauses().nextTry(before + 1, now);
            WorkFailure newest =
                    new WorkFailure(kind, unit.value(), before + 1, clock.instant(), next, reason(failure));
            failures.record(tx, newest);
            return newest;
        });
        if (!recorded.isSetAside()) {
            return Outcome.TRIED_AGAIN;
        }
        tell.those(recorded);
        return Outcome.SET_ASIDE;
    }

    /** It has been done, or need not be any more. */
    public void forget(WorkKind kind, Id unit) {
        boolean failedBefore = database.inTransaction(tx -> failures.find(tx, kind, unit.value()))
                .isPresent();
        if (failedBefore) {
            database.doInTransaction(tx -> failures.forget(tx, kind, unit.value()));
        }
    }

    /** What a problem says; of anything else the kind alone, since its message may tell what not everybody may know. */
    private String reason(Throwable failure) {
        return failure instanceof Problem problem
                ? problem.sentences(house).get(0)
                : house.say("set-aside.unexpected", failure.getClass().getSimpleName());
    }
}
