package mailshelf.store.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Sha256;
import mailshelf.core.wording.Shortened;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;

/** Who is signed in where, by the machine's clock; of a session's token only the checksum is kept. */
public final class SessionStore {
    private static final String SESSION = "SELECT id, person, begun_at, seen_at, from_address, agent FROM session";

    /**
     * One sign-in that still holds.
     *
     * @param seenAt when it was last used, give or take a minute
     * @param from the address that it was begun from
     * @param agent the program that it was begun with, as that called itself
     */
    public record Session(long id, PersonId person, Instant begunAt, Instant seenAt, String from, String agent) {}

    private static Session session(Row row) {
        return new Session(
                row.number("id"),
                new PersonId(row.number("person")),
                row.instant("begun_at"),
                row.instant("seen_at"),
                row.text("from_address"),
                row.text("agent"));
    }

    public void begin(Tx tx, String token, PersonId person, Instant now, String from, String agent) {
        tx.update(
                """
                INSERT INTO session (token_sha, person, begun_at, seen_at, from_address, agent)
                VALUES (?, ?, ?, ?, ?, ?)""",
                Sha256.of(token),
                person,
                now,
                now,
                Shortened.to(Widths.FROM, from),
                Shortened.to(Widths.AGENT, agent));
    }

    /**
     * @param usedSince one that was not used since then is over
     * @param begunSince as is one that was begun before then
     */
    public Optional<Session> find(Tx tx, String token, Instant usedSince, Instant begunSince) {
        return tx.one(
                SESSION + " WHERE token_sha = ? AND seen_at >= ? AND begun_at >= ?",
                SessionStore::session,
                Sha256.of(token),
                usedSince,
                begunSince);
    }

    public void seen(Tx tx, long id, Instant now) {
        tx.update("UPDATE session SET seen_at = ? WHERE id = ?", now, id);
    }

    /** Those of a person that hold, the last used first. */
    public List<Session> of(Tx tx, PersonId person, Instant usedSince, Instant begunSince) {
        return tx.list(
                SESSION + " WHERE person = ? AND seen_at >= ? AND begun_at >= ? ORDER BY seen_at DESC, id DESC",
                SessionStore::session,
                person,
                usedSince,
                begunSince);
    }

    /** False where it is over already, or somebody else's. */
    public boolean end(Tx tx, long id, PersonId person) {
        return tx.update("DELETE FROM session WHERE id = ? AND person = ?", id, person) == 1;
    }

    /** Ends all of a person but one; how many. */
    public int endOthers(Tx tx, PersonId person, Optional<Long> but) {
        return tx.update("DELETE FROM session WHERE person = ? AND id <> ?", person, but.orElse(0L));
    }

    /** Takes away what is long over. */
    public void forget(Tx tx, Instant usedSince, Instant begunSince) {
        tx.update("DELETE FROM session WHERE seen_at < ? OR begun_at < ?", usedSince, begunSince);
    }
}
