package mailshelf.server.work;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import mailshelf.core.work.RetryPauses;
import mailshelf.core.work.WorkKind;

/** Has one unit of each kind fail whenever it is tried, for a test: the third that comes. Thread-safe. */
public final class FailingUnit {
    private static final int THIRD = 2;
    private static final RetryPauses SHORT = new RetryPauses(List.of(Duration.ofMillis(100), Duration.ofMillis(200)));

    private final Optional<Fault> fault;
    private final Map<WorkKind, List<Long>> seen = new ConcurrentHashMap<>();

    /** What it throws. */
    public enum Fault {
        EXCEPTION,
        ERROR
    }

    /** @param fault empty where nothing is to fail */
    public FailingUnit(Optional<Fault> fault) {
        this.fault = fault;
    }

    void failIfItIs(WorkKind kind, long unit) {
        if (fault.isPresent() && isThird(kind, unit)) {
            if (fault.get() == Fault.ERROR) {
                throw new StackOverflowError("as a test wants it");
            }
            throw new IllegalStateException("as a test wants it");
        }
    }

    private boolean isThird(WorkKind kind, long unit) {
        List<Long> units = seen.computeIfAbsent(kind, first -> new ArrayList<>());
        synchronized (units) {
            if (!units.contains(unit)) {
                units.add(unit);
            }
            return units.indexOf(unit) == THIRD;
        }
    }

    /** Shorter where something is to fail, so that a test need not wait. */
    RetryPauses pauses() {
        return fault.isPresent() ? SHORT : RetryPauses.USUAL;
    }
}
