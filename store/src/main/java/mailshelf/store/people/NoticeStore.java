package mailshelf.store.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.delivery.NoticeId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Shortened;
import mailshelf.core.work.WorkKind;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;
import mailshelf.store.delivery.Lease;
import mailshelf.store.work.WorkFailureStore;

/** Short mails that tell one person about his own things, kept until a server has taken them over. */
public final class NoticeStore {
    /**
     * A notice that waits.
     *
     * @param address where it goes instead of its person's address
     */
    public record Notice(
            NoticeId id,
            PersonId person,
            Optional<String> address,
            String subject,
            String body,
            Instant at,
            int attempts) {}

    private static Notice notice(Row row) {
        return new Notice(
                new NoticeId(row.number("id")),
                new PersonId(row.number("person")),
                row.optionalText("address"),
                row.text("subject"),
                row.text("body"),
                row.instant("at"),
                row.integer("attempts"));
    }

    /** @param address where it goes instead of the person's address */
    public void insert(Tx tx, PersonId person, Optional<String> address, String subject, String body, Instant now) {
        tx.insert(
                "INSERT INTO notice (person, address, subject, body, at, attempts, next_try) VALUES (?, ?, ?, ?, ?, 0, ?)",
                person,
                address,
                Shortened.to(Widths.SUBJECT, subject),
                body,
                now,
                now);
    }

    public Optional<Notice> find(Tx tx, NoticeId id) {
        return tx.one(
                "SELECT id, person, address, subject, body, at, attempts FROM notice WHERE id = ?",
                NoticeStore::notice,
                id);
    }

    /**
     * Takes notices that are due, each for one worker.
     *
     * @param machineNow by which those wait that failed unexpectedly
     */
    public List<NoticeId> claim(Tx tx, Lease lease, Instant now, Instant machineNow, int most) {
        List<NoticeId> due = tx.list(
                "SELECT id FROM notice WHERE next_try <= ? AND " + Lease.FREE + " AND "
                        + WorkFailureStore.mayBeTried(WorkKind.NOTIFY, "notice.id")
                        + "ORDER BY id FETCH FIRST ? ROWS ONLY",
                row -> new NoticeId(row.number("id")),
                now,
                lease.owner(),
                machineNow,
                most);
        return due.stream()
                .filter(id -> tx.update(
                                "UPDATE notice SET lease_owner = ? WHERE id = ? AND " + Lease.FREE,
                                lease.owner(),
                                id,
                                lease.owner())
                        == 1)
                .toList();
    }

    /** Whether it is still this worker's, who is taken for alive. */
    public boolean isHeld(Tx tx, NoticeId id, String owner) {
        return tx.count("SELECT COUNT(*) AS n FROM notice WHERE id = ? AND " + Lease.HELD, id, owner) == 1;
    }

    /** Gives one back: it may be claimed again. */
    public void letGo(Tx tx, NoticeId id, String owner) {
        tx.update("UPDATE notice SET lease_owner = NULL WHERE id = ? AND lease_owner = ?", id, owner);
    }

    /** @param nextTry empty once it has come to an end; then its text goes too, since it may hold a link */
    public void tried(Tx tx, NoticeId id, Optional<Instant> nextTry) {
        tx.update(
                "UPDATE notice SET attempts = attempts + 1, next_try = ?, lease_owner = NULL WHERE id = ?",
                nextTry,
                id);
        if (nextTry.isEmpty()) {
            tx.update("UPDATE notice SET body = '' WHERE id = ?", id);
        }
    }
}
