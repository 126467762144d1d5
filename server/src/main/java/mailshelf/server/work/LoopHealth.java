package mailshelf.server.work;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import org.springframework.boot.health.contributor.Health;
import org.springframework.boot.health.contributor.HealthIndicator;
import org.springframework.stereotype.Component;

/** Red where a loop of this server has died or has been silent for too long: then nothing is sent, or nothing is loaded. */
@Component
public class LoopHealth implements HealthIndicator {
    /** Longer than any single piece of work takes: the largest load, the largest issue's slowest batch. */
    private static final Duration LONGEST_SILENCE = Duration.ofMinutes(10);

    private final List<Loop> loops = new CopyOnWriteArrayList<>();
    private final Duration longestSilence;

    public LoopHealth() {
        this(LONGEST_SILENCE);
    }

    LoopHealth(Duration longestSilence) {
        this.longestSilence = longestSilence;
    }

    /** Has a loop looked after from now on. */
    public Loop watch(Loop loop) {
        loops.add(loop);
        return loop;
    }

    @Override
    public Health health() {
        Health.Builder health = Health.up();
        for (Loop loop : loops) {
            if (loop.isDead()) {
                health.down().withDetail(loop.name(), "dead");
            } else if (loop.silence().compareTo(longestSilence) > 0) {
                health.down()
                        .withDetail(loop.name(), "silent for " + loop.silence().toSeconds() + " s");
            }
        }
        return health.build();
    }
}
