package mailshelf.server.work;

import java.time.Duration;
import java.util.function.Supplier;
import mailshelf.server.clock.Alarm;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A thread that does rounds of work until it is ended. A round that fails is logged and the next one follows; the thread
 * is never interrupted, since an interrupt would close the database's file under everybody. Thread-safe.
 */
public final class Loop {
    private static final Logger LOG = LoggerFactory.getLogger(Loop.class);
    private static final Duration AFTER_FAILURE = Duration.ofSeconds(5);

    private final String name;
    private final Alarm alarm;
    private final Supplier<Duration> round;
    private volatile Thread thread;
    private volatile boolean running;
    private volatile long signOfLife = System.nanoTime();

    /**
     * @param alarm ends a rest before its time
     * @param round does what there is to do, and says how long to rest then
     */
    public Loop(String name, Alarm alarm, Supplier<Duration> round) {
        this.name = name;
        this.alarm = alarm;
        this.round = round;
    }

    public String name() {
        return name;
    }

    public void start() {
        running = true;
        isAlive();
        thread = new Thread(this::run, name);
        thread.setDaemon(true);
        thread.start();
    }

    /** Ends it after the round that is under way, for which nobody waits. */
    public void end() {
        running = false;
        alarm.ring();
    }

    public boolean isRunning() {
        return running;
    }

    /** Called by whoever works, now and again, so that a long round is not taken for a stall. */
    public void isAlive() {
        signOfLife = System.nanoTime();
    }

    /** Whether it ought to be running and its thread is gone. */
    boolean isDead() {
        return running && !thread.isAlive();
    }

    /** How long nothing has been heard of it. */
    Duration silence() {
        return running ? Duration.ofNanos(System.nanoTime() - signOfLife) : Duration.ZERO;
    }

    private void run() {
        while (running) {
            isAlive();
            Duration rest = AFTER_FAILURE;
            try {
                rest = round.get();
            } catch (OutOfMemoryError e) {
                throw e; // the process ends
            } catch (RuntimeException | Error e) {
                if (running) {
                    LOG.error("A round of {} failed; it goes on in {} s", name, rest.toSeconds(), e);
                }
            }
            rest(rest);
        }
    }

    private void rest(Duration rest) {
        try {
            if (running) {
                alarm.sleep(rest);
            }
        } catch (InterruptedException e) {
            LOG.warn("{} was interrupted, by nobody of ours; it goes on", name);
        }
    }
}
