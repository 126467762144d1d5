package mailshelf.core.work;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RetryPausesTest {
    private static final Instant NOW = Instant.parse("2027-03-01T04:20:00Z");

    @Test
    void pauses_grow_and_end() {
        var pauses = IntStream.rangeClosed(1, RetryPauses.USUAL.pauses().size())
                .mapToObj(failures -> Duration.between(
                        NOW, RetryPauses.USUAL.nextTry(failures, NOW).orElseThrow()))
                .toList();

        assertThat(pauses).isSorted().doesNotHaveDuplicates();
        assertThat(RetryPauses.USUAL.nextTry(pauses.size() + 1, NOW)).isEmpty();
    }
}
