package mailshelf.demo;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.RejectedExecutionException;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.LoadLoop;
import mailshelf.server.delivery.DeliveryLoop;
import mailshelf.store.Finish;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Moves the business clock forward the way time would have passed: it stops at every moment at which something is due
 * or a day's data comes in, and goes on when that is done.
 */
@Component
class MoveClock {
    private static final Logger LOG = LoggerFactory.getLogger(MoveClock.class);

    private static final Duration LAST_STEP = Duration.ofSeconds(7);

    private final BusinessClock clock;
    private final DeliveryLoop loop;
    private final DayLoads dayLoads;
    private final LoadLoop loads;
    private final ExecutorService mover = Executors.newSingleThreadExecutor();
    private volatile Optional<Instant> target = Optional.empty();

    MoveClock(BusinessClock clock, DeliveryLoop loop, DayLoads dayLoads, LoadLoop loads) {
        this.clock = clock;
        this.loop = loop;
        this.dayLoads = dayLoads;
        this.loads = loads;
    }

    /** Where it is moving to; empty while it stands. */
    Optional<Instant> target() {
        return target;
    }

    /** Begins to move; the caller asks {@link #target()} for the end. */
    synchronized void begin(Instant to) {
        if (target.isPresent()) {
            throw new Problem(Problem.Kind.CONFLICT, "clock.moving");
        }
        if (!to.isAfter(clock.instant())) {
            throw Problem.invalid("clock.backwards");
        }
        target = Optional.of(to);
        try {
            mover.submit(() -> {
                try {
                    move(to);
                } catch (RuntimeException e) {
                    LOG.error("The clock stopped on its way to {}", to, e);
                } finally {
                    target = Optional.empty();
                }
            });
        } catch (RejectedExecutionException e) {
            target = Optional.empty();
            throw e;
        }
    }

    /** Moves in the caller's thread. */
    void move(Instant to) {
        loop.drain();
        while (clock.instant().isBefore(to) && !mover.isShutdown()) {
            Instant now = clock.instant();
            // loads first: one that another thread ends between the two is then seen by the runs that wait for it
            Instant stop = Stream.of(loads.next(), loop.nextDue(), dayLoads.next(), Optional.of(to))
                    .flatMap(Optional::stream)
                    .map(due -> due.isBefore(now) ? now : due)
                    .min(Instant::compareTo)
                    .orElse(to);
            clock.moveTo(stop.isAfter(to) ? to : stop);
            dayLoads.upTo(clock.instant());
            loads.drain();
            loop.drain();
        }
    }

    @PreDestroy
    void stop() {
        if (!Finish.within(mover, LAST_STEP)) {
            LOG.warn("The clock is still being moved");
        }
        clock.leave();
    }
}
