package mailshelf.store.people;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.Tx;

/** How often something was tried of late, by checksums of what it is counted by, so that all servers know. */
public final class ThrottleStore {
    /** @param blockedUntil when the next try is looked at again */
    public record Tries(int tries, Instant blockedUntil) {}

    public Optional<Tries> find(Tx tx, String key, Instant now) {
        return tx.one(
                "SELECT tries, blocked_until FROM throttle WHERE key_sha = ? AND until_at > ?",
                row -> new Tries(row.integer("tries"), row.instant("blocked_until")),
                Sha256.of(key),
                now);
    }

    /** @param kept how long it is remembered after the block is over */
    public void put(Tx tx, String key, Tries tries, Duration kept) {
        tx.update(
                "MERGE INTO throttle (key_sha, tries, blocked_until, until_at) VALUES (?, ?, ?, ?)",
                Sha256.of(key),
                tries.tries(),
                tries.blockedUntil(),
                tries.blockedUntil().plus(kept));
    }

    public void forget(Tx tx, String key) {
        tx.update("DELETE FROM throttle WHERE key_sha = ?", Sha256.of(key));
    }

    public void forgetBefore(Tx tx, Instant now) {
        tx.update("DELETE FROM throttle WHERE until_at <= ?", now);
    }
}
