package mailshelf.server.delivery;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.UUID;
import mailshelf.server.HouseSettings;
import org.springframework.stereotype.Component;

/** This server's name in leases, and how long they hold, by the machine's clock. */
@Component
class LeaseKeeper {
    private static final Duration LEASE = Duration.ofMinutes(3);

    private final InstantSource machineClock;
    private final String server;
    private final String owner;

    LeaseKeeper(InstantSource machineClock, HouseSettings settings) {
        this.machineClock = machineClock;
        this.server = "server-" + settings.server() + "/";
        this.owner = server + UUID.randomUUID();
    }

    /** What the owners of all leases of this server begin with, also of its earlier lives. */
    String server() {
        return server;
    }

    String owner() {
        return owner;
    }

    Instant now() {
        return machineClock.instant();
    }

    Instant until() {
        return now().plus(LEASE);
    }
}
