package mailshelf.server.delivery;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.DeliveryStep;
import mailshelf.core.delivery.RunId;
import mailshelf.core.work.WorkKind;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.mail.MailServer;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.RunStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Third step: hands mails over. A mail is put together, kept and named before it leaves; the try is counted before it is
 * made; its answer is recorded after. Whatever is cut off between two of these is found again by its record.
 */
@Component
class SendMails {
    private static final Logger LOG = LoggerFactory.getLogger(SendMails.class);
    private static final int MOST_IN_HAND = 100;
    private static final int FEW_IN_HAND = 50;

    private final Database database;
    private final Durable durable;
    private final BusinessClock clock;
    private final LeaseKeeper lease;
    private final Audience audience;
    private final DeliveryStore deliveries;
    private final RunStore runs;
    private final KeepMails keepMails;
    private final MailServer mailServer;
    private final Stopping stopping;
    private final Hindrance hindrance;
    private final FaultPoint faultPoint;
    private final WorkIsolation isolation;
    private final MailWorkers workers;

    SendMails(
            Database database,
            Durable durable,
            BusinessClock clock,
            LeaseKeeper lease,
            Audience audience,
            DeliveryStore deliveries,
            RunStore runs,
            KeepMails keepMails,
            MailServer mailServer,
            Stopping stopping,
            Hindrance hindrance,
            FaultPoint faultPoint,
            WorkIsolation isolation,
            MailWorkers workers) {
        this.database = database;
        this.durable = durable;
        this.clock = clock;
        this.lease = lease;
        this.audience = audience;
        this.deliveries = deliveries;
        this.runs = runs;
        this.keepMails = keepMails;
        this.mailServer = mailServer;
        this.stopping = stopping;
        this.hindrance = hindrance;
        this.faultPoint = faultPoint;
        this.isolation = isolation;
        this.workers = workers;
    }

    /** Records what came back, and hands over what is due; true if there was anything. Called by one thread at a time. */
    boolean step() {
        boolean answered = recordFinished();
        if (workers.inHand() > FEW_IN_HAND) {
            return answered; // claimed and kept in groups, since each group waits for the disk
        }
        List<Delivery> claimed = database.inTransaction(tx ->
                deliveries.claim(tx, lease.lease(), clock.instant(), lease.now(), MOST_IN_HAND - workers.inHand()));
        if (claimed.isEmpty()) {
            return answered;
        }
        faultPoint.behind(Arrow.MAILS_CLAIMED);
        Map<RunId, List<Delivery>> byRun =
                claimed.stream().collect(Collectors.groupingBy(Delivery::run, LinkedHashMap::new, Collectors.toList()));
        Map<DeliveryId, List<byte[]>> mails = new LinkedHashMap<>();
        byRun.forEach((run, some) -> mails.putAll(kept(run, some)));
        // named and on the disk, the claims too, before the first leaves
        durable.await();
        faultPoint.behind(Arrow.MAILS_NAMED);
        claimed.stream()
                .filter(delivery -> mails.containsKey(delivery.id()))
                .forEach(delivery -> workers.submit(() -> trySend(delivery, mails.get(delivery.id()))));
        return true;
    }

    /** An acceptance that is on the disk is never asked for again; true if there was one. */
    private boolean recordFinished() {
        boolean any = workers.takeFinished();
        if (any) {
            durable.await();
        }
        return any;
    }

    /** The mails of a run; none where they cannot be kept now, which holds up no other run. */
    private Map<DeliveryId, List<byte[]>> kept(RunId run, List<Delivery> some) {
        try {
            Map<DeliveryId, List<byte[]>> mails = keptApart(run, some);
            hindrance.isGone(Optional.of(run));
            return mails;
        } catch (StoreException e) {
            LOG.error("Keeping the mails of run {} waits", run.value(), e);
            hindrance.isFound(Optional.of(run), e);
            giveBack(some, clock.instant().plus(Hindrance.PAUSE));
            return Map.of();
        }
    }

    /** All together, which is fast; one by one where that fails, so that only those are held up that cannot be made. */
    private Map<DeliveryId, List<byte[]>> keptApart(RunId run, List<Delivery> some) {
        if (some.size() > 1) {
            try {
                return keepMails.of(run, entitled(run, some));
            } catch (RuntimeException | StackOverflowError | LinkageError e) {
                if (StoreException.isDisk(e)) {
                    throw e;
                }
                LOG.warn("The mails of run {} are put together one by one, as one of them fails", run.value());
            }
        }
        Map<DeliveryId, List<byte[]>> mails = new LinkedHashMap<>();
        for (Delivery delivery : some) {
            try {
                mails.putAll(keepMails.of(run, entitled(run, List.of(delivery))));
            } catch (RuntimeException | StackOverflowError | LinkageError e) {
                isolation.failed(WorkKind.SEND, delivery.id(), e);
                giveBack(List.of(delivery), delivery.nextTry());
            }
        }
        return mails;
    }

    /** They have not left: their tries do not count. */
    private void giveBack(List<Delivery> some, Instant nextTry) {
        database.doInTransaction(
                tx -> some.forEach(delivery -> deliveries.release(tx, delivery, lease.owner(), nextTry)));
    }

    /** Rights are asked again at the last moment; who has lost his is sent nothing, and the record says why. */
    private List<Delivery> entitled(RunId id, List<Delivery> some) {
        return database.inTransaction(tx -> {
            Set<DeliveryId> may = audience.entitled(tx, runs.find(tx, id).orElseThrow(), some);
            Map<Boolean, List<Delivery>> entitled =
                    some.stream().collect(Collectors.partitioningBy(delivery -> may.contains(delivery.id())));
            entitled.get(false).forEach(delivery -> deliveries.withdraw(tx, delivery, lease.owner()));
            return entitled.get(true);
        });
    }

    /** What fails unexpectedly of one holds up no other; its lease goes, so that it can be claimed for another try. */
    private void trySend(Delivery delivery, List<byte[]> mail) {
        WorkIsolation.Outcome outcome = isolation.attempt(WorkKind.SEND, delivery.id(), () -> send(delivery, mail));
        if (outcome != WorkIsolation.Outcome.DONE) {
            database.doInTransaction(tx -> deliveries.letGo(tx, delivery, lease.owner()));
        }
    }

    private void send(Delivery delivery, List<byte[]> mail) {
        if (stopping.hasBegun()) {
            giveBack(List.of(delivery), delivery.nextTry());
            return;
        }
        boolean mine = database.inTransaction(tx -> {
            boolean held = deliveries.isHeld(tx, delivery, lease.owner());
            if (held) {
                recordMissingAnswer(tx, delivery);
            }
            return held;
        });
        if (!mine) {
            // this server was taken for dead meanwhile: another has it, or takes it now
            giveBack(List.of(delivery), delivery.nextTry());
            return;
        }
        Answer answer = mailServer.send(mail, delivery.address());
        faultPoint.behind(Arrow.HANDED_OVER);
        Instant now = clock.instant();
        DeliveryStep step = DeliveryStep.after(answer, delivery.attempts(), now);
        database.doInTransaction(tx -> deliveries.answered(tx, delivery, lease.owner(), answer, step, now));
        faultPoint.behind(Arrow.ANSWERED);
    }

    /** The try before was begun and its answer never recorded, since the process stopped: that is told, not hidden. */
    private void recordMissingAnswer(Tx tx, Delivery delivery) {
        if (deliveries.lastAnswerIsMissing(tx, delivery)) {
            Answer unknown = new Answer.Lost("");
            deliveries.recordAttempt(tx, delivery.id(), delivery.attempts() - 1, unknown, clock.instant());
        }
    }

    /** When the next try is due. */
    Optional<Instant> nextDue() {
        return database.inTransaction(tx -> deliveries.nextTry(tx, lease.now()));
    }
}
