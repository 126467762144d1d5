package mailshelf.store.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Shortened;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;
import mailshelf.store.delivery.Lease;

/** Short mails that tell one person about his own things, kept until a server has taken them over. */
public final class NoticeStore {
    /** A notice that waits. */
    public record Notice(long id, PersonId person, String subject, String body, Instant at, int attempts) {}

    private static Notice notice(Row row) {
        return new Notice(
                row.number("id"),
                new PersonId(row.number("person")),
                row.text("subject"),
                row.text("body"),
                row.instant("at"),
                row.integer("attempts"));
    }

    public void insert(Tx tx, PersonId person, String subject, String body, Instant now) {
        tx.insert(
                "INSERT INTO notice (person, subject, body, at, attempts, next_try) VALUES (?, ?, ?, ?, 0, ?)",
                person,
                Shortened.to(Widths.SUBJECT, subject),
                body,
                now,
                now);
    }

    /** Takes notices that are due, each for one worker. */
    public List<Notice> claim(Tx tx, Lease lease, Instant now, int most) {
        return tx.list("""
                        SELECT id, person, subject, body, at, attempts FROM notice
                         WHERE next_try <= ? AND\s""" + Lease.FREE + """

                         ORDER BY id
                         FETCH FIRST ? ROWS ONLY""", NoticeStore::notice, now, lease.aliveSince(), most).stream()
                .filter(notice -> tx.update(
                                "UPDATE notice SET lease_owner = ? WHERE id = ? AND " + Lease.FREE,
                                lease.owner(),
                                notice.id(),
                                lease.aliveSince())
                        == 1)
                .toList();
    }

    /** @param nextTry empty once it has come to an end; then its text goes too, since it may hold a link */
    public void tried(Tx tx, long id, Optional<Instant> nextTry) {
        tx.update(
                "UPDATE notice SET attempts = attempts + 1, next_try = ?, lease_owner = NULL WHERE id = ?",
                nextTry,
                id);
        if (nextTry.isEmpty()) {
            tx.update("UPDATE notice SET body = '' WHERE id = ?", id);
        }
    }
}
