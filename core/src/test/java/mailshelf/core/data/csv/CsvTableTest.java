package mailshelf.core.data.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.StringReader;
import java.io.StringWriter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.wording.Words;
import org.junit.jupiter.api.Test;

class CsvTableTest {
    private static final List<Column> COLUMNS =
            List.of(Column.date("date"), Column.text("route"), Column.number("amount", 2));

    @Test
    void rows_are_kept_sorted_by_day_and_written_back_as_they_came() throws Exception {
        Table table = read("date,route,amount\n2026-01-02,\"Ness, north\",12.50\n2026-01-01,,\n");

        StringWriter written = new StringWriter();
        CsvTable.write(table, written);

        assertThat(table.rows()).isEqualTo(2);
        assertThat(written.toString())
                .isEqualToIgnoringNewLines("date,route,amount\n2026-01-01,,\n2026-01-02,\"Ness, north\",12.50\n");
    }

    @Test
    void bad_values_are_named_by_line_and_column_and_told_together() {
        assertThatThrownBy(() -> read("date,route,amount\n2026-13-02,A,1\n2026-01-02,B,1.234\n,C,1\n"))
                .isInstanceOfSatisfying(Problem.class, problem -> {
                    assertThat(problem.code()).isEqualTo("data.bad-rows");
                    assertThat(problem.faults())
                            .extracting(Problem.Fault::field)
                            .containsExactly("line 2, date", "line 3, amount", "line 4, date");
                    assertThat(problem.sentences(Words.in(Locale.ENGLISH))).hasSize(3);
                });
    }

    @Test
    void a_header_that_lacks_a_column_is_refused_by_name() {
        assertThatThrownBy(() -> read("date,route\n2026-01-02,A\n"))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("amount");
    }

    @Test
    void a_table_can_be_gone_on_with() {
        TableBuilder builder = TableBuilder.from(read("date,route,amount\n2026-01-02,A,1.00\n"));
        builder.add(List.of("2026-01-01", "B", "2.00"));

        Table table = builder.build();

        assertThat(table.raw("route", 0)).isEqualTo("B");
        assertThat(table.values("route")).containsExactly("A", "B");
        assertThat(table.lastDay()).hasToString("Optional[2026-01-02]");
    }

    static Table read(String csv) {
        TableBuilder builder = new TableBuilder(COLUMNS, Optional.of("date"));
        CsvTable.read(new StringReader(csv), CsvForm.PLAIN, COLUMNS, builder);
        return builder.build();
    }
}
