package mailshelf.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Locale;
import org.junit.jupiter.api.Test;

class FiguresTest {
    private final Figures english = Figures.in(Locale.ENGLISH);

    @Test
    void thousands_stand_apart_and_minus_is_a_true_minus() {
        assertThat(english.number(new BigDecimal("-12345.65"), 1)).isEqualTo("−12\u2009345.7");
        assertThat(english.number(new BigDecimal("-0.04"), 1)).isEqualTo("0.0");
        assertThat(english.signed(new BigDecimal("3"), 0)).isEqualTo("+3");
        assertThat(english.signed(new BigDecimal("0.4"), 0)).isEqualTo("0");
    }

    @Test
    void other_languages_keep_their_own_signs() {
        assertThat(Figures.in(Locale.GERMANY).number(new BigDecimal("1234.5"), 1))
                .isEqualTo("1.234,5");
    }

    @Test
    void sizes_are_read_at_a_glance() {
        assertThat(english.size(999)).isEqualTo("999\u00a0B");
        assertThat(english.size(83_900)).isEqualTo("84\u00a0kB");
        assertThat(english.size(1_250_000)).isEqualTo("1.3\u00a0MB");
    }
}
