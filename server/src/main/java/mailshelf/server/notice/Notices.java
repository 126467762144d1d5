package mailshelf.server.notice;

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
        notices.insert(tx, person, subject, body, clock.instant());
        tx.afterCommit(alarm::ring);
    }
}
