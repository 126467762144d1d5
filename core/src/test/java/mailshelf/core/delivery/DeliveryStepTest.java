package mailshelf.core.delivery;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class DeliveryStepTest {
    private static final Instant NOW = Instant.parse("2026-11-23T06:00:00Z");

    @Test
    void pauses_grow_and_after_the_last_it_is_given_up() {
        List<Duration> pauses = new ArrayList<>();
        int attempt = 1;
        DeliveryStep step = DeliveryStep.after(new Answer.NotNow("452 mailbox full"), attempt, NOW);
        while (step.state() == DeliveryState.TRYING_AGAIN) {
            pauses.add(Duration.between(NOW, step.nextTry().orElseThrow()));
            step = DeliveryStep.after(new Answer.NotNow("452 mailbox full"), ++attempt, NOW);
        }

        assertThat(pauses).isSorted().hasSizeGreaterThan(4);
        assertThat(step.state()).isEqualTo(DeliveryState.GIVEN_UP);
    }

    @Test
    void a_lost_answer_is_tried_again_and_a_refusal_for_good_is_not() {
        assertThat(DeliveryStep.after(new Answer.Lost("cut"), 1, NOW).state()).isEqualTo(DeliveryState.TRYING_AGAIN);
        assertThat(DeliveryStep.after(new Answer.Never("550"), 1, NOW).state()).isEqualTo(DeliveryState.REFUSED);
        assertThat(Answer.ofCode(250, "ok")).isInstanceOf(Answer.Accepted.class);
        assertThat(Answer.ofCode(451, "later")).isInstanceOf(Answer.NotNow.class);
        assertThat(Answer.ofCode(550, "no")).isInstanceOf(Answer.Never.class);
    }

    @Test
    void the_outcome_of_a_run_is_that_of_its_deliveries() {
        assertThat(RunOutcome.of(List.of(DeliveryState.ACCEPTED, DeliveryState.ACCEPTED)))
                .isEqualTo(RunOutcome.SENT);
        assertThat(RunOutcome.of(List.of(DeliveryState.ACCEPTED, DeliveryState.REFUSED)))
                .isEqualTo(RunOutcome.PARTLY);
        assertThat(RunOutcome.of(List.of(DeliveryState.GIVEN_UP))).isEqualTo(RunOutcome.FAILED);
    }
}
