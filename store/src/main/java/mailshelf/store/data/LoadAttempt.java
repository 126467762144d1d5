package mailshelf.store.data;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.rights.PersonId;

/**
 * A try to load a data set.
 *
 * @param by who asked for it; empty for one that came by itself
 * @param millis how long it took
 * @param load what came of it; empty where it failed, and the load before it stayed in use
 * @param failure why it failed; "" where it did not
 */
public record LoadAttempt(Instant at, Optional<PersonId> by, long millis, Optional<Load> load, String failure) {
    /** As somebody may know of it who may not see the rows. */
    public LoadAttempt withoutReason() {
        return new LoadAttempt(at, by, millis, load, "");
    }

    public boolean hasFailed() {
        return load.isEmpty();
    }
}
