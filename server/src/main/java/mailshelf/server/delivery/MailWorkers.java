package mailshelf.server.delivery;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletionService;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorCompletionService;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import mailshelf.server.mail.MailServer;
import org.springframework.stereotype.Component;

/**
 * The threads that hand mails over, those of issues and notices alike, so that a slow mail server holds up nobody else. One
 * thread at a time gives them work and looks what came back.
 */
@Component
class MailWorkers {
    private static final long ANSWER_MILLIS = 200;

    private final ExecutorService pool = Executors.newFixedThreadPool(MailServer.CONNECTIONS);
    private final CompletionService<Void> handingOver = new ExecutorCompletionService<>(pool);
    private final List<Future<Void>> finished = new ArrayList<>();
    private int inHand;

    /** @param mail hands one over and records the answer */
    void submit(Runnable mail) {
        handingOver.submit(mail, null);
        inHand++;
    }

    /** How many are on their way whose answers are not recorded yet. */
    int inHand() {
        return inHand;
    }

    boolean isBusy() {
        return inHand > 0;
    }

    /** Waits a moment for an answer. */
    void awaitAnswer() {
        try {
            Future<Void> done = handingOver.poll(ANSWER_MILLIS, TimeUnit.MILLISECONDS);
            if (done != null) {
                finished.add(done);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Waits until nothing is on its way any more; what came of it is not looked at. */
    void awaitAll() {
        while (isBusy() && !Thread.currentThread().isInterrupted()) {
            awaitAnswer();
            inHand -= finished.size();
            finished.clear();
        }
    }

    /**
     * Whether any has come back since the last call.
     *
     * @throws IllegalStateException if the answer of one could not be recorded
     */
    boolean takeFinished() {
        for (Future<Void> done = handingOver.poll(); done != null; done = handingOver.poll()) {
            finished.add(done);
        }
        List<Future<Void>> all = List.copyOf(finished);
        finished.clear();
        inHand -= all.size();
        all.forEach(MailWorkers::rethrow);
        return !all.isEmpty();
    }

    private static void rethrow(Future<Void> done) {
        try {
            done.get();
        } catch (ExecutionException e) {
            throw new IllegalStateException("Recording an answer failed", e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @PreDestroy
    void stop() {
        pool.shutdown();
    }
}
