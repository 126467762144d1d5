package mailshelf.server.delivery;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.DeliveryStep;
import mailshelf.core.rights.Person;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.mail.NoticeMail;
import mailshelf.store.Database;
import mailshelf.store.people.NoticeStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Sends short mails about people's own things: invitations, and that something of theirs was paused. */
@Component
class SendNotices {
    private static final int AT_ONCE = 20;

    private final Database database;
    private final BusinessClock clock;
    private final LeaseKeeper lease;
    private final NoticeStore notices;
    private final PersonStore people;
    private final NoticeMail mail;

    SendNotices(
            Database database,
            BusinessClock clock,
            LeaseKeeper lease,
            NoticeStore notices,
            PersonStore people,
            NoticeMail mail) {
        this.database = database;
        this.clock = clock;
        this.lease = lease;
        this.notices = notices;
        this.people = people;
        this.mail = mail;
    }

    boolean step() {
        List<NoticeStore.Notice> claimed =
                database.inTransaction(tx -> notices.claim(tx, lease.lease(), clock.instant(), AT_ONCE));
        for (NoticeStore.Notice notice : claimed) {
            Person to = database.inTransaction(tx -> people.find(tx, notice.person()))
                    .orElseThrow();
            Answer answer = mail.send(to, notice);
            Instant now = clock.instant();
            Optional<Instant> next =
                    DeliveryStep.after(answer, notice.attempts() + 1, now).nextTry();
            database.doInTransaction(tx -> notices.tried(tx, notice.id(), next));
        }
        return !claimed.isEmpty();
    }
}
