package mailshelf.server.clock;

import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Component;

/** Ends the sleep of whoever looks for work. */
@Component
public class Alarm {
    private final Semaphore rings = new Semaphore(0);

    /** There may be something to do; remembered when nobody sleeps. */
    public void ring() {
        rings.release();
    }

    /** Until it rings, or for so long. */
    public void sleep(Duration most) throws InterruptedException {
        rings.tryAcquire(most.toMillis() + 1, TimeUnit.MILLISECONDS);
        rings.drainPermits();
    }
}
