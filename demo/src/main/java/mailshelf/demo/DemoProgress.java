package mailshelf.demo;

import java.io.PrintStream;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** How far the demo is with its start, for those who wait for it: in the browser and at the terminal. Thread-safe. */
@Component
class DemoProgress {
    /** What a start is made of; the parts of the time that each takes are measured. */
    enum Stage {
        PEOPLE(0),
        WEEKS(5),
        LIBRARY(60),
        DONE(100);

        /** Where it begins. */
        private final int percent;

        Stage(int percent) {
            this.percent = percent;
        }

        private Stage next() {
            return values()[ordinal() + 1];
        }
    }

    private volatile Stage stage = Stage.PEOPLE;
    private volatile int percent;
    private PrintStream out;

    /** @param terminal where it is said too, every ten percent */
    void begin(PrintStream terminal) {
        out = terminal;
    }

    void begin(Stage next) {
        stage = next;
        show(next.percent);
    }

    /** @param part how much of the present stage is done, 0 to 1 */
    void done(double part) {
        show(stage.percent + (int) (part * (stage.next().percent - stage.percent)));
    }

    private void show(int now) {
        boolean isFurther = now / 10 > percent / 10;
        percent = now;
        if (isFurther && stage != Stage.DONE) {
            out.println("  " + percent + " %");
        }
    }

    int percent() {
        return percent;
    }

    boolean isDone() {
        return stage == Stage.DONE;
    }

    /** The part of a span of time that is over at a moment of it. */
    static double part(Instant from, Instant at, Instant to) {
        double all = Duration.between(from, to).toMillis();
        return all <= 0 ? 1 : Math.min(1, Duration.between(from, at).toMillis() / all);
    }
}
