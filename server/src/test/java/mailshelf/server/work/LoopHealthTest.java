package mailshelf.server.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import mailshelf.server.clock.Alarm;
import org.junit.jupiter.api.Test;
import org.springframework.boot.health.contributor.Status;

class LoopHealthTest {
    private final LoopHealth health = new LoopHealth();

    @Test
    void a_round_that_fails_is_followed_by_the_next() throws InterruptedException {
        CountDownLatch rounds = new CountDownLatch(3);
        Alarm alarm = new Alarm();
        Loop loop = health.watch(new Loop("failing", alarm, () -> {
            rounds.countDown();
            alarm.ring();
            throw new StackOverflowError();
        }));

        loop.start();

        assertThat(rounds.await(30, TimeUnit.SECONDS)).isTrue();
        assertThat(health.health().getStatus()).isEqualTo(Status.UP);
        loop.end();
    }

    @Test
    void a_loop_that_has_died_is_told() throws InterruptedException {
        Loop loop = health.watch(new Loop("dying", new Alarm(), () -> {
            throw new OutOfMemoryError("not a real one");
        }));

        loop.start();

        for (int i = 0; i < 300 && !loop.isDead(); i++) {
            TimeUnit.MILLISECONDS.sleep(100);
        }
        assertThat(health.health().getStatus()).isEqualTo(Status.DOWN);
        assertThat(health.health().getDetails()).containsEntry("dying", "dead");
        loop.end();
        assertThat(health.health().getStatus()).as("it was ended on purpose").isEqualTo(Status.UP);
    }

    @Test
    void a_loop_that_stands_still_is_told_until_it_goes_on() throws InterruptedException {
        LoopHealth impatient = new LoopHealth(Duration.ofMillis(50));
        CountDownLatch stuck = new CountDownLatch(1);
        Loop loop = impatient.watch(new Loop("stuck", new Alarm(), () -> {
            awaited(stuck);
            return Duration.ofHours(1);
        }));

        loop.start();
        TimeUnit.MILLISECONDS.sleep(200);

        assertThat(impatient.health().getStatus()).isEqualTo(Status.DOWN);
        loop.isAlive();
        assertThat(impatient.health().getStatus()).isEqualTo(Status.UP);
        stuck.countDown();
        loop.end();
    }

    @Test
    void a_long_rest_is_ended_by_the_alarm() throws InterruptedException {
        CountDownLatch second = new CountDownLatch(2);
        Alarm alarm = new Alarm();
        Loop loop = new Loop("resting", alarm, () -> {
            second.countDown();
            return Duration.ofHours(1);
        });

        loop.start();
        alarm.ring();

        assertThat(second.await(30, TimeUnit.SECONDS)).isTrue();
        loop.end();
    }

    private static void awaited(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
