package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class ScaleTest {
    @Test
    void steps_are_round_numbers() {
        assertThat(Scale.ticks(0, 51, 0)).extracting(BigDecimal::toPlainString).containsExactly("0", "20", "40", "60");
        assertThat(Scale.ticks(88.2, 99.1, 1))
                .extracting(BigDecimal::toPlainString)
                .containsExactly("85", "90", "95", "100");
    }

    @Property(seed = "20261125")
    void values_lie_within_and_rules_are_few(
            @ForAll @DoubleRange(min = -1e6, max = 1e6) double low,
            @ForAll @DoubleRange(max = 1e6) double span,
            @ForAll @IntRange(max = 3) int decimals) {
        var ticks = Scale.ticks(low, low + span, decimals);

        assertThat(ticks.get(0).doubleValue()).isLessThanOrEqualTo(low);
        assertThat(ticks.get(ticks.size() - 1).doubleValue()).isGreaterThanOrEqualTo(low + span);
        assertThat(ticks).hasSizeBetween(2, 7).isSorted();
    }
}
