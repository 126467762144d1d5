package mailshelf.store.subscription;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.ApprovalId;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Shortened;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;

/** Which subscriptions wait for somebody to approve them, and which were approved. */
public final class ApprovalStore {
    private static final String APPROVAL =
            "SELECT id, subscription, version, at, state, answered_by, reply FROM approval";

    private static Approval approval(Row row) {
        return new Approval(
                new ApprovalId(row.number("id")),
                new SubscriptionId(row.number("subscription")),
                row.integer("version"),
                row.instant("at"),
                row.choice("state", Approval.State.class),
                row.optionalNumber("answered_by").map(PersonId::new),
                row.text("reply"));
    }

    /** Takes the place of what was asked for earlier versions and is not answered. */
    public ApprovalId ask(Tx tx, SubscriptionId subscription, int version, Instant now) {
        withdraw(tx, subscription);
        return new ApprovalId(tx.insert("""
                INSERT INTO approval (subscription, version, at, state, reply)
                VALUES (?, ?, ?, 'OPEN', '')""", subscription, version, now));
    }

    public void withdraw(Tx tx, SubscriptionId subscription) {
        tx.update("UPDATE approval SET state = 'WITHDRAWN' WHERE subscription = ? AND state = 'OPEN'", subscription);
    }

    public Optional<Approval> find(Tx tx, ApprovalId id) {
        return tx.one(APPROVAL + " WHERE id = ?", ApprovalStore::approval, id);
    }

    /** Those of a subscription in a state, the newest first. */
    public List<Approval> of(Tx tx, SubscriptionId subscription, Approval.State state) {
        return tx.listReadable(
                APPROVAL + " WHERE subscription = ? AND state = ? ORDER BY id DESC",
                ApprovalStore::approval,
                subscription,
                state);
    }

    /** Open ones first, the oldest of them at the top; then those that were answered last. */
    public List<Approval> newest(Tx tx, int most) {
        return tx.listReadable(
                APPROVAL + " WHERE state <> 'WITHDRAWN'"
                        + " ORDER BY CASE state WHEN 'OPEN' THEN id END NULLS LAST, answered_at DESC"
                        + " FETCH FIRST ? ROWS ONLY",
                ApprovalStore::approval,
                most);
    }

    /**
     * False when somebody has answered it already.
     *
     * @param columns the personal columns that were seen when it was answered
     */
    public boolean answer(
            Tx tx, ApprovalId id, Approval.State state, PersonId by, String reply, List<String> columns, Instant now) {
        boolean first = tx.update("""
                        UPDATE approval SET state = ?, answered_by = ?, reply = ?, answered_at = ?
                         WHERE id = ? AND state = 'OPEN'""", state, by, reply, now, id) == 1;
        if (first) {
            tx.updateEach(
                    "INSERT INTO approval_column (approval, name) VALUES (?, ?)",
                    columns.stream()
                            .map(column -> new Object[] {id, Shortened.to(Widths.RECORDED_NAME, column)})
                            .toList());
        }
        return first;
    }

    /** The personal columns that were seen when it was answered. */
    public Set<String> columns(Tx tx, ApprovalId id) {
        return Set.copyOf(tx.list("SELECT name FROM approval_column WHERE approval = ?", row -> row.text("name"), id));
    }

    /** All that were approved. */
    public List<Approval> approved(Tx tx) {
        return tx.listReadable(APPROVAL + " WHERE state = 'APPROVED'", ApprovalStore::approval);
    }

    /** It was approved, and holds no more. */
    public void lapse(Tx tx, ApprovalId id) {
        tx.update("UPDATE approval SET state = 'WITHDRAWN' WHERE id = ? AND state = 'APPROVED'", id);
    }
}
