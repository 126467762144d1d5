package mailshelf.server.delivery;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BooleanSupplier;
import java.util.stream.Stream;
import mailshelf.server.HouseSettings;
import mailshelf.server.clock.Alarm;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.work.Loop;
import mailshelf.server.work.LoopHealth;
import mailshelf.store.Database;
import mailshelf.store.subscription.SubscriptionStore;
import mailshelf.store.work.WorkFailureStore;
import org.springframework.context.SmartLifecycle;
import org.springframework.stereotype.Component;

/**
 * The loop: books what is due, waits for data, makes issues, sends mails, closes runs, and sleeps until the next due
 * moment or a wake. One thread; the demo's clock drives the same steps from its own thread while it moves, under the same lock.
 */
@Component
public class DeliveryLoop implements SmartLifecycle {
    private static final Duration LONGEST_SLEEP = Duration.ofSeconds(30);

    /** Another server's work wakes nobody here. */
    private static final Duration LONGEST_SLEEP_AMONG_SEVERAL = Duration.ofSeconds(2);

    /** What a mail server has in hand is given this long when the server ends; its fate is looked up at the next start. */
    private static final Duration LAST_MAILS = Duration.ofSeconds(7);

    private final BookRun bookRun;
    private final AwaitData awaitData;
    private final MakeIssue makeIssue;
    private final SendMails sendMails;
    private final SendNotices sendNotices;
    private final CloseRuns closeRuns;
    private final MailWorkers mailWorkers;
    private final Database database;
    private final SubscriptionStore subscriptions;
    private final WorkFailureStore failures;
    private final LeaseKeeper lease;
    private final Stopping stopping;
    private final Hindrance hindrance;
    private final BusinessClock clock;
    private final Alarm alarm;
    private final Duration longestSleep;
    private final ReentrantLock working = new ReentrantLock();
    /** A round broke off: what this server holds in the tables is not what it has in hand. */
    private boolean lostCount;

    private final Loop loop;

    DeliveryLoop(
            BookRun bookRun,
            AwaitData awaitData,
            MakeIssue makeIssue,
            SendMails sendMails,
            SendNotices sendNotices,
            CloseRuns closeRuns,
            MailWorkers mailWorkers,
            Database database,
            SubscriptionStore subscriptions,
            WorkFailureStore failures,
            LeaseKeeper lease,
            Stopping stopping,
            Hindrance hindrance,
            BusinessClock clock,
            Alarm alarm,
            LoopHealth health,
            HouseSettings settings) {
        this.bookRun = bookRun;
        this.awaitData = awaitData;
        this.makeIssue = makeIssue;
        this.sendMails = sendMails;
        this.sendNotices = sendNotices;
        this.closeRuns = closeRuns;
        this.mailWorkers = mailWorkers;
        this.database = database;
        this.subscriptions = subscriptions;
        this.failures = failures;
        this.lease = lease;
        this.stopping = stopping;
        this.hindrance = hindrance;
        this.clock = clock;
        this.alarm = alarm;
        this.loop = health.watch(new Loop("delivery-loop", alarm, this::oneRound));
        this.longestSleep = settings.database().isPresent() ? LONGEST_SLEEP_AMONG_SEVERAL : LONGEST_SLEEP;
    }

    /** There may be something to do; remembered when the loop is busy. */
    public void wake() {
        alarm.ring();
    }

    /** Does all that is due at this moment of the business clock, in the caller's thread. */
    public void drain() {
        working.lock();
        try {
            if (lostCount) {
                mailWorkers.awaitAll();
                lease.releaseAll();
            }
            lostCount = true;
            while (!stopping.hasBegun() && (round() || mailWorkers.isBusy())) {
                if (mailWorkers.isBusy()) {
                    mailWorkers.awaitAnswer();
                }
            }
            if (stopping.hasBegun()) {
                mailWorkers.awaitAll();
            }
            lostCount = false;
            hindrance.isGone(Optional.empty());
        } catch (RuntimeException e) {
            hindrance.isFound(Optional.empty(), e);
            throw e;
        } finally {
            working.unlock();
        }
    }

    /**
     * Each step takes a share of every round, also where one before it fails as a whole.
     *
     * @throws RuntimeException the first failure of a step, once all have had their turn
     */
    private boolean round() {
        List<RuntimeException> failures = new ArrayList<>();
        boolean any = false;
        for (BooleanSupplier step : List.<BooleanSupplier>of(
                bookRun::step,
                awaitData::step,
                () -> makeIssue.step(() -> done(sendMails::step, failures)),
                sendMails::step,
                sendNotices::step,
                closeRuns::step)) {
            any |= done(step, failures);
        }
        if (!failures.isEmpty()) {
            throw failures.get(0);
        }
        return any;
    }

    private boolean done(BooleanSupplier step, List<RuntimeException> failures) {
        loop.isAlive();
        try {
            return step.getAsBoolean();
        } catch (RuntimeException e) {
            failures.add(e);
        } catch (StackOverflowError | LinkageError e) {
            failures.add(new IllegalStateException("A step of the delivery loop failed", e));
        }
        return false;
    }

    /** The next moment of the business clock at which something is due by itself. */
    public Optional<Instant> nextDue() {
        return Stream.of(
                        database.inTransaction(tx -> subscriptions.nextDue(tx, lease.now())),
                        awaitData.nextDue(),
                        sendMails.nextDue())
                .flatMap(Optional::stream)
                .min(Instant::compareTo);
    }

    private Duration oneRound() {
        drain();
        return untilNext();
    }

    private Duration untilNext() {
        if (hindrance.any().isPresent()) {
            return Hindrance.PAUSE;
        }
        Duration until = Stream.of(
                        nextDue().map(due -> Duration.between(clock.instant(), due)),
                        database.inTransaction(failures::nextTry).map(at -> Duration.between(lease.now(), at)))
                .flatMap(Optional::stream)
                .min(Duration::compareTo)
                .orElse(longestSleep);
        if (until.isNegative() || until.isZero()) {
            // due, but leased or just fallen due: look again soon without spinning
            return Duration.ofMillis(200);
        }
        return until.compareTo(longestSleep) > 0 ? longestSleep : until;
    }

    @Override
    public void start() {
        loop.start();
    }

    @Override
    public void stop() {
        stopping.begin();
        loop.end();
        try {
            // whichever thread drains, the loop's own or the moving clock's
            if (working.tryLock(LAST_MAILS.toMillis(), TimeUnit.MILLISECONDS)) {
                working.unlock();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public boolean isRunning() {
        return loop.isRunning();
    }
}
