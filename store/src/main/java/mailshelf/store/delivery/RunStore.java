package mailshelf.store.delivery;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.audience.Recipient;
import mailshelf.core.data.AttemptId;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunRecipientId;
import mailshelf.core.delivery.RunState;
import mailshelf.core.delivery.Trigger;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Shortened;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;
import mailshelf.store.work.WorkFailureStore;

/** Runs, the recipients frozen with each, and the leases under which they are worked on. */
public final class RunStore {
    private static final String RUN = """
            SELECT id, subscription, trigger_kind, trigger_key, asked_by, due_at, subscription_version,
                   state, outcome, reason, attempt, booked_at, closed_at
              FROM run
            """;

    /** A recipient as kept with a run. */
    public record Listed(RunRecipientId id, Recipient recipient) {}

    /**
     * What a run is pinned to when it is booked.
     *
     * @param state that it begins in: one that waits is pinned to loads anew once it need not any more
     */
    public record Pinned(int subscriptionVersion, List<Source> sources, RunState state) {
        public Pinned {
            sources = List.copyOf(sources);
        }
    }

    /**
     * A version of a report, and the load that its figures are made from.
     *
     * @param before the newest try to load its data when another was asked for; empty where none was
     * @param failedAt when the load after that had failed
     */
    public record Source(
            ReportId report, int version, LoadId load, Optional<AttemptId> before, Optional<Instant> failedAt) {
        /** Loaded anew before it is shown. */
        public Source after(AttemptId newest) {
            return new Source(report, version, load, Optional.of(newest), failedAt);
        }

        public Source pinned(LoadId to, Optional<Instant> failed) {
            return new Source(report, version, to, before, failed);
        }
    }

    private static Run run(Row row) {
        return new Run(
                new RunId(row.number("id")),
                new SubscriptionId(row.number("subscription")),
                new Trigger(row.choice("trigger_kind", Trigger.Kind.class), row.text("trigger_key")),
                row.optionalNumber("asked_by").map(PersonId::new),
                row.instant("due_at"),
                row.integer("subscription_version"),
                row.choice("state", RunState.class),
                row.choice("outcome", RunOutcome.class),
                row.text("reason"),
                row.integer("attempt"),
                row.instant("booked_at"),
                row.optionalInstant("closed_at"));
    }

    public Optional<Run> find(Tx tx, RunId id) {
        return tx.one(RUN + " WHERE id = ?", RunStore::run, id);
    }

    public List<Run> ofSubscription(Tx tx, SubscriptionId id, int most) {
        return tx.listReadable(
                RUN + " WHERE subscription = ? ORDER BY id DESC FETCH FIRST ? ROWS ONLY", RunStore::run, id, most);
    }

    /** The run that this trigger has started already, if it has. */
    public Optional<RunId> booked(Tx tx, SubscriptionId subscription, Trigger trigger) {
        return tx.one(
                "SELECT id FROM run WHERE subscription = ? AND trigger_kind = ? AND trigger_key = ?",
                row -> new RunId(row.number("id")),
                subscription,
                trigger.kind(),
                trigger.key());
    }

    /** Books a run with its recipients; booking the same trigger twice gives the first run. */
    public RunId book(
            Tx tx,
            SubscriptionId subscription,
            Trigger trigger,
            Optional<PersonId> askedBy,
            Instant dueAt,
            Pinned pinned,
            List<Recipient> recipients,
            Instant now) {
        Optional<RunId> already = booked(tx, subscription, trigger);
        if (already.isPresent()) {
            return already.get();
        }
        RunId id = new RunId(tx.insert(
                """
                INSERT INTO run (subscription, trigger_kind, trigger_key, asked_by, due_at, subscription_version,
                                 state, outcome, reason, attempt, booked_at)
                VALUES (?, ?, ?, ?, ?, ?, ?, 'OPEN', '', 0, ?)""",
                subscription,
                trigger.kind(),
                trigger.key(),
                askedBy,
                dueAt,
                pinned.subscriptionVersion(),
                pinned.state(),
                now));
        List<Object[]> sources = new ArrayList<>();
        for (Source source : pinned.sources()) {
            sources.add(new Object[] {
                id, sources.size(), source.report(), source.version(), source.load(), source.before(), source.failedAt()
            });
        }
        tx.updateEach("""
                INSERT INTO run_source (run, no, report, report_version, load, attempt_before, failed_at)
                VALUES (?, ?, ?, ?, ?, ?, ?)""", sources);
        tx.updateEach(
                "INSERT INTO run_recipient (run, person, name, address, inclusion) VALUES (?, ?, ?, ?, ?)",
                recipients.stream()
                        .map(recipient -> new Object[] {
                            id, recipient.person(), recipient.name(), recipient.address(), recipient.inclusion()
                        })
                        .toList());
        return id;
    }

    /** What a run is made from, in the order of its terms. */
    public List<Source> sources(Tx tx, RunId run) {
        return tx.list(
                """
                SELECT report, report_version, load, attempt_before, failed_at
                  FROM run_source
                 WHERE run = ?
                 ORDER BY no""",
                row -> new Source(
                        new ReportId(row.number("report")),
                        row.integer("report_version"),
                        new LoadId(row.number("load")),
                        row.optionalNumber("attempt_before").map(AttemptId::new),
                        row.optionalInstant("failed_at")),
                run);
    }

    /** Those that wait for their data, in the order they fell due; without those that failed and wait for another try. */
    public List<RunId> waiting(Tx tx, Instant machineNow) {
        return tx.list(
                "SELECT id FROM run WHERE state = 'WAITING' AND "
                        + WorkFailureStore.mayBeTried(WorkKind.AWAIT, "run.id") + "ORDER BY due_at, id",
                row -> new RunId(row.number("id")),
                machineNow);
    }

    /**
     * A run that waited is pinned to loads, and to be made.
     *
     * @return false when another worker has done so
     */
    public boolean ready(Tx tx, RunId id, List<Source> sources) {
        boolean mine = tx.update("UPDATE run SET state = 'DUE' WHERE id = ? AND state = 'WAITING'", id) == 1;
        if (mine) {
            List<Object[]> pins = new ArrayList<>();
            for (Source source : sources) {
                pins.add(new Object[] {source.load(), source.failedAt(), id, pins.size()});
            }
            tx.updateEach("UPDATE run_source SET load = ?, failed_at = ? WHERE run = ? AND no = ?", pins);
        }
        return mine;
    }

    /** When it last fell due by a trigger of a kind. */
    public Optional<Instant> lastDue(Tx tx, SubscriptionId subscription, Trigger.Kind kind) {
        return tx.one(
                        "SELECT MAX(due_at) AS due FROM run WHERE subscription = ? AND trigger_kind = ?",
                        row -> row.optionalInstant("due"),
                        subscription,
                        kind)
                .flatMap(due -> due);
    }

    public List<Listed> recipients(Tx tx, RunId run) {
        return tx.list(
                "SELECT id, person, name, address, inclusion FROM run_recipient WHERE run = ? ORDER BY id",
                row -> new Listed(
                        new RunRecipientId(row.number("id")),
                        new Recipient(
                                new PersonId(row.number("person")),
                                row.text("name"),
                                row.text("address"),
                                row.choice("inclusion", Recipient.Inclusion.class))),
                run);
    }

    /**
     * Takes runs to be made that nobody works on, in the order they fell due, and counts the attempt.
     *
     * @param now by the machine's clock, as leases are
     */
    public List<RunId> claimDue(Tx tx, Lease lease, Instant now, int most) {
        return claim(tx, lease, "state = 'DUE' AND " + WorkFailureStore.mayBeTried(WorkKind.MAKE, "run.id"), now, most);
    }

    /** Takes runs whose deliveries have all come to an end, to be closed. */
    public List<RunId> claimReadyToClose(Tx tx, Lease lease, Instant now, int most) {
        String ready = """
                state = 'SENDING'
                AND NOT EXISTS (SELECT 1 FROM delivery d
                                 WHERE d.run = run.id AND d.state IN ('WAITING', 'TRYING_AGAIN'))
                AND""" + WorkFailureStore.mayBeTried(WorkKind.CLOSE, "run.id");
        return claim(tx, lease, ready, now, most);
    }

    private static List<RunId> claim(Tx tx, Lease lease, String ready, Instant now, int most) {
        String wanted = ready + " AND (not_before IS NULL OR not_before <= ?)";
        List<RunId> free = tx.list(
                "SELECT id FROM run WHERE " + wanted + " AND " + Lease.FREE
                        + " ORDER BY due_at, id FETCH FIRST ? ROWS ONLY",
                row -> new RunId(row.number("id")),
                now,
                now,
                lease.owner(),
                most);
        List<RunId> claimed = new ArrayList<>();
        for (RunId id : free) {
            int mine = tx.update(
                    "UPDATE run SET lease_owner = ?, attempt = attempt + 1 WHERE id = ? AND " + wanted + " AND "
                            + Lease.FREE,
                    lease.owner(),
                    id,
                    now,
                    now,
                    lease.owner());
            if (mine == 1) {
                claimed.add(id);
            }
        }
        return claimed;
    }

    /** False when the lease was lost to another worker, which then has the last word. */
    public boolean move(Tx tx, Run run, String owner, RunState to, RunOutcome outcome, String reason, Instant now) {
        return tx.update(
                        """
                        UPDATE run
                           SET state = ?, outcome = ?, reason = ?, closed_at = ?, lease_owner = NULL,
                               not_before = NULL, attempt = 0
                         WHERE id = ? AND state = ? AND attempt = ?
                           AND (lease_owner = ? OR lease_owner IS NULL)""",
                        to,
                        outcome,
                        Shortened.to(Widths.REASON, reason),
                        to == RunState.CLOSED ? Optional.of(now) : Optional.empty(),
                        run.id(),
                        run.state(),
                        run.attempt(),
                        owner)
                == 1;
    }

    /** Gives a run back, to be claimed again by the machine's clock. */
    public void release(Tx tx, RunId run, String owner, Instant notBefore) {
        tx.update(
                "UPDATE run SET lease_owner = NULL, not_before = ? WHERE id = ? AND lease_owner = ?",
                notBefore,
                run,
                owner);
    }

    /** A closed run whose deliveries were asked to be tried again is open again. */
    public void reopen(Tx tx, RunId id) {
        tx.update(
                "UPDATE run SET state = 'SENDING', outcome = 'OPEN', closed_at = NULL WHERE id = ? AND state = 'CLOSED'",
                id);
    }

    /** Numbers of the loads of a data set that runs are pinned to whose issues are not made yet. */
    public Set<Integer> loadsToBeMadeFrom(Tx tx, DataSetId dataSet) {
        return Set.copyOf(tx.list("""
                SELECT DISTINCT l.no
                  FROM run r
                  JOIN run_source s ON s.run = r.id
                  JOIN load l ON l.id = s.load
                 WHERE r.state IN ('WAITING', 'DUE') AND l.data_set = ?""", row -> row.integer("no"), dataSet));
    }

    /** Keeps the checksum of a run's newest receipts, which no manifest names yet. */
    public void receipts(Tx tx, RunId id, String sha256) {
        tx.update("UPDATE run SET receipts_sha = ?, receipts_sealed = NULL WHERE id = ?", sha256, id);
    }

    /** Receipts of a subscription's issues and trials that no manifest names yet, in the order of their runs. */
    public List<Manifest.Closed> closedUnsealed(Tx tx, SubscriptionId subscription) {
        return tx.list(
                """
                SELECT i.manifest_sha, r.receipts_sha
                  FROM run r
                  JOIN issue i ON i.run = r.id
                 WHERE r.subscription = ? AND r.receipts_sha IS NOT NULL AND r.receipts_sealed IS NULL
                 ORDER BY r.id""", row -> new Manifest.Closed(row.text("manifest_sha"), row.text("receipts_sha")), subscription);
    }

    /** The manifest of an issue names these from now on. */
    public void sealed(Tx tx, SubscriptionId subscription, List<Manifest.Closed> closed, int number) {
        tx.updateEach(
                "UPDATE run SET receipts_sealed = ? WHERE subscription = ? AND receipts_sha = ?",
                closed.stream()
                        .map(each -> new Object[] {number, subscription, each.sha256()})
                        .toList());
    }

    /** The newest receipts of all closed runs. */
    public Set<String> allReceipts(Tx tx) {
        return Set.copyOf(tx.list(
                "SELECT receipts_sha FROM run WHERE receipts_sha IS NOT NULL", row -> row.text("receipts_sha")));
    }

    /** How many runs are not closed. */
    public long open(Tx tx) {
        return tx.count("SELECT COUNT(*) AS n FROM run WHERE state <> 'CLOSED'");
    }
}
