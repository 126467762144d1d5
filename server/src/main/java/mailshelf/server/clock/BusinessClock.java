package mailshelf.server.clock;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import mailshelf.store.Database;
import mailshelf.store.SettingStore;

/**
 * The clock by which things are due, periods resolved, issues stamped and deliveries tried again. It runs with the
 * machine's clock, shifted by what the demo has moved it; the shift is kept in the tables. Thread-safe.
 */
public final class BusinessClock implements InstantSource {
    private static final String SHIFT = "business-clock-shift-millis";

    /** The last time that it is known to have shown: when it was moved, or when its server ended. */
    private static final String SHOWN = "business-clock-shown";

    private final InstantSource machine;
    private final Database database;
    private final SettingStore settings;
    private volatile Duration shift;

    public BusinessClock(InstantSource machine, Database database, SettingStore settings) {
        this.machine = machine;
        this.database = database;
        this.settings = settings;
        this.shift = database.inTransaction(tx -> settings.find(tx, SHIFT))
                .map(millis -> Duration.ofMillis(Long.parseLong(millis)))
                .orElse(Duration.ZERO);
    }

    @Override
    public Instant instant() {
        return machine.instant().plus(shift);
    }

    /** Moves the clock, so that it shows {@code to} now and goes on from there. */
    public void moveTo(Instant to) {
        Duration moved = Duration.between(machine.instant(), to);
        database.doInTransaction(tx -> {
            settings.put(tx, SHIFT, Long.toString(moved.toMillis()));
            settings.put(tx, SHOWN, to.toString());
        });
        shift = moved;
    }

    /** As if no time had passed since its server ended; where that is not known, it runs on with the machine's clock. */
    public void continueWhereItWasLeft() {
        database.inTransaction(tx -> settings.find(tx, SHOWN))
                .map(Instant::parse)
                .ifPresent(this::moveTo);
    }

    /** How far it is from the machine's clock. */
    public Duration shift() {
        return shift;
    }

    /** Keeps the time that it shows, for {@link #continueWhereItWasLeft}. */
    public void leave() {
        database.doInTransaction(tx -> settings.put(tx, SHOWN, instant().toString()));
    }
}
