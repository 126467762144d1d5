package mailshelf.core.letter;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LetterPatternTest {
    private static final LetterFields FIELDS = new LetterFields(
            "Crew, weekly",
            "No. 12",
            "16–22 Nov 2026",
            "23 Nov 2026",
            "07:15",
            "Ida Solvang",
            new LetterFields.OfCopy(
                    "Crew hours",
                    "Hours",
                    "",
                    Map.of("Overtime", "124 h", "Share", "–"),
                    Map.of("routes", "Terna and Rype", "none", "")));

    @Test
    void nothing_written_is_the_usual_subject_and_no_text() {
        assertThat(LetterPattern.USUAL.subject(FIELDS)).isEqualTo("Crew, weekly: No. 12, 16–22 Nov 2026");
        assertThat(LetterPattern.USUAL.text(FIELDS)).isEmpty();
        assertThat(new LetterPattern("  ", "\n")).isEqualTo(LetterPattern.USUAL);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            Hours of {value of routes}          | Hours of Terna and Rype
            {report}, {page}: {figure of Overtime} | Crew hours, Hours: 124 h
            {date} {time} for {recipient}       | 23 Nov 2026 07:15 for Ida Solvang
            to {figures to}                     | to –
            to {figures to; now}                | to now
            {value of none; nobody leads one}   | nobody leads one
            {value of gone;none} {figure of Gone} | none –
            {figure of Overtime ; no hours}     | 124 h
            {figure of Share; none} {figure of Share} | none –
            half {open, {nothing known}         | half {open, {nothing known}
            """)
    void fields_say_what_the_mail_says_or_what_stands_there_otherwise(String pattern, String said) {
        assertThat(new LetterPattern(pattern, "").subject(FIELDS)).isEqualTo(said);
        assertThat(new LetterPattern("", pattern).text(FIELDS)).isEqualTo(said);
    }

    @Test
    void values_from_data_start_no_line_of_their_own_and_subjects_end_somewhere() {
        String breaking = "one\r\nBcc: all@x.example\u202e";
        LetterFields fields =
                with(Map.of("bad", breaking, "long", "x".repeat(900), "pairs", "\ud83d\udea2".repeat(900)));

        assertThat(new LetterPattern("Of {value of bad}", "").subject(fields)).isEqualTo("Of one  Bcc: all@x.example");
        assertThat(new LetterPattern("", "Of {value of bad}.").text(fields)).isEqualTo("Of one  Bcc: all@x.example.");
        assertThat(new LetterPattern("{value of long}", "").subject(fields))
                .hasSize(LetterPattern.LONGEST_SUBJECT)
                .endsWith("x…");
        assertThat(new LetterPattern("{value of pairs}", "").subject(fields)).endsWith("\udea2…");
        assertThat(new LetterPattern("A{value of pairs}", "").subject(fields)).endsWith("\udea2…");
    }

    private static LetterFields with(Map<String, String> named) {
        return new LetterFields("a", "b", "c", "d", "e", "f", new LetterFields.OfCopy("r", "p", "t", Map.of(), named));
    }

    @Test
    void what_no_letter_has_is_named() {
        LetterPattern pattern = new LetterPattern(
                "{days} {day} {figure of Overtime} {figure of Gone}", "{value of routes; a} {value of mine} {day}");

        assertThat(pattern.unknown(List.of("Overtime"), Set.of("routes")::contains))
                .containsExactly("day", "figure of Gone", "value of mine");
        assertThat(pattern.namedValues()).containsExactly("mine", "routes");
        assertThat(pattern.figures()).containsExactly("Gone", "Overtime");
        assertThat(LetterPattern.USUAL.unknown(List.of(), name -> false)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{subscription} {days}", "Crew {days}", "Crew", "{report}"})
    void mailbox_rules_can_go_by_an_opening_that_stays(String subject) {
        assertThat(new LetterPattern(subject, "").beginsAlike()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"{days}: crew", "{value of routes}", "A {number}"})
    void not_by_one_that_changes(String subject) {
        assertThat(new LetterPattern(subject, "").beginsAlike()).isFalse();
    }

    @Test
    void what_would_break_a_line_or_is_too_long_cannot_be_kept() {
        assertThat(new LetterPattern("One line", "Two\r\nlines").canBeKept()).isTrue();
        assertThat(new LetterPattern("Two\nlines", "").canBeKept()).isFalse();
        assertThat(new LetterPattern("", "turned \u202e round").canBeKept()).isFalse();
        assertThat(new LetterPattern("x".repeat(201), "").canBeKept()).isFalse();
        assertThat(new LetterPattern("", "x".repeat(2001)).canBeKept()).isFalse();
    }
}
