package mailshelf.store;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.Id;
import mailshelf.core.rights.PersonId;

/** What came of requests that carried an idempotency key. */
public final class IdempotencyStore {
    /**
     * What a key stands for.
     *
     * @param wish SHA-256 of what was asked
     * @param made id of what came of it
     */
    public record Made(String wish, long made) {}

    /** With the turn taken: whoever sends the same key at the same moment is answered when this one is through. */
    public Optional<Made> find(Tx tx, PersonId person, String key) {
        return tx.one(
                "SELECT wish, made FROM idempotency_key WHERE person = ? AND sent_key = ? FOR UPDATE",
                row -> new Made(row.text("wish"), row.number("made")),
                person,
                key);
    }

    public void keep(Tx tx, PersonId person, String key, String wish, Id made, Instant now) {
        tx.update(
                "INSERT INTO idempotency_key (person, sent_key, wish, made, at) VALUES (?, ?, ?, ?, ?)",
                person,
                key,
                wish,
                made,
                now);
    }

    public void forgetBefore(Tx tx, Instant moment) {
        tx.update("DELETE FROM idempotency_key WHERE at < ?", moment);
    }
}
