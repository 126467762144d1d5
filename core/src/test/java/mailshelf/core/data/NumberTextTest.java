package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** A number whose digits nobody could write out is none: calculating with it would never end. */
class NumberTextTest {
    static Stream<String> boundless() {
        return Stream.of(
                "1E-600000000",
                "1E600000000",
                "-1e+999999999",
                "1E-100",
                "1".repeat(1_000_000),
                "0." + "0".repeat(1_000_000) + "1",
                "0".repeat(65),
                "1234567890123456789");
    }

    @ParameterizedTest
    @MethodSource("boundless")
    void is_none_wherever_it_comes_from(String text) {
        assertThat(NumberText.read(text)).isEmpty();
        assertThat(new Filter("amount", Filter.Test.BETWEEN, List.of("", text)).fits(Column.number("amount", 2)))
                .isFalse();
        TableBuilder rows = new TableBuilder(List.of(Column.number("amount", 2)), Optional.empty());
        assertThat(rows.add(List.of(text))).isZero();
    }

    @ParameterizedTest
    @CsvSource({"12, 12", "-0.50, -0.50", "+7, 7", ".5, 0.5", "5., 5", "1E5, 100000", "1.5e-3, 0.0015"})
    void is_read_as_it_is_written(String text, BigDecimal number) {
        assertThat(NumberText.read(text)).contains(number);
    }

    @ParameterizedTest
    @CsvSource({"''", "' '", "1 2", "'1,5'", "NaN", "0x10", "--1", "1E", "١٢", "Infinity"})
    void is_nothing_else(String text) {
        assertThat(NumberText.read(text)).isEmpty();
    }

    @Test
    void days_have_years_of_four_digits() {
        TableBuilder rows = new TableBuilder(List.of(Column.date("day")), Optional.of("day"));

        assertThat(rows.add(List.of("+999999999-12-31"))).isZero();
        assertThat(rows.add(List.of("2026-11-30"))).isNegative();
        assertThatThrownBy(() -> new Filter("day", Filter.Test.BETWEEN, List.of("", "")))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
