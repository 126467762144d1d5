package mailshelf.server.http;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.LongFunction;
import mailshelf.core.Id;
import mailshelf.core.Problem;
import mailshelf.core.rights.Person;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.IdempotencyStore;
import mailshelf.store.Tx;
import org.springframework.stereotype.Component;

/**
 * Does what would reach people twice only once, however often it is asked with the same Idempotency-Key
 * (draft-ietf-httpapi-idempotency-key-header): an answer may be lost, and a full disk may have kept what it could not
 * acknowledge, so that whoever asks cannot know. Durable before it answers.
 */
@Component
public class Once {
    /** The header that carries the key. */
    public static final String KEY = "Idempotency-Key";

    private static final int LONGEST_KEY = 100;
    private static final Duration KEPT = Duration.ofDays(1);

    private final Database database;
    private final Durable durable;
    private final IdempotencyStore keys;
    private final InstantSource machineClock;

    Once(Database database, Durable durable, IdempotencyStore keys, InstantSource machineClock) {
        this.database = database;
        this.durable = durable;
        this.keys = keys;
        this.machineClock = machineClock;
    }

    /**
     * @param key none where it may be done again each time it is asked
     * @param wish what is asked, in a text that is the same for the same wish
     * @param id makes the id of what is made
     * @param work makes it
     * @return what was made now, or when the key came first
     * @throws Problem if the key came with another wish within a day, or is too long
     */
    public <T extends Id> T make(
            Person who, Optional<String> key, String wish, LongFunction<T> id, Function<Tx, T> work) {
        T made = database.inTransaction(
                tx -> key.isPresent() ? once(tx, who, key.get(), Sha256.of(wish), id, work) : work.apply(tx));
        durable.await();
        return made;
    }

    private <T extends Id> T once(
            Tx tx, Person who, String key, String wish, LongFunction<T> id, Function<Tx, T> work) {
        if (key.isBlank() || key.length() > LONGEST_KEY) {
            throw Problem.invalid("request.bad-key", LONGEST_KEY);
        }
        Instant now = machineClock.instant();
        keys.forgetBefore(tx, now.minus(KEPT));
        Optional<IdempotencyStore.Made> before = keys.find(tx, who.id(), key);
        if (before.isPresent()) {
            if (!before.get().wish().equals(wish)) {
                throw Problem.invalid("request.key-used");
            }
            return id.apply(before.get().made());
        }
        T made = work.apply(tx);
        keys.keep(tx, who.id(), key, wish, made, now);
        return made;
    }
}
