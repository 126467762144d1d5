package mailshelf.core.wording;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OneLineTest {
    @ParameterizedTest
    @ValueSource(
            strings = {"", " ", "a\r\nBcc: all@brinewater.example", "a\tb", "turned \u202eround", "open \u2067 end"})
    void what_would_break_the_line_or_turn_it_round_is_no_name(String text) {
        assertThat(OneLine.isName(text)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "\u200b",
                "\u00a0",
                "Ida\u200b",
                "\ufeffIda",
                "I\u00adda",
                "\u3164",
                "\u200d",
                "Ida\u200d",
                "\ud83d",
                "a\u2060b",
                "\u2003\u2003"
            })
    void what_cannot_be_seen_is_no_name(String text) {
        assertThat(OneLine.isName(text)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Rita Bø",
                "👩\u200d🔧",
                "می\u200cخواهم",
                "1 Ness–Hovden",
                "O’Hara & sons <of>",
                "דוח שבועי",
                "=SUM(A1)",
                "🚢"
            })
    void any_script_and_any_sign_is_a_name(String text) {
        assertThat(OneLine.isName(text)).isTrue();
        assertThat(OneLine.of(text)).isSameAs(text);
    }

    @Test
    void a_name_has_an_end() {
        assertThat(OneLine.isName("x".repeat(OneLine.LONGEST_NAME))).isTrue();
        assertThat(OneLine.isName("x".repeat(OneLine.LONGEST_NAME + 1))).isFalse();
    }

    @Test
    void a_label_loses_nothing_but_what_breaks_or_turns_the_line() {
        assertThat(OneLine.of("north\nof \u202eNess\u202c\u0007 (=1+2)")).isEqualTo("north of Ness (=1+2)");
    }
}
