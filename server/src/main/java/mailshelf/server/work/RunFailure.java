package mailshelf.server.work;

import java.time.ZoneId;
import java.util.Optional;
import mailshelf.core.delivery.RunState;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkFailure;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.BusinessClock;
import mailshelf.store.Tx;
import mailshelf.store.delivery.Run;
import mailshelf.store.work.WorkFailureStore;
import org.springframework.stereotype.Component;

/** Whether the present step of a run failed unexpectedly, and what happens next. */
@Component
public class RunFailure {
    private final WorkFailureStore failures;
    private final BusinessClock clock;

    RunFailure(WorkFailureStore failures, BusinessClock clock) {
        this.failures = failures;
        this.clock = clock;
    }

    /** Empty where nothing failed, or it has been done since. */
    public Optional<String> sentence(Tx tx, Words words, ZoneId zone, Run run) {
        return step(run.state())
                .flatMap(kind -> failures.find(tx, kind, run.id().value()))
                .map(failure -> said(words, zone, failure));
    }

    private static Optional<WorkKind> step(RunState state) {
        return switch (state) {
            case WAITING -> Optional.of(WorkKind.AWAIT);
            case DUE -> Optional.of(WorkKind.MAKE);
            case SENDING -> Optional.of(WorkKind.CLOSE);
            case CLOSED -> Optional.empty();
        };
    }

    /** Tries go by the machine's clock, what people read by the business clock. */
    private String said(Words words, ZoneId zone, WorkFailure failure) {
        return failure.nextTry()
                .map(at -> words.say(
                        "run.tried-again", failure.reason(), words.dates(zone).moment(at.plus(clock.shift()))))
                .orElseGet(() -> words.say("run.set-aside", failure.reason()));
    }
}
