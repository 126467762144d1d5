package mailshelf.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.text.NumberFormat;
import java.util.List;
import java.util.Locale;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.BigRange;
import net.jqwik.api.constraints.IntRange;
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

    @Property(tries = 500, seed = "20261126")
    void numbers_are_those_of_the_platform_but_for_the_signs_of_the_house(
            @ForAll @BigRange(min = "-9999999999999", max = "9999999999999") BigDecimal value,
            @ForAll @IntRange(max = 6) int decimals,
            @ForAll @IntRange(max = 3) int language) {
        Locale locale = List.of(Locale.ENGLISH, Locale.GERMANY, Locale.FRANCE, Locale.forLanguageTag("ar-EG"))
                .get(language);
        NumberFormat platform = NumberFormat.getInstance(locale);
        platform.setRoundingMode(RoundingMode.HALF_UP);
        platform.setMinimumFractionDigits(decimals);
        platform.setMaximumFractionDigits(decimals);
        String sign = value.setScale(decimals, RoundingMode.HALF_UP).signum() < 0 ? "−" : "";
        String expected = platform.format(value.abs()).replaceAll("\\p{Zs}", "\u2009");

        assertThat(Figures.in(locale).number(value, decimals))
                .isEqualTo(sign + (language == 0 ? expected.replace(",", "\u2009") : expected));
    }

    @Test
    void sizes_are_read_at_a_glance() {
        assertThat(english.size(999)).isEqualTo("999\u00a0B");
        assertThat(english.size(83_900)).isEqualTo("84\u00a0kB");
        assertThat(english.size(1_250_000)).isEqualTo("1.3\u00a0MB");
    }
}
