package mailshelf.server.delivery;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import mailshelf.core.delivery.RunId;
import mailshelf.server.HouseSettings;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.delivery.BlockedStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * What keeps this server from going on with a run, or with anything: no room on the disk, a folder or database that
 * cannot be written to, a fault of the program. Runs wait for its end instead of failing. Seen anew at each attempt, and
 * told to the other servers by the database where that can still be written to. Thread-safe.
 */
@Component
public class Hindrance {
    /** How long what is hindered rests before the next attempt. */
    static final Duration PAUSE = Duration.ofSeconds(5);

    /** With less room than this, what cannot be written is not written for want of it. */
    private static final long NO_ROOM_BYTES = 1 << 20;

    private static final Logger LOG = LoggerFactory.getLogger(Hindrance.class);

    private final Database database;
    private final BlockedStore blocked;
    private final LeaseKeeper lease;
    private final Path data;
    private final InstantSource clock;
    private final Map<Optional<RunId>, Told> told = new ConcurrentHashMap<>();

    /**
     * A hindrance as it can be told.
     *
     * @param wordsKey key of the sentences that say it, with the folder as their value
     * @param since by the machine's clock
     */
    public record Told(String wordsKey, String folder, Instant since) {}

    Hindrance(
            Database database,
            BlockedStore blocked,
            LeaseKeeper lease,
            HouseSettings settings,
            InstantSource machineClock) {
        this.database = database;
        this.blocked = blocked;
        this.lease = lease;
        this.data = settings.data();
        this.clock = machineClock;
    }

    /** What hinders a run, or everything; empty while nothing does. */
    public Optional<Told> of(RunId run) {
        return Optional.ofNullable(told.getOrDefault(Optional.of(run), told.get(Optional.<RunId>empty())))
                .or(() -> ofOthers(run));
    }

    private Optional<Told> ofOthers(RunId run) {
        return database.inTransaction(tx -> blocked.ofOthers(tx, lease.owner())).stream()
                .filter(each -> each.run().filter(other -> !other.equals(run)).isEmpty())
                .map(each -> new Told(each.wordsKey(), each.folder(), each.since()))
                .findFirst();
    }

    /** What hinders anything at all. */
    public Optional<Told> any() {
        return told.values().stream().findFirst();
    }

    void isGone(Optional<RunId> run) {
        if (told.remove(run) != null) {
            tellOthers(tx -> blocked.remove(tx, lease.owner(), run));
        }
    }

    /** @param run empty where it hinders everything */
    void isFound(Optional<RunId> run, Throwable failure) {
        String key = !StoreException.isDisk(failure)
                ? "hindrance.fault"
                : hasRoom() ? "hindrance.cannot-write" : "hindrance.no-room";
        Instant since = Optional.ofNullable(told.get(run)).map(Told::since).orElseGet(clock::instant);
        Told now = new Told(key, data.toString(), since);
        if (!now.equals(told.put(run, now))) {
            tellOthers(tx -> {
                blocked.forgetDead(tx);
                blocked.put(tx, lease.owner(), new BlockedStore.Blocked(run, key, data.toString(), since));
            });
        }
    }

    /** As well as it can: where the database itself is what cannot be written to, this server alone knows. */
    private void tellOthers(Consumer<Tx> record) {
        try {
            database.doInTransaction(record);
        } catch (RuntimeException e) {
            LOG.debug("The other servers could not be told", e);
        }
    }

    private boolean hasRoom() {
        try {
            return Files.getFileStore(data).getUsableSpace() > NO_ROOM_BYTES;
        } catch (IOException e) {
            return true;
        }
    }
}
