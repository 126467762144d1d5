package mailshelf.store.work;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.delivery.RunId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Shortened;
import mailshelf.core.work.WorkFailure;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;

/** Units of work that failed unexpectedly and wait for another try, or are set aside. */
public final class WorkFailureStore {
    private static final String FAILURE = "SELECT kind, unit, failures, failed_at, next_try, reason FROM work_failure";

    private static WorkFailure failure(Row row) {
        return new WorkFailure(
                row.choice("kind", WorkKind.class),
                row.number("unit"),
                row.integer("failures"),
                row.instant("failed_at"),
                row.optionalInstant("next_try"),
                row.text("reason"));
    }

    /**
     * Condition that a unit does not wait for a later try and is not set aside; takes this moment of the machine's clock as
     * its one value.
     *
     * @param id SQL that names the unit's id
     */
    public static String mayBeTried(WorkKind kind, String id) {
        return " NOT EXISTS (SELECT 1 FROM work_failure f WHERE f.kind = '" + kind.name() + "' AND f.unit = " + id
                + " AND (f.next_try IS NULL OR f.next_try > ?)) ";
    }

    public Optional<WorkFailure> find(Tx tx, WorkKind kind, long unit) {
        return tx.one(FAILURE + " WHERE kind = ? AND unit = ?", WorkFailureStore::failure, kind, unit);
    }

    /** All that are set aside, the newest first. */
    public List<WorkFailure> setAside(Tx tx) {
        return tx.list(
                FAILURE + " WHERE next_try IS NULL ORDER BY failed_at DESC, kind, unit", WorkFailureStore::failure);
    }

    /** When the next of all is tried again by itself, by the machine's clock. */
    public Optional<Instant> nextTry(Tx tx) {
        return tx.one("SELECT MIN(next_try) AS at FROM work_failure", row -> row.optionalInstant("at"))
                .flatMap(at -> at);
    }

    /** Takes the place of the unit's failure before. */
    public void record(Tx tx, WorkFailure failure) {
        forget(tx, failure.kind(), failure.unit());
        tx.update(
                "INSERT INTO work_failure (kind, unit, failures, failed_at, next_try, reason) VALUES (?, ?, ?, ?, ?, ?)",
                failure.kind(),
                failure.unit(),
                failure.failures(),
                failure.failedAt(),
                failure.nextTry(),
                Shortened.to(Widths.REASON, failure.reason()));
    }

    public void forget(Tx tx, WorkKind kind, long unit) {
        tx.update("DELETE FROM work_failure WHERE kind = ? AND unit = ?", kind, unit);
    }

    /**
     * Has a unit that is set aside tried again from now on, with all its pauses.
     *
     * @return false where it is not set aside
     */
    public boolean tryAgain(Tx tx, WorkKind kind, long unit, Instant now) {
        return tx.update(
                        "UPDATE work_failure SET failures = 0, next_try = ? WHERE kind = ? AND unit = ? AND next_try IS NULL",
                        now,
                        kind,
                        unit)
                == 1;
    }

    /** The subscription that a unit belongs to; empty where it belongs to none, or is gone. */
    public Optional<SubscriptionId> subscription(Tx tx, WorkKind kind, long unit) {
        return switch (kind) {
            case BOOK -> Optional.of(new SubscriptionId(unit));
            case AWAIT, MAKE, CLOSE ->
                found(tx, "SELECT subscription AS id FROM run WHERE id = ?", unit)
                        .map(SubscriptionId::new);
            case SEND -> run(tx, kind, unit).flatMap(run -> subscription(tx, WorkKind.MAKE, run.value()));
            case NOTIFY, LOAD, CHECK_SOURCE -> Optional.empty();
        };
    }

    /** The run that a unit belongs to; empty where it belongs to none, or is gone. */
    public Optional<RunId> run(Tx tx, WorkKind kind, long unit) {
        return switch (kind) {
            case AWAIT, MAKE, CLOSE -> Optional.of(new RunId(unit));
            case SEND ->
                found(tx, "SELECT run AS id FROM delivery WHERE id = ?", unit).map(RunId::new);
            case BOOK, NOTIFY, LOAD, CHECK_SOURCE -> Optional.empty();
        };
    }

    /** Who owns the subscription or the data set that a unit belongs to. Reads no more, as that may be what is unreadable. */
    public Optional<PersonId> owner(Tx tx, WorkKind kind, long unit) {
        Optional<Long> owner = kind == WorkKind.LOAD
                ? found(tx, "SELECT owner AS id FROM data_set WHERE id = ?", unit)
                : subscription(tx, kind, unit)
                        .flatMap(id -> found(tx, "SELECT owner AS id FROM subscription WHERE id = ?", id.value()));
        return owner.map(PersonId::new);
    }

    private static Optional<Long> found(Tx tx, String query, long unit) {
        return tx.one(query, row -> row.number("id"), unit);
    }
}
