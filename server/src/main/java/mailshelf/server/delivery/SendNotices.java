package mailshelf.server.delivery;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.DeliveryStep;
import mailshelf.core.delivery.NoticeId;
import mailshelf.core.rights.Person;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.mail.NoticeMail;
import mailshelf.server.work.WorkIsolation;
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
    private final MailWorkers workers;
    private final WorkIsolation isolation;

    SendNotices(
            Database database,
            BusinessClock clock,
            LeaseKeeper lease,
            NoticeStore notices,
            PersonStore people,
            NoticeMail mail,
            MailWorkers workers,
            WorkIsolation isolation) {
        this.database = database;
        this.clock = clock;
        this.lease = lease;
        this.notices = notices;
        this.people = people;
        this.mail = mail;
        this.workers = workers;
        this.isolation = isolation;
    }

    /** Gives what is due to the workers; true if there was anything. */
    boolean step() {
        List<NoticeId> claimed =
                database.inTransaction(tx -> notices.claim(tx, lease.lease(), clock.instant(), lease.now(), AT_ONCE));
        claimed.forEach(id -> workers.submit(() -> trySend(id)));
        return !claimed.isEmpty();
    }

    private void trySend(NoticeId id) {
        WorkIsolation.Outcome outcome = isolation.attempt(WorkKind.NOTIFY, id, () -> send(id));
        if (outcome != WorkIsolation.Outcome.DONE) {
            database.doInTransaction(tx -> notices.letGo(tx, id, lease.owner()));
        }
    }

    private void send(NoticeId id) {
        if (!database.inTransaction(tx -> notices.isHeld(tx, id, lease.owner()))) {
            database.doInTransaction(tx -> notices.letGo(tx, id, lease.owner()));
            return;
        }
        NoticeStore.Notice notice =
                database.inTransaction(tx -> notices.find(tx, id)).orElseThrow();
        Person to =
                database.inTransaction(tx -> people.find(tx, notice.person())).orElseThrow();
        Answer answer = mail.send(to, notice);
        Optional<Instant> next = DeliveryStep.after(answer, notice.attempts() + 1, clock.instant())
                .nextTry();
        database.doInTransaction(tx -> notices.tried(tx, id, next));
    }
}
