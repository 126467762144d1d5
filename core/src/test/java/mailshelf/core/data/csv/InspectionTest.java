package mailshelf.core.data.csv;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.InputStreamReader;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files as people send them. */
class InspectionTest {
    private static final ZoneId OSLO = ZoneId.of("Europe/Oslo");

    @Test
    void a_plain_file_is_typed_by_its_values() {
        Inspection seen =
                seen("day,route,passengers,fare,code\n2026-11-24,1 Ness,120,12.50,007\n2026-11-25,,80,7.5,010\n");

        assertThat(seen.form().separator()).isEqualTo(',');
        assertThat(seen.columns())
                .extracting(Inspection.Found::column)
                .containsExactly(
                        Column.date("day"),
                        Column.text("route"),
                        Column.number("passengers", 0),
                        Column.number("fare", 2),
                        Column.text("code"));
        assertThat(seen.columns().get(1).empty()).isEqualTo(1);
        assertThat(typed(seen).get(1)).containsExactly("2026-11-25", "", "80", "7.5", "010");
    }

    @Test
    void semicolons_decimal_commas_and_days_with_points_are_read_as_they_are_meant() {
        Inspection seen = seen("Tag;Betrag;Text\n24.11.2026;1.234,50;\"a; b\"\n1.2.2026;-7,5;\"zwei\nZeilen\"\n");

        assertThat(seen.form())
                .isEqualTo(new CsvForm(';', DecimalMark.COMMA, Map.of("Tag", DateForm.DAY_MONTH_YEAR), Map.of()));
        assertThat(typed(seen))
                .containsExactly(
                        List.of("2026-11-24", "1234.50", "a; b"), List.of("2026-02-01", "-7.5", "zwei\nZeilen"));
    }

    @Test
    void types_corrected_by_hand_show_what_they_would_keep_and_what_does_not_fit() {
        Inspection seen = seen("day,code,fare\n1/2/2026,007,12.50\n3/4/2026,x,7\n");

        List<List<Inspection.TypedValue>> rows = seen.typed(
                List.of(Column.date("day"), Column.number("code", 0), Column.number("fare", 1)),
                Optional.of(DateForm.MONTH_FIRST));

        assertThat(rows.get(0))
                .containsExactly(
                        new Inspection.TypedValue("2026-01-02", true),
                        new Inspection.TypedValue("007", true),
                        new Inspection.TypedValue("12.50", false));
        assertThat(rows.get(1).get(1)).isEqualTo(new Inspection.TypedValue("x", false));
        assertThat(rows.get(1).get(2)).isEqualTo(new Inspection.TypedValue("7", true));
    }

    private static List<List<String>> typed(Inspection seen) {
        List<Column> found =
                seen.columns().stream().map(Inspection.Found::column).toList();
        return seen.typed(found, Optional.empty()).stream()
                .map(row -> row.stream().map(Inspection.TypedValue::text).toList())
                .toList();
    }

    @Test
    void tabs_and_bars_are_found_even_where_texts_hold_commas() {
        assertThat(seen("a\tb\n1, 2, 3\t4\n5, 6\t7\n").form().separator()).isEqualTo('\t');
        assertThat(seen("a|b\nx, y|z\n").form().separator()).isEqualTo('|');
        assertThat(seen("only one\nx\ny\n").columns()).hasSize(1);
    }

    @Test
    void days_that_fit_two_forms_are_told_and_one_that_fits_only_one_settles_it() {
        assertThat(seen("day,n\n3/4/2026,1\n5/6/2026,2\n").columns().get(0).dateForms())
                .containsExactly(DateForm.DAY_FIRST, DateForm.MONTH_FIRST);
        assertThat(seen("day,n\n3/4/2026,1\n25/6/2026,2\n").columns().get(0).dateForms())
                .containsExactly(DateForm.DAY_FIRST);
        assertThat(seen("day,n\n3/4/2026,1\n6/25/2026,2\n").columns().get(0).dateForms())
                .containsExactly(DateForm.MONTH_FIRST);
    }

    @Test
    void one_bad_day_makes_it_no_column_of_days_but_does_not_hide_how_the_others_are_written() {
        Inspection.Found day = seen("day,n\n24.11.2026,1\n25.11.2026,2\n31.11.2026,3\n")
                .columns()
                .get(0);

        assertThat(day.column().type()).isEqualTo(ColumnType.TEXT);
        assertThat(day.dateForms()).containsExactly(DateForm.DAY_MONTH_YEAR);
    }

    @ParameterizedTest
    @CsvSource({
        "2026-11-25 05:40, 2026-11-25T05:40",
        "2026-11-25T05:40:07, 2026-11-25T05:40:07",
        "2026-11-25T05:40:07.999, 2026-11-25T05:40:07",
        "2026-11-25T05:40+00:00, 2026-11-25T06:40",
        "2026-06-25T05:40Z, 2026-06-25T07:40",
        "25.11.2026 5:40, 2026-11-25T05:40",
        "11/25/2026 12:05 AM, 2026-11-25T00:05",
        "25/11/2026 5:40pm, 2026-11-25T17:40",
        "2026-11-25, 2026-11-25T00:00",
    })
    void times_are_read_as_files_write_them(String written, String kept) {
        Inspection seen = seen("at,n\n" + written + ",1\n" + other(written) + ",2\n");

        assertThat(seen.columns().get(0).column()).isEqualTo(Column.time("at", OSLO));
        assertThat(seen.typed(List.of(Column.time("at", OSLO), Column.number("n", 0)), Optional.empty())
                        .get(0)
                        .get(0))
                .isEqualTo(new Inspection.TypedValue(kept, true));
    }

    /** One more of the same form, with a time. */
    private static String other(String written) {
        boolean isIso = written.startsWith("2026");
        return isIso ? "2026-11-26 06:00" : written.replaceFirst(" .*", " 6:00");
    }

    @Test
    void what_is_no_time_is_refused_and_what_may_be_two_is_asked() {
        Inspection seen = seen("at,n\n3/4/2026 05:40,1\n5/6/2026 06:00,2\n");

        assertThat(seen.columns().get(0).isAmbiguous()).isTrue();
        assertThat(seen("at,n\n2026-11-25 25:40,1\n2026-11-25 05:61,1\n")
                        .columns()
                        .get(0)
                        .column()
                        .type())
                .isEqualTo(ColumnType.TEXT);
        assertThat(seen("at,n\n11/25/2026 13:40 PM,1\n")
                        .columns()
                        .get(0)
                        .column()
                        .type())
                .isEqualTo(ColumnType.TEXT);
    }

    @Test
    void a_thousand_or_one_with_decimals_is_asked_where_both_marks_fit() {
        String text = "day,n\n2026-11-24,\"1,234\"\n2026-11-25,\"5,678\"\n";
        Inspection seen = seen(text);
        assertThat(seen.marks()).containsExactly(DecimalMark.POINT, DecimalMark.COMMA);
        assertThat(typed(seen).get(0)).containsExactly("2026-11-24", "1234");
        Inspection meant = Inspection.of(text, true, OSLO, Optional.of(DecimalMark.COMMA));
        assertThat(meant.columns().get(1).column()).isEqualTo(Column.number("n", 3));
        assertThat(typed(meant).get(0)).containsExactly("2026-11-24", "1.234");
        assertThat(seen.fits(DecimalMark.POINT, List.of(Column.number("n", 2)))).isTrue();
        assertThat(seen.fits(DecimalMark.COMMA, List.of(Column.number("n", 2)))).isFalse();
        assertThat(seen("day,n\n2026-11-24,\"1,234.5\"\n").marks()).containsExactly(DecimalMark.POINT);
        assertThat(seen("day,n\n2026-11-24,12\n").marks()).as("reads the same").hasSize(1);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            12,5 % | %  | 12.5
            1 234,50 kr | kr | 1234.50
            € 1.234,50 | € | 1234.50
            EUR 12,00 | EUR | 12.00
            -340 USD | USD | -340
            """)
    void a_number_is_kept_without_what_all_of_its_column_are_written_with(String written, String unit, String plain) {
        Inspection seen = seen("day;n\n2026-11-24;" + written + "\n2026-11-25;" + written + "\n");
        assertThat(seen.columns().get(1).unit()).isEqualTo(unit);
        assertThat(seen.columns().get(1).column().type()).isEqualTo(ColumnType.NUMBER);
        assertThat(typed(seen).get(0)).containsExactly("2026-11-24", plain);
    }

    @Test
    void numbers_with_and_without_a_unit_or_in_two_currencies_are_not_of_one_kind() {
        for (String other : List.of("12,5", "12,5 USD")) {
            Inspection seen = seen("day;n\n2026-11-24;12,5 EUR\n2026-11-25;" + other + "\n");
            assertThat(seen.columns().get(1).column().type()).isEqualTo(ColumnType.TEXT);
        }
        CsvForm euros = seen("day;n\n2026-11-24;12,5 EUR\n").form();
        assertThat(read("day;n\n2026-11-24;13,5 EUR\n", euros).raw("n", 0)).isEqualTo("13.50");
        assertThatThrownBy(() -> read("day;n\n2026-11-24;13,5 USD\n", euros)).isInstanceOf(Problem.class);
    }

    @Test
    void a_line_with_too_few_or_too_many_values_says_so_and_how_to_mend_it() {
        assertThatThrownBy(() -> read("day,n\n2026-11-24,1,5\n2026-11-25\n2026-11-26,2\n", CsvForm.PLAIN))
                .isInstanceOfSatisfying(
                        Problem.class,
                        problem -> assertThat(problem.faults())
                                .extracting(Problem.Fault::message)
                                .containsExactly(
                                        "line 2 has 3 values, but the first line names 2 columns; put a value that holds"
                                                + " \",\" in quotes",
                                        "line 3 has 1 values, but the first line names 2 columns; an empty value needs its"
                                                + " \",\" too"));
    }

    @Test
    void a_spreadsheet_or_other_bytes_are_said_to_be_what_they_are() {
        assertThatThrownBy(() -> Encoding.of(new byte[] {'P', 'K', 3, 4, 20, 0}))
                .hasMessageContaining("data.is-spreadsheet");
        assertThatThrownBy(() -> Encoding.of(new byte[] {1, 0, 0, 0, 7})).hasMessageContaining("data.not-text");
        assertThat(Encoding.of("day,n\n2026-11-24,1".getBytes(StandardCharsets.UTF_16LE)))
                .as("without its mark")
                .isEqualTo(new Encoding(StandardCharsets.UTF_16LE, 0));
    }

    @Test
    void a_cut_last_line_is_not_looked_at() {
        assertThat(Inspection.of("day,n\n2026-11-24,1\n2026-1", false, OSLO, Optional.empty())
                        .columns()
                        .get(0)
                        .column())
                .isEqualTo(Column.date("day"));
    }

    @Test
    void names_that_lack_or_repeat_are_told_together() {
        assertThatThrownBy(() -> seen("a,,a\n1,2,3\n"))
                .isInstanceOfSatisfying(
                        Problem.class,
                        problem -> assertThat(problem.faults())
                                .extracting(Problem.Fault::field)
                                .containsExactly("column 2", "column 3"));
        assertThatThrownBy(() -> seen("")).isInstanceOf(Problem.class).hasMessageContaining("data.no-header");
    }

    @Test
    void the_encoding_is_told_by_the_first_bytes() {
        byte[] bom = "\ufeffday".getBytes(StandardCharsets.UTF_8);
        assertThat(Encoding.of(bom)).isEqualTo(new Encoding(StandardCharsets.UTF_8, 3));
        assertThat(Encoding.of("Bø".getBytes(StandardCharsets.UTF_8)).charset()).isEqualTo(StandardCharsets.UTF_8);
        assertThat(Encoding.of("Bø 5 €".getBytes(Encoding.WINDOWS_1252)).charset())
                .isEqualTo(Encoding.WINDOWS_1252);
        assertThat(Encoding.of("\ufeffa".getBytes(StandardCharsets.UTF_16LE)).charset())
                .isEqualTo(StandardCharsets.UTF_16LE);
        // a letter of two bytes, cut between them
        assertThat(Encoding.of(new byte[] {'B', (byte) 0xC3}).charset()).isEqualTo(StandardCharsets.UTF_8);
    }

    @Test
    void a_number_with_the_other_mark_is_refused_by_row_and_column_and_never_read_as_another() {
        CsvForm commas = new CsvForm(';', DecimalMark.COMMA, Map.of(), Map.of());

        assertThatThrownBy(() -> read("day;n\n2026-11-24;12.5\n", commas))
                .isInstanceOfSatisfying(
                        Problem.class,
                        problem -> assertThat(problem.faults())
                                .extracting(Problem.Fault::field)
                                .containsExactly("line 2, n"));
        assertThat(read("day;n\n2026-11-24;12,5\n", commas).raw("n", 0)).isEqualTo("12.50");
    }

    @Test
    void bytes_that_are_in_another_encoding_are_told_and_not_replaced() {
        byte[] mixed = "day,n\n2026-11-24,1\n".getBytes(StandardCharsets.UTF_8);
        mixed[mixed.length - 2] = (byte) 0xE5;
        var reader = new InputStreamReader(new ByteArrayInputStream(mixed), StandardCharsets.UTF_8.newDecoder());

        assertThatThrownBy(() ->
                        CsvTable.read(reader, CsvForm.PLAIN, COLUMNS, new TableBuilder(COLUMNS, Optional.of("day"))))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("data.bad-encoding");
    }

    @Property(tries = 2000, seed = "20261127")
    void whatever_is_sent_is_looked_at_or_refused_in_words(@ForAll byte[] bytes) {
        try {
            Encoding encoding = Encoding.of(bytes);
            Inspection seen = seen(new String(bytes, encoding.charset()));
            assertThat(seen.columns()).isNotEmpty();
        } catch (Problem e) {
            assertThat(e.code()).startsWith("data.");
        }
    }

    private static final List<Column> COLUMNS = List.of(Column.date("day"), Column.number("n", 2));

    private static Table read(String csv, CsvForm form) {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        CsvTable.read(new StringReader(csv), form, COLUMNS, rows);
        return rows.build();
    }

    private static Inspection seen(String text) {
        return Inspection.of(text, true, OSLO, Optional.empty());
    }
}
