package mailshelf.server.signin;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.LinkedHashMap;
import java.util.Map;
import mailshelf.core.Problem;
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

    /** @throws Problem {@code signin.throttled} while this account or network address must wait */
    synchronized void requireNoWait(String key) {
        Failures known = failures.get(key);
        Instant now = machineClock.instant();
        if (known != null && known.blockedUntil().isAfter(now)) {
            long seconds = Duration.between(now, known.blockedUntil()).toSeconds() + 1;
            throw new Problem(Problem.Kind.TOO_MANY, "signin.throttled", seconds);
        }
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
