package mailshelf.server.signin;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.people.ThrottleStore;
import mailshelf.store.people.ThrottleStore.Tries;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing: after some tries by an account or from a network address, each further one doubles the wait. A try
 * counts before it is judged, so that many at once are no way round it; kept in the database, so that another server or
 * another start is none either. Thread-safe.
 */
@Component
public class Throttle {
    private static final Duration LONGEST = Duration.ofMinutes(15);

    /** How long tries are remembered after the last. */
    private static final Duration KEPT = Duration.ofHours(1);

    private static final int MOST_DOUBLINGS = 20;

    private final Database database;
    private final ThrottleStore store;
    private final InstantSource machineClock;

    /** What tries are counted by. */
    public record Key(String text, int free) {
        private static final int OF_ONE = 5;

        /** An office, or all who come through one gateway, share an address. */
        private static final int OF_MANY = 40;

        public static Key account(String address) {
            return new Key("account " + address, OF_ONE);
        }

        public static Key reset(String address) {
            return new Key("reset " + address, OF_ONE);
        }

        public static Key network(String from) {
            return new Key("from " + from, OF_MANY);
        }

        /** What is done by one person, or for one. */
        public static Key of(String what, long person) {
            return new Key(what + " " + person, OF_ONE);
        }
    }

    Throttle(Database database, ThrottleStore store, InstantSource machineClock) {
        this.database = database;
        this.store = store;
        this.machineClock = machineClock;
    }

    /** @throws Problem {@code signin.throttled} while any of these must wait; then none of them is counted */
    public void count(List<Key> keys) {
        Instant now = machineClock.instant();
        database.doInTransaction(tx -> {
            store.forgetBefore(tx, now);
            keys.forEach(key -> requireNoWait(tx, key, now));
            keys.forEach(key -> count(tx, key, now));
        });
    }

    private void requireNoWait(Tx tx, Key key, Instant now) {
        Optional<Tries> known = store.find(tx, key.text(), now);
        if (known.isPresent() && known.get().blockedUntil().isAfter(now)) {
            long seconds = Duration.between(now, known.get().blockedUntil()).toSeconds() + 1;
            throw new Problem(Problem.Kind.TOO_MANY, "signin.throttled", seconds);
        }
    }

    private void count(Tx tx, Key key, Instant now) {
        int tries = store.find(tx, key.text(), now).map(Tries::tries).orElse(0) + 1;
        store.put(tx, key.text(), new Tries(tries, now.plus(pause(key, tries))), KEPT);
    }

    private static Duration pause(Key key, int tries) {
        if (tries < key.free()) {
            return Duration.ZERO;
        }
        Duration doubled = Duration.ofSeconds(1L << Math.min(MOST_DOUBLINGS, tries - key.free()));
        return doubled.compareTo(LONGEST) > 0 ? LONGEST : doubled;
    }

    /** It was judged, and wrong: the wait begins now, as judging takes a while. */
    public void refused(List<Key> keys) {
        Instant now = machineClock.instant();
        database.doInTransaction(tx -> keys.forEach(key -> store.find(tx, key.text(), now)
                .ifPresent(known -> store.put(
                        tx, key.text(), new Tries(known.tries(), now.plus(pause(key, known.tries()))), KEPT))));
    }

    /** It was no guess: what is counted by one person begins anew, what many share is as it was before. */
    public void succeeded(List<Key> keys) {
        Instant now = machineClock.instant();
        database.doInTransaction(tx -> keys.forEach(key -> {
            if (key.free() == Key.OF_ONE) {
                store.forget(tx, key.text());
            } else {
                store.find(tx, key.text(), now)
                        .filter(known -> known.tries() > 0)
                        .ifPresent(known -> store.put(tx, key.text(), new Tries(known.tries() - 1, now), KEPT));
            }
        }));
    }
}
