package mailshelf.core.data;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import org.junit.jupiter.api.Test;

/** Loads that lose most rows, or bring those that are there, are held back. */
class LoadChangeTest {
    private static final List<Column> COLUMNS = List.of(
            new Column("day", ColumnType.DATE, 0, Optional.empty()),
            new Column("route", ColumnType.TEXT, 0, Optional.empty()),
            new Column("amount", ColumnType.NUMBER, 2, Optional.empty()));

    @Test
    void fewer_rows_are_taken_until_most_of_many_are_gone() {
        assertThatCode(() -> {
                    LoadChange.requireReplaces(0, 0, Optional.empty());
                    LoadChange.requireReplaces(99, 1, Optional.empty());
                    LoadChange.requireReplaces(1000, 500, Optional.empty());
                    LoadChange.requireReplaces(1000, 2000, Optional.empty());
                })
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> LoadChange.requireReplaces(1000, 499, Optional.empty()))
                .isInstanceOf(Problem.class);
        assertThatThrownBy(() -> LoadChange.requireReplaces(1, 0, Optional.empty()))
                .isInstanceOf(Problem.class);
    }

    @Test
    void how_many_may_go_is_the_data_sets_to_say() {
        assertThatCode(() -> LoadChange.requireReplaces(1000, 900, Optional.of(10)))
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> LoadChange.requireReplaces(1000, 899, Optional.of(10)))
                .isInstanceOf(Problem.class);
        assertThatThrownBy(() -> LoadChange.requireReplaces(20, 17, Optional.of(10)))
                .isInstanceOf(Problem.class);
        assertThatCode(() -> LoadChange.requireReplaces(1000, 1, Optional.of(100)))
                .doesNotThrowAnyException();
        assertThatThrownBy(() -> LoadChange.requireReplaces(1000, 0, Optional.of(100)))
                .isInstanceOf(Problem.class);
    }

    @Test
    void rows_that_are_there_already_are_told_from_new_ones() {
        Table before = table(1, 40);

        assertThatThrownBy(() -> LoadChange.requireAdds(before, table(10, 20))).isInstanceOf(Problem.class);
        assertThatCode(() -> LoadChange.requireAdds(before, table(10, 41))).doesNotThrowAnyException();
        assertThatCode(() -> LoadChange.requireAdds(before, table(41, 40))).doesNotThrowAnyException();
    }

    @Test
    void a_table_is_added_to_another_value_by_value() {
        TableBuilder all = TableBuilder.from(table(20, 90));
        all.addAll(table(1, 19));

        Table added = all.build();

        assertThat(added.rows()).isEqualTo(90);
        Table whole = table(1, 90);
        for (int row = 0; row < 90; row++) {
            for (int column = 0; column < 3; column++) {
                assertThat(added.raw(column, row)).isEqualTo(whole.raw(column, row));
            }
        }
    }

    private static Table table(int from, int to) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        IntStream.rangeClosed(from, to)
                .mapToObj(i -> List.of("2026-%02d-%02d".formatted(1 + i / 28, 1 + i % 28), "Pier " + i % 7, i + ".50"))
                .forEach(rows::add);
        return rows.build();
    }
}
