package mailshelf.core.named;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.expression.BadExpression;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ReferencesTest {
    private static final Map<String, ComesTo> KNOWN = Map.of(
            "ring", new ComesTo(List.of("5 Holm ring", "6 Skarv"), false),
            "late", new ComesTo(List.of("10"), false),
            "nothing", new ComesTo(List.of(), false));

    @Test
    void a_name_among_values_gives_all_of_its_values() {
        assertThat(resolved(Filter.anyOf("route", List.of("1 Ness", "{ring}"))))
                .containsExactly(Filter.anyOf("route", List.of("1 Ness", "5 Holm ring", "6 Skarv")));
        assertThat(resolved(new Filter("route", Filter.Test.NONE_OF, List.of("{ring}"))))
                .containsExactly(new Filter("route", Filter.Test.NONE_OF, List.of("5 Holm ring", "6 Skarv")));
    }

    @Test
    void a_bound_is_one_value() {
        assertThat(resolved(new Filter("delay", Filter.Test.BETWEEN, List.of("{late}", ""))))
                .containsExactly(new Filter("delay", Filter.Test.BETWEEN, List.of("10", "")));
        assertThatThrownBy(() -> resolved(new Filter("delay", Filter.Test.BETWEEN, List.of("{ring}", ""))))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("named.list-as-bound");
        assertThatThrownBy(() -> resolved(new Filter("delay", Filter.Test.BETWEEN, List.of("{unknown}", ""))))
                .hasMessageContaining("named.unknown");
    }

    @Test
    void what_comes_to_nothing_lets_no_row_through_and_holds_none_back() {
        assertThat(resolved(Filter.anyOf("route", List.of("{nothing}"))))
                .extracting(Filter::test)
                .containsExactly(Filter.Test.EMPTY, Filter.Test.FILLED);
        assertThat(resolved(new Filter("route", Filter.Test.NONE_OF, List.of("{nothing}"))))
                .isEmpty();
    }

    @Test
    void a_text_in_braces_that_names_nothing_is_a_text() {
        Filter odd = Filter.anyOf("route", List.of("{old pier}", "}{"));

        assertThat(resolved(odd)).containsExactly(odd);
        assertThat(References.in(List.of(odd))).containsExactly("old pier");
        assertThat(odd.fits(Column.text("route"))).isTrue();
    }

    private static List<Filter> resolved(Filter filter) {
        return References.resolved(List.of(filter), name -> Optional.ofNullable(KNOWN.get(name)));
    }

    @ParameterizedTest
    @CsvSource({
        "today, 2026-11-26",
        "today - 7, 2026-11-19",
        "today - day(today) + 1, 2026-11-01",
        "today - weekday(today) + 1, 2026-11-23",
        "2 * 7.5, 15.0",
        "'\"week \" & week(today)', week 48",
    })
    void a_formula_is_computed_from_today(String formula, String value) throws BadExpression {
        assertThat(Formula.value(formula, LocalDate.of(2026, 11, 26))).contains(value);
    }

    @Test
    void a_formula_over_a_missing_part_comes_to_nothing() throws BadExpression {
        assertThat(Formula.value("1 / 0", LocalDate.of(2026, 11, 26))).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"today +", "yesterday", "today > today", "today + today", ""})
    void what_is_no_formula_says_where(String formula) {
        assertThatThrownBy(() -> Formula.value(formula, LocalDate.of(2026, 11, 26)))
                .isInstanceOfSatisfying(
                        BadExpression.class, e -> assertThat(e.position()).isBetween(0, formula.length()));
    }

    @Test
    void a_list_is_written_with_its_separator_and_last_word() {
        NamedValue list = named("; ", "or");

        assertThat(written(list, "Terna", "Rype", "Lomvi")).isEqualTo("Terna; Rype or Lomvi");
        assertThat(written(list, "Terna")).isEqualTo("Terna");
        assertThat(written(named(" / ", ""), "Terna", "Rype")).isEqualTo("Terna / Rype");
        assertThat(list.comesTo(List.of())).isEqualTo(new ComesTo(List.of("none"), true));
    }

    private static String written(NamedValue list, String... values) {
        return list.inText(list.comesTo(List.of(values))).written(value -> "never asked for");
    }

    private static NamedValue named(String separator, String lastWord) {
        return new NamedValue(
                "vessels",
                NamedValue.Kind.DISTINCT,
                List.of(),
                "",
                Optional.empty(),
                "vessel",
                List.of("none"),
                separator,
                lastWord);
    }
}
