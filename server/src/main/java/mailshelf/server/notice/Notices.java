package mailshelf.server.notice;

import java.util.Optional;
import mailshelf.core.rights.PersonId;
import mailshelf.server.clock.Alarm;
import mailshelf.server.clock.BusinessClock;
import mailshelf.store.Tx;
import mailshelf.store.people.NoticeStore;
import org.springframework.stereotype.Component;

/** Tells one person something by a short mail, as soon as the transaction that it is told in is kept. */
@Component
public class Notices {
    private final NoticeStore notices;
    private final BusinessClock clock;
    private final Alarm alarm;

    Notices(NoticeStore notices, BusinessClock clock, Alarm alarm) {
        this.notices = notices;
        this.clock = clock;
        this.alarm = alarm;
    }

    public void tell(Tx tx, PersonId person, String subject, String body) {
        tell(tx, person, Optional.empty(), subject, body);
    }

    /** To another address than the person's. */
    public void tellAt(Tx tx, String address, PersonId person, String subject, String body) {
        tell(tx, person, Optional.of(address), subject, body);
    }

    private void tell(Tx tx, PersonId person, Optional<String> address, String subject, String body) {
        notices.insert(tx, person, address, subject, body, clock.instant());
        tx.afterCommit(alarm::ring);
    }
}
