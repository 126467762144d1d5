package mailshelf.core.data;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** When loads that fall due by time are to come, as far as can be told now. */
public final class ExpectedLoads {
    private final List<Plan> plans;

    /** @param due when the next load falls due */
    public record Plan(LoadTimes times, Instant due) {}

    /** @param plans of the data sets whose loads count */
    public ExpectedLoads(List<Plan> plans) {
        this.plans = List.copyOf(plans);
    }

    /**
     * The next moments at which something fires that fires after loads, in order; none where none loads by time. A load within
     * the span waits for its end.
     *
     * @param span the least from one to the next
     * @param last when it fired last
     */
    public List<Instant> firings(Instant now, Duration span, Optional<Instant> last, int count) {
        List<Instant> firings = new ArrayList<>();
        Optional<Instant> before = last;
        Instant from = now;
        while (firings.size() < count) {
            Optional<Instant> load = after(from);
            if (load.isEmpty()) {
                return firings;
            }
            Instant earliest = before.map(at -> at.plus(span)).orElse(load.get());
            Instant firing = earliest.isAfter(load.get()) ? earliest : load.get();
            firings.add(firing);
            before = Optional.of(firing);
            from = firing;
        }
        return firings;
    }

    private Optional<Instant> after(Instant moment) {
        return plans.stream()
                .map(plan -> plan.times().following(plan.due(), moment))
                .min(Instant::compareTo);
    }
}
