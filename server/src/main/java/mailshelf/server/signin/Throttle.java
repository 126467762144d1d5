package mailshelf.server.signin;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing: after a few wrong passwords for an account or from a network address, each further one doubles
 * the wait. Kept in memory, the newest accounts only; a success clears it. Thread-safe.
 */
@Component
class Throttle {
    private static final int FREE_TRIES = 5;
    private static final Duration LONGEST = Duration.ofMinutes(15);
    private static final int MOST_REMEMBERED = 10_000;

    private final InstantSource machineClock;
    private final Map<String, Failures> failures = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Failures> eldest) {
            return size() > MOST_REMEMBERED;
        }
    };

    private record Failures(int count, Instant blockedUntil) {}

    Throttle(InstantSource machineClock) {
        this.machineClock = machineClock;
    }

    /** How long this account or network address must wait; zero if it need not. */
    synchronized Duration wait(String key) {
        Failures known = failures.get(key);
        if (known == null) {
            return Duration.ZERO;
        }
        Duration left = Duration.between(machineClock.instant(), known.blockedUntil());
        return left.isNegative() ? Duration.ZERO : left;
    }

    synchronized void failed(String key) {
        int count = failures.containsKey(key) ? failures.get(key).count() + 1 : 1;
        Duration pause = Duration.ZERO;
        if (count >= FREE_TRIES) {
            long seconds = 1L << Math.min(20, count - FREE_TRIES);
            pause = seconds > LONGEST.toSeconds() ? LONGEST : Duration.ofSeconds(seconds);
        }
        failures.put(key, new Failures(count, machineClock.instant().plus(pause)));
    }

    synchronized void succeeded(String key) {
        failures.remove(key);
    }
}
