package mailshelf.server.lease;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import mailshelf.server.HouseSettings;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Finish;
import mailshelf.store.delivery.Lease;
import mailshelf.store.delivery.WorkerStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/** This server's name in leases, and the beat that keeps them. Runs before the loop claims. */
@Component
public class LeaseKeeper implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(LeaseKeeper.class);
    private static final Duration BEAT = Duration.ofSeconds(5);

    /** A beat under way when the server ends is let finish: an interrupt would close the database's file. */
    private static final Duration LAST_BEAT = Duration.ofSeconds(5);

    private final InstantSource machineClock;
    private final Database database;
    private final Durable durable;
    private final WorkerStore workers;
    private final int server;
    private final String owner;
    private ScheduledExecutorService beats;

    LeaseKeeper(
            InstantSource machineClock,
            Database database,
            Durable durable,
            WorkerStore workers,
            HouseSettings settings) {
        this.machineClock = machineClock;
        this.database = database;
        this.durable = durable;
        this.workers = workers;
        this.server = settings.server();
        this.owner = "server-" + server + "/" + UUID.randomUUID();
    }

    public String owner() {
        return owner;
    }

    public Instant now() {
        return machineClock.instant();
    }

    /** With what this server claims at this moment. */
    public Lease lease() {
        return new Lease(owner);
    }

    /** Gives back all that this server has claimed. */
    public void releaseAll() {
        database.doInTransaction(tx -> workers.releaseAll(tx, owner));
    }

    /** Written through to the disk, and with it all before: the database writes over what is older (decision 8). */
    private void beat() {
        try {
            database.doInTransaction(tx -> workers.beat(tx, owner));
            durable.await();
        } catch (OutOfMemoryError e) {
            throw e; // the process ends
        } catch (RuntimeException | Error e) {
            LOG.warn("The beat of this server could not be written; others take over what it holds in a while", e);
        }
    }

    @Override
    public void start() {
        database.doInTransaction(tx -> workers.begin(tx, owner, server));
        beats = Executors.newSingleThreadScheduledExecutor();
        beats.scheduleAtFixedRate(this::beat, BEAT.toMillis(), BEAT.toMillis(), TimeUnit.MILLISECONDS);
    }

    @Override
    public void stop() {
        if (!Finish.within(beats, LAST_BEAT)) {
            LOG.warn("The last beat of this server is still being written");
        }
        beats = null;
        database.doInTransaction(tx -> workers.end(tx, owner));
    }

    @Override
    public boolean isRunning() {
        return beats != null;
    }

    /** After the mail room, before the loop. */
    @Override
    public int getPhase() {
        return Integer.MIN_VALUE + 1;
    }
}
