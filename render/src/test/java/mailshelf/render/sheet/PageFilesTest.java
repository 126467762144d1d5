package mailshelf.render.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.report.Definition;
import mailshelf.core.report.DefinitionReader;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.Format;
import mailshelf.core.report.Good;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Shown;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** What is calculated with elsewhere is what the page shows, cell by cell. */
class PageFilesTest {
    private static final Words ENGLISH = Words.in(Locale.ENGLISH);

    private static final String EVIL = """
            report: Evil
            about: Texts that spreadsheets would run.
            data: x
            measures:
              all: {title: "=1+1", count: rows}
            pages:
              - page: "a/b:c*[d]?"
                blocks:
                  - {table: route, title: History, measures: [all]}
                  - {table: route, title: History, measures: [all]}
                  - {table: rows, title: "'quoted'", columns: [date, route, cause]}
                  - {text: "@SUM(A1)"}
            """;

    @Test
    void every_figure_of_a_workbook_is_the_one_of_the_page() throws IOException {
        PageModel model = Ferries.page(1, "last-4-weeks", List.of());
        Written.Page written = written(model);
        try (XSSFWorkbook book = read(PageXlsx.of(List.of(model), List.of(written), ENGLISH))) {
            Sheet first = book.getSheetAt(0);
            for (PageModel.BlockModel block : model.blocks()) {
                if (block instanceof PageModel.FigureModel figure) {
                    assertThat(number(find(first, figure.title()).getCell(1))).isEqualTo(plain(figure.value()));
                }
                if (block instanceof PageModel.TableModel table) {
                    sameTable(book.getSheet(table.title()), table);
                }
                if (block instanceof PageModel.ChartModel chart) {
                    sameChart(first, chart, written);
                }
            }
            assertThat(((XSSFSheet) first).getDrawingPatriarch().getCharts()).hasSize(2);
        }
    }

    private static void sameChart(Sheet sheet, PageModel.ChartModel chart, Written.Page written) {
        Written.Chart words = written.charts().stream()
                .filter(each -> each.id().equals(chart.id()))
                .findFirst()
                .orElseThrow();
        int head = find(sheet, words.title()).getRowNum() + 1;
        for (int c = 0; c < chart.categories().size(); c++) {
            Row row = sheet.getRow(head + 1 + c);
            assertThat(row.getCell(0).getStringCellValue())
                    .isEqualTo(words.categories().get(c));
            for (int s = 0; s < chart.series().size(); s++) {
                assertThat(number(row.getCell(s + 1)))
                        .isEqualTo(plain(chart.series().get(s).values().get(c)));
            }
        }
    }

    private static void sameTable(Sheet sheet, PageModel.TableModel table) {
        assertThat(sheet.getPaneInformation().getHorizontalSplitPosition()).isEqualTo((short) 1);
        assertThat(((XSSFSheet) sheet).getCTWorksheet().getAutoFilter().getRef())
                .startsWith("A1:")
                .endsWith(String.valueOf(table.rows().size() + 1));
        for (int r = 0; r <= table.rows().size(); r++) {
            List<String> raw = r < table.rows().size() ? table.rows().get(r) : table.total();
            for (int i = 1; i < raw.size(); i++) {
                // the sum stands apart from the lines
                int place = r < table.rows().size() ? r + 1 : r + 2;
                assertThat(number(sheet.getRow(place).getCell(i)))
                        .isEqualTo(plain(Optional.of(raw.get(i))
                                .filter(text -> !text.isEmpty())
                                .map(BigDecimal::new)));
            }
        }
    }

    @Test
    void each_line_names_its_group_and_sums_stand_apart_from_what_they_sum_up() throws IOException {
        PageModel.ColumnModel route = new PageModel.ColumnModel(
                "Route", ColumnType.TEXT, new Format("", 0, Good.NEITHER), false, Shown.VALUE, Optional.empty());
        PageModel.ColumnModel cause = new PageModel.ColumnModel(
                "Cause", ColumnType.TEXT, new Format("", 0, Good.NEITHER), false, Shown.VALUE, Optional.empty());
        PageModel.ColumnModel many = new PageModel.ColumnModel(
                "Cancelled", ColumnType.NUMBER, new Format("", 0, Good.NEITHER), false, Shown.VALUE, Optional.empty());
        PageModel nested = Ferries.page(1, "last-week", List.of())
                .withBlocks(List.of(new PageModel.TableModel(
                        "nested",
                        "Nested",
                        List.of(route, cause, many),
                        Optional.empty(),
                        List.of(
                                List.of("1 Ness", "", "5"),
                                List.of("1 Ness", "wind", "3"),
                                List.of("1 Ness", "crew", "2"),
                                List.of("2 Hovden", "", "4"),
                                List.of("2 Hovden", "wind", "4")),
                        List.of(0, 3),
                        List.of("", "", "9"))));
        try (XSSFWorkbook book = read(PageXlsx.of(List.of(nested), List.of(written(nested)), ENGLISH))) {
            XSSFSheet sheet = book.getSheet("Nested");
            assertThat(sheet.getCTWorksheet().getAutoFilter().getRef()).isEqualTo("A1:C4");
            assertThat(lines(sheet, 1, 3)).containsExactly("1 Ness wind 3", "1 Ness crew 2", "2 Hovden wind 4");
            assertThat((Object) sheet.getRow(4)).as("nothing between").isNull();
            assertThat(lines(sheet, 5, 7)).containsExactly("1 Ness all 5", "2 Hovden all 4", "All  9");
            assertThat(book.getProperties().getCoreProperties().getCreator()).isEqualTo("Mail Shelf");
        }
    }

    private static List<String> lines(Sheet sheet, int from, int to) {
        DataFormatter shown = new DataFormatter(Locale.ENGLISH);
        return IntStream.rangeClosed(from, to)
                .mapToObj(sheet::getRow)
                .map(row -> IntStream.range(0, 3)
                        .mapToObj(i -> shown.formatCellValue(row.getCell(i)))
                        .collect(Collectors.joining(" ")))
                .toList();
    }

    @Test
    void a_chart_is_said_for_those_who_do_not_see_it() throws IOException {
        PageModel model = Ferries.page(1, "last-4-weeks", List.of());
        try (XSSFWorkbook book = read(PageXlsx.of(List.of(model), List.of(written(model)), ENGLISH))) {
            XSSFSheet sheet = book.getSheetAt(0);
            assertThat(sheet.getDrawingPatriarch().getCTDrawing().xmlText()).contains("descr=\"Line chart");
        }
    }

    @Test
    void times_are_times() throws IOException {
        PageModel page = Ferries.page(2, "last-week", List.of());
        PageModel.ColumnModel left = new PageModel.ColumnModel(
                "Left", ColumnType.TIME, new Format("", 0, Good.NEITHER), false, Shown.VALUE, Optional.empty());
        PageModel times = page.withBlocks(List.of(new PageModel.TableModel(
                "times",
                "Times",
                List.of(left),
                Optional.of(2L),
                List.of(List.of("2026-11-25T07:05:30"), List.of("")),
                List.of(),
                List.of())));

        try (XSSFWorkbook book = read(PageXlsx.of(List.of(times), List.of(written(times)), ENGLISH))) {
            Sheet sheet = book.getSheet("Times");
            assertThat(sheet.getRow(1).getCell(0).getLocalDateTimeCellValue()).hasToString("2026-11-25T07:05:30");
            assertThat(new DataFormatter(Locale.ENGLISH)
                            .formatCellValue(sheet.getRow(1).getCell(0)))
                    .isEqualTo("2026-11-25 07:05");
            assertThat(sheet.getRow(2).getCell(0).toString()).isEmpty();
        }
        assertThat(written(times).tables().get(0).rows().get(0).get(0).text()).isEqualTo("Wed 25 Nov, 07:05");
    }

    @Test
    void numbers_are_shown_as_the_page_writes_them_and_days_are_days() throws IOException {
        PageModel model = Ferries.page(1, "last-4-weeks", List.of());
        try (XSSFWorkbook book = read(PageXlsx.of(List.of(model), List.of(written(model)), ENGLISH))) {
            Written.Table table = written(model).tables().get(0);
            DataFormatter shown = new DataFormatter(Locale.ENGLISH);
            for (int i = 1; i < table.heads().size(); i++) {
                String text = shown.formatCellValue(
                        book.getSheet("By route").getRow(1).getCell(i));
                assertThat(text.replace(",", ""))
                        .isEqualTo(table.rows().get(0).get(i).text().replaceAll("[\u2009\u202f\u00a0]", ""));
            }
        }
        PageModel rows = Ferries.page(2, "last-week", List.of());
        try (XSSFWorkbook book = read(PageXlsx.of(List.of(rows), List.of(written(rows)), ENGLISH))) {
            PageModel.TableModel table = (PageModel.TableModel) rows.blocks().get(0);
            Cell day = book.getSheet("Every cancelled sailing").getRow(1).getCell(0);
            assertThat(day.getLocalDateTimeCellValue().toLocalDate())
                    .hasToString(table.rows().get(0).get(0));
        }
    }

    @Test
    void texts_that_begin_like_formulas_stay_texts_to_the_letter() throws IOException {
        PageModel model = evil();
        try (XSSFWorkbook book = read(PageXlsx.of(List.of(model), List.of(written(model)), ENGLISH))) {
            for (Sheet sheet : book) {
                for (Row row : sheet) {
                    for (Cell cell : row) {
                        assertThat(cell.getCellType()).isNotEqualTo(CellType.FORMULA);
                    }
                }
            }
            Sheet table = book.getSheetAt(1);
            assertThat(table.getRow(1).getCell(0).getStringCellValue()).isEqualTo("-2+3");
            assertThat(table.getRow(1).getCell(0).getCellStyle().getQuotePrefixed())
                    .isTrue();
            assertThat(book.getNumberOfSheets()).isEqualTo(4);
        }
        PageModel.TableModel table = (PageModel.TableModel) model.blocks().get(0);
        List<CsvRecord> csv =
                csv(TableCsv.of(table, written(model).tables().get(0).heads()));
        assertThat(csv.get(0).getField(1)).isEqualTo("'=1+1");
        assertThat(csv.get(1).getField(0)).isEqualTo("'-2+3");
        assertThat(csv.get(2).getField(0)).isEqualTo("'+cmd|' /C calc'!A0");
        assertThat(csv.get(3).getField(0)).isEqualTo("two\nlines, and \"quotes\"");
    }

    @Test
    void a_csv_file_holds_the_typed_values_of_every_row() {
        for (int number : new int[] {1, 2}) {
            PageModel model = Ferries.page(number, "last-4-weeks", List.of());
            PageModel.TableModel table = (PageModel.TableModel) model.blocks().stream()
                    .filter(PageModel.TableModel.class::isInstance)
                    .findFirst()
                    .orElseThrow();

            List<CsvRecord> csv =
                    csv(TableCsv.of(table, written(model).tables().get(0).heads()));

            assertThat(csv).hasSize(table.rows().size() + 1);
            for (int r = 0; r < table.rows().size(); r++) {
                assertThat(csv.get(r + 1).getFields()).isEqualTo(table.rows().get(r));
            }
        }
    }

    @Test
    void a_workbook_of_more_rows_than_memory_should_hold_is_refused() {
        PageModel page = Ferries.page(2, "last-week", List.of());
        PageModel.TableModel table = (PageModel.TableModel) page.blocks().get(0);
        PageModel.TableModel endless = new PageModel.TableModel(
                table.id(),
                table.title(),
                table.columns(),
                Optional.of(50_001L),
                Collections.nCopies(50_001, table.rows().get(0)),
                List.of(),
                List.of());
        PageModel model = page.withBlocks(List.of(endless));

        assertThatThrownBy(() -> PageXlsx.of(List.of(model), List.of(written(model)), ENGLISH))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("report.too-many-rows");
    }

    private static PageModel evil() {
        TableBuilder rows = new TableBuilder(Ferries.COLUMNS, Optional.of("date"));
        for (String route : List.of("+cmd|' /C calc'!A0", "-2+3", "two\nlines, and \"quotes\"")) {
            rows.add(List.of("2026-11-17", route, "no", "=HYPERLINK(\"http://x\")", "1", "1.00"));
        }
        Table table = rows.build();
        Definition definition = DefinitionReader.read(EVIL, Ferries.COLUMNS);
        return Evaluation.page(
                definition,
                definition.pages().get(0),
                Ferries.all(table),
                Ferries.question("last-week", table, List.of()));
    }

    private static Written.Page written(PageModel model) {
        return Writing.page(model, ENGLISH, ZoneId.of("Europe/Oslo"));
    }

    private static XSSFWorkbook read(byte[] file) throws IOException {
        return new XSSFWorkbook(new ByteArrayInputStream(file));
    }

    private static List<CsvRecord> csv(byte[] file) {
        return CsvReader.builder().ofCsvRecord(new String(file, StandardCharsets.UTF_8)).stream()
                .toList();
    }

    private static Row find(Sheet sheet, String first) {
        for (Row row : sheet) {
            if (row.getCell(0) != null && row.getCell(0).getStringCellValue().equals(first)) {
                return row;
            }
        }
        throw new AssertionError("No row " + first);
    }

    private static double number(Cell cell) {
        return cell.getCellType() == CellType.BLANK ? Double.NaN : cell.getNumericCellValue();
    }

    private static double plain(Optional<BigDecimal> value) {
        return value.map(BigDecimal::doubleValue).orElse(Double.NaN);
    }
}
