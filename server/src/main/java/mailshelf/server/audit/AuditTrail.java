package mailshelf.server.audit;

import java.time.Duration;
import java.util.Optional;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.rights.Person;
import mailshelf.server.clock.BusinessClock;
import mailshelf.store.Tx;
import mailshelf.store.audit.AuditStore;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Keeps what is done, in the transaction that does it: there is neither a deed without its record nor the reverse. */
@Component
public class AuditTrail {
    private static final Duration SITTING = Duration.ofMinutes(1);

    private final AuditStore store;
    private final BusinessClock clock;

    AuditTrail(AuditStore store, BusinessClock clock) {
        this.store = store;
        this.clock = clock;
    }

    public void keep(Tx tx, Person who, Act act, Thing thing) {
        keep(tx, who, act, thing, "", "");
    }

    public void keep(Tx tx, Person who, Act act, Thing thing, String before, String after) {
        append(tx, Optional.of(who), who.name(), act, thing, before, after);
    }

    /** Something that a page asks for several times while somebody does it once, such as reading. */
    public void keepOfSitting(Tx tx, Person who, Act act, Thing thing) {
        if (!store.hasSince(tx, who.id(), act, thing, clock.instant().minus(SITTING))) {
            keep(tx, who, act, thing);
        }
    }

    /**
     * Something that nobody signed in did.
     *
     * @param who what is known of who did it, such as "the house"
     */
    public void keepOfNobody(Tx tx, String who, Act act, Thing thing, String before, String after) {
        append(tx, Optional.empty(), who, act, thing, before, after);
    }

    private void append(Tx tx, Optional<Person> person, String who, Act act, Thing thing, String before, String after) {
        store.append(
                tx,
                new AuditStore.Entry(
                        0, clock.instant(), person.map(Person::id), who, from(), act, thing, before, after));
    }

    private static String from() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                ? request.getRequest().getRemoteAddr()
                : "";
    }
}
