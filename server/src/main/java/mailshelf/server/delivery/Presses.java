package mailshelf.server.delivery;

import jakarta.annotation.PreDestroy;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Does the same to many things, as many at a time as the machine has processors. For work that computes. */
@Component
class Presses {
    private final ExecutorService threads =
            Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors());

    /** The results in the order of the things; the first failure is thrown. */
    <T, R> List<R> each(List<T> things, Function<T, R> work) {
        List<Future<R>> running = things.stream()
                .map(thing -> threads.submit(() -> work.apply(thing)))
                .toList();
        return running.stream().map(Presses::result).toList();
    }

    private static <R> R result(Future<R> running) {
        try {
            return running.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while something was made", e);
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) {
                throw cause;
            }
            throw new IllegalStateException("Something could not be made", e.getCause());
        }
    }

    @PreDestroy
    void stop() {
        threads.shutdown();
    }
}
