package mailshelf.store.subscription;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.ApprovalId;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.store.Row;
import mailshelf.store.Tx;

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

    /** False when somebody has answered it already. */
    public boolean answer(Tx tx, ApprovalId id, Approval.State state, PersonId by, String reply, Instant now) {
        return tx.update("""
                        UPDATE approval SET state = ?, answered_by = ?, reply = ?, answered_at = ?
                         WHERE id = ? AND state = 'OPEN'""", state, by, reply, now, id) == 1;
    }
}
