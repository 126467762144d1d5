package mailshelf.server.delivery;

import jakarta.annotation.PreDestroy;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import mailshelf.core.delivery.Answer;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.DeliveryStep;
import mailshelf.core.delivery.RunId;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.mail.MailServer;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Third step: hands mails over. A mail is put together, kept and named before it leaves; the try is counted before it is
 * made; its answer is recorded after. Whatever is cut off between two of these is found again by its record.
 */
@Component
class SendMails {
    private static final int AT_ONCE = 50;
    private static final int CONNECTIONS = 2;

    private final Database database;
    private final Durable durable;
    private final BusinessClock clock;
    private final LeaseKeeper lease;
    private final Gate gate;
    private final DeliveryStore deliveries;
    private final RunStore runs;
    private final SubscriptionStore subscriptions;
    private final KeepMails keepMails;
    private final MailServer mailServer;
    private final ExecutorService senders = Executors.newFixedThreadPool(CONNECTIONS);

    SendMails(
            Database database,
            Durable durable,
            BusinessClock clock,
            LeaseKeeper lease,
            Gate gate,
            DeliveryStore deliveries,
            RunStore runs,
            SubscriptionStore subscriptions,
            KeepMails keepMails,
            MailServer mailServer) {
        this.database = database;
        this.durable = durable;
        this.clock = clock;
        this.lease = lease;
        this.gate = gate;
        this.deliveries = deliveries;
        this.runs = runs;
        this.subscriptions = subscriptions;
        this.keepMails = keepMails;
        this.mailServer = mailServer;
    }

    /** Sends what is due; true if there was anything. */
    boolean step() {
        List<Delivery> claimed = database.inTransaction(
                tx -> deliveries.claim(tx, lease.owner(), clock.instant(), lease.now(), lease.until(), AT_ONCE));
        if (claimed.isEmpty()) {
            return false;
        }
        Map<RunId, List<Delivery>> byRun = new LinkedHashMap<>();
        claimed.stream()
                .filter(this::mayStillSee)
                .forEach(delivery -> byRun.computeIfAbsent(delivery.run(), run -> new ArrayList<>())
                        .add(delivery));
        Map<DeliveryId, byte[]> mails = new LinkedHashMap<>();
        byRun.forEach((run, some) -> mails.putAll(keepMails.of(run, some)));
        // named and on the disk, the claims too, before the first leaves
        durable.await();
        List<Future<?>> sending = new ArrayList<>();
        byRun.values().stream()
                .flatMap(List::stream)
                .forEach(delivery -> sending.add(senders.submit(() -> send(delivery, mails.get(delivery.id())))));
        sending.forEach(SendMails::awaitDone);
        durable.await();
        return true;
    }

    /** Rights are asked again at the last moment; who has lost his is sent nothing, and the record says why. */
    private boolean mayStillSee(Delivery delivery) {
        return database.inTransaction(tx -> {
            var run = runs.find(tx, delivery.run()).orElseThrow();
            var terms = subscriptions
                    .version(tx, run.subscription(), run.subscriptionVersion())
                    .terms();
            boolean may = gate.maySee(tx, delivery.person(), terms.report());
            if (!may) {
                deliveries.withdraw(tx, delivery, lease.owner());
            }
            return may;
        });
    }

    private void send(Delivery delivery, byte[] mail) {
        database.doInTransaction(tx -> recordMissingAnswer(tx, delivery));
        Answer answer = mailServer.send(mail, delivery.address());
        Instant now = clock.instant();
        DeliveryStep step = DeliveryStep.after(answer, delivery.attempts(), now);
        database.doInTransaction(tx -> deliveries.answered(tx, delivery, lease.owner(), answer, step, now));
    }

    /** The try before was begun and its answer never recorded, since the process stopped: that is told, not hidden. */
    private void recordMissingAnswer(Tx tx, Delivery delivery) {
        if (deliveries.lastAnswerIsMissing(tx, delivery)) {
            Answer unknown = new Answer.Lost("");
            deliveries.recordAttempt(tx, delivery.id(), delivery.attempts() - 1, unknown, clock.instant());
        }
    }

    private static void awaitDone(Future<?> sending) {
        try {
            sending.get();
        } catch (ExecutionException e) {
            throw new IllegalStateException("Recording an answer failed", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** When the next try is due. */
    Optional<Instant> nextDue() {
        return database.inTransaction(deliveries::nextTry);
    }

    @PreDestroy
    void stop() {
        senders.shutdown();
    }
}
