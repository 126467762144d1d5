package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;

/** Values are kept as they are, or refused. */
class TableBuilderTest {
    private static final List<Column> COLUMNS = List.of(Column.date("day"), Column.number("n", 2));

    @Property(tries = 3000, seed = "20261128")
    void a_number_is_kept_exactly_where_its_column_can_hold_it_and_refused_otherwise(@ForAll("texts") String text) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));

        boolean kept = rows.add(List.of("2026-11-25", text)) < 0;

        assertThat(kept).as(text).isEqualTo(text.isEmpty() || fits(text));
        if (kept && !text.isEmpty()) {
            assertThat(new BigDecimal(rows.build().raw("n", 0))).as(text).isEqualByComparingTo(text);
        }
    }

    @Provide
    Arbitrary<String> texts() {
        return Arbitraries.strings().withChars("-0123456789.").ofMaxLength(24);
    }

    private static boolean fits(String text) {
        try {
            long unscaled = new BigDecimal(text).setScale(2).unscaledValue().longValueExact();
            return unscaled != ColumnData.Numbers.NONE;
        } catch (NumberFormatException | ArithmeticException e) {
            return false;
        }
    }

    @Test
    void a_row_that_is_refused_leaves_nothing_behind() {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        assertThat(rows.add(List.of("2026-11-25", "1"))).isEqualTo(-1);
        assertThat(rows.add(List.of("2026-11-26", "one"))).isEqualTo(1);
        assertThat(rows.add(List.of("2026-02-30", "2"))).isZero();
        assertThat(rows.add(List.of("", "2"))).isZero();
        assertThat(rows.add(List.of("2026-11-25", "3"))).isEqualTo(-1);

        Table table = rows.build();
        assertThat(table.rows()).isEqualTo(2);
        assertThat(table.raw("n", 1)).isEqualTo("3.00");
        assertThat(table.lastDay()).hasToString("Optional[2026-11-25]");
    }

    @Test
    void texts_stand_in_the_order_of_the_alphabet_and_are_found_there() {
        TableBuilder rows = new TableBuilder(List.of(Column.text("berth")), Optional.empty());
        List.of("Zink", "Ærø", "alta", "Ålesund", "Bodø", "Åland").forEach(berth -> rows.add(List.of(berth)));

        Table table = rows.build();
        assertThat(table.values("berth")).containsExactly("Ærø", "Åland", "Ålesund", "alta", "Bodø", "Zink");
        for (int row = 0; row < table.rows(); row++) {
            assertThat(table.text("berth").code(table.raw("berth", row)))
                    .hasValue(table.text("berth").codes()[row]);
        }
        assertThat(table.text("berth").code("Å")).isEmpty();
    }
}
