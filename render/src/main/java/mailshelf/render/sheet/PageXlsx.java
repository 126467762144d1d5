package mailshelf.render.sheet;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.report.Format;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.PageModel.ChartModel;
import mailshelf.core.report.PageModel.ColumnModel;
import mailshelf.core.report.PageModel.FigureModel;
import mailshelf.core.report.PageModel.TableModel;
import mailshelf.core.report.PageModel.TextModel;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.core.work.StillWanted;
import mailshelf.render.chart.ChartWords;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.WorkbookUtil;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/**
 * Pages as a workbook (Office Open XML): figures and charts of each on a sheet, its tables on sheets behind it with a
 * frozen head and filters. Numbers and days are numbers and days, written as the page writes them; charts are the
 * spreadsheet's own.
 */
public final class PageXlsx {
    private static final int MOST_ROWS = 50_000;
    private static final int CHART_COLUMN = 8;
    private static final int WIDE = 28 * 256;
    private static final int NARROW = 16 * 256;

    private final XSSFWorkbook book;
    private final CellLooks looks;
    private final PageModel model;
    private final Written.Page written;
    private final Words language;
    private final XSSFSheet sheet;
    private int next;

    private PageXlsx(XSSFWorkbook book, CellLooks looks, PageModel model, Written.Page written, Words language) {
        this.language = language;
        this.book = book;
        this.looks = looks;
        this.model = model;
        this.written = written;
        this.sheet = onPaper(book.createSheet(sheetName(model.page())));
    }

    /**
     * The whole workbook is in memory while it is made, so its tables may not be of any length.
     *
     * @param written the same pages in words
     * @param language of what is said of charts
     * @throws Problem {@code report.too-many-rows}
     */
    public static byte[] of(List<PageModel> models, List<Written.Page> written, Words language) {
        int rows = models.stream()
                .flatMap(model -> model.blocks().stream())
                .filter(TableModel.class::isInstance)
                .mapToInt(table -> ((TableModel) table).rows().size())
                .sum();
        if (rows > MOST_ROWS) {
            throw Problem.invalid("report.too-many-rows", rows, MOST_ROWS);
        }
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            var properties = book.getProperties().getCoreProperties();
            properties.setCreator("Mail Shelf");
            properties.setTitle(written.get(0).report());
            CellLooks looks = new CellLooks(book);
            for (int i = 0; i < models.size(); i++) {
                new PageXlsx(book, looks, models.get(i), written.get(i), language).fill();
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream(50_000);
            book.write(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Printed, it is as wide as a sheet, and as many sheets long as it needs. */
    private static XSSFSheet onPaper(XSSFSheet sheet) {
        sheet.setFitToPage(true);
        sheet.getPrintSetup().setLandscape(true);
        sheet.getPrintSetup().setFitHeight((short) 0);
        return sheet;
    }

    private String sheetName(String title) {
        String safe = WorkbookUtil.createSafeSheetName(title.isBlank() ? "-" : title, ' ');
        String name = safe;
        for (int no = 2; book.getSheet(name) != null; no++) {
            String suffix = " (" + no + ")";
            name = safe.substring(0, Math.min(safe.length(), 31 - suffix.length())) + suffix;
        }
        return name;
    }

    private void fill() {
        sheet.setColumnWidth(0, WIDE);
        for (int column = 1; column < CHART_COLUMN; column++) {
            sheet.setColumnWidth(column, NARROW);
        }
        text(row(), 0, written.report() + ": " + written.title()).setCellStyle(looks.title());
        text(row(), 0, written.showing() + " · " + written.freshness());
        next++;
        for (PageModel.BlockModel block : model.blocks()) {
            if (block instanceof FigureModel figure) {
                figure(
                        figure,
                        written.figures().stream()
                                .filter(w -> w.id().equals(figure.id()))
                                .findFirst()
                                .orElseThrow());
            } else if (block instanceof ChartModel chart) {
                chart(
                        chart,
                        written.charts().stream()
                                .filter(w -> w.id().equals(chart.id()))
                                .findFirst()
                                .orElseThrow());
            } else if (block instanceof TableModel table) {
                table(
                        table,
                        written.tables().stream()
                                .filter(w -> w.id().equals(table.id()))
                                .findFirst()
                                .orElseThrow());
            } else {
                TextModel text = (TextModel) block;
                prose(written.texts().stream()
                        .filter(w -> w.id().equals(text.id()))
                        .findFirst()
                        .orElseThrow());
            }
        }
    }

    private Row row() {
        return sheet.createRow(next++);
    }

    private Cell text(Row row, int column, String text) {
        Cell cell = row.createCell(column);
        cell.setCellValue(text);
        cell.setCellStyle(looks.text(text, CellLooks.Look.PLAIN));
        return cell;
    }

    private void figure(FigureModel figure, Written.Figure words) {
        Row row = row();
        text(row, 0, figure.title());
        number(row.createCell(1), figure.value(), looks.number(figure.format(), false, CellLooks.Look.PLAIN));
        text(row, 2, words.change() + (words.verdictWords().isEmpty() ? "" : ", " + words.verdictWords()));
    }

    private static void number(Cell cell, Optional<BigDecimal> value, CellStyle style) {
        cell.setCellStyle(style);
        value.ifPresent(number -> cell.setCellValue(number.doubleValue()));
    }

    private void prose(Written.Text text) {
        next++;
        if (!text.title().isEmpty()) {
            text(row(), 0, text.title());
        }
        Row row = row();
        text(row, 0, text.text()).setCellStyle(looks.prose());
        sheet.addMergedRegion(new CellRangeAddress(row.getRowNum(), row.getRowNum(), 0, CHART_COLUMN - 1));
        row.setHeightInPoints(15f * (1 + text.text().length() / 110));
    }

    private void chart(ChartModel chart, Written.Chart words) {
        next++;
        text(row(), 0, words.title());
        if (!words.nothing().isEmpty()) {
            text(row(), 0, words.nothing());
            return;
        }
        int headRow = next;
        Row head = row();
        text(head, 0, "").setCellStyle(looks.head(false));
        for (int s = 0; s < words.series().size(); s++) {
            String name = words.series().get(s).name();
            text(head, s + 1, name.isEmpty() ? words.title() : name).setCellStyle(looks.head(true));
        }
        for (int c = 0; c < words.categories().size(); c++) {
            Row row = row();
            text(row, 0, words.categories().get(c));
            for (int s = 0; s < chart.series().size(); s++) {
                number(
                        row.createCell(s + 1),
                        chart.series().get(s).values().get(c),
                        looks.number(chart.format(), false, CellLooks.Look.PLAIN));
            }
        }
        if (!words.categories().isEmpty()) {
            String said = ChartWords.of(words, language);
            next = Math.max(next, NativeChart.draw(sheet, words, said, headRow, CHART_COLUMN));
        }
    }

    private void table(TableModel table, Written.Table words) {
        XSSFSheet own = onPaper(book.createSheet(sheetName(table.title())));
        Row head = own.createRow(0);
        for (int i = 0; i < words.heads().size(); i++) {
            Written.Head each = words.heads().get(i);
            text(head, i, each.title()).setCellStyle(looks.head(each.number()));
            own.setColumnWidth(i, each.number() ? NARROW : WIDE);
        }
        int at = lines(own, table, words);
        own.createFreezePane(0, 1);
        own.setAutoFilter(
                new CellRangeAddress(0, at - 1, 0, Math.max(0, words.heads().size() - 1)));
        sums(own, at + 1, table, words);
    }

    /** The lines that are filtered and sorted: each names its group, and none sums up others. */
    private int lines(XSSFSheet own, TableModel table, Written.Table words) {
        Set<Integer> subtotals = Set.copyOf(table.subtotals());
        String group = "";
        int at = 1;
        for (int r = 0; r < table.rows().size(); r++) {
            StillWanted.require();
            List<Written.Cell> said = words.rows().get(r);
            if (subtotals.contains(r)) {
                group = said.get(0).text();
            } else {
                Row row = own.createRow(at++);
                cells(row, table.columns(), table.rows().get(r), said, false);
                if (!subtotals.isEmpty()) {
                    text(row, 0, group);
                }
            }
        }
        return at;
    }

    /** Sums of groups, and of all, apart from the lines, so that nobody counts them with those. */
    private void sums(XSSFSheet own, int from, TableModel table, Written.Table words) {
        int at = from;
        for (int r : table.subtotals()) {
            cells(
                    own.createRow(at++),
                    table.columns(),
                    table.rows().get(r),
                    words.rows().get(r),
                    true);
        }
        if (!table.total().isEmpty()) {
            cells(own.createRow(at), table.columns(), table.total(), words.total(), true);
        }
    }

    /** Numbers, days and times as such; texts as they are written, where "others" and "All" are words. */
    private void cells(
            Row row, List<ColumnModel> columns, List<String> raw, List<Written.Cell> words, boolean isTotal) {
        for (int i = 0; i < columns.size(); i++) {
            ColumnModel column = columns.get(i);
            Cell cell = row.createCell(i);
            CellLooks.Look look = isTotal
                    ? CellLooks.Look.TOTAL
                    : words.get(i).weight() == Written.Weight.PLAIN ? CellLooks.Look.PLAIN : CellLooks.Look.BOLD;
            Optional<String> value = Optional.of(raw.get(i)).filter(text -> !text.isEmpty());
            switch (column.type()) {
                case TEXT -> {
                    String text = words.get(i).text();
                    cell.setCellValue(text);
                    cell.setCellStyle(looks.text(text, look));
                }
                case NUMBER ->
                    number(
                            cell,
                            value.map(BigDecimal::new),
                            // the unit stands in the head
                            looks.number(
                                    new Format(
                                            "",
                                            column.format().decimals(),
                                            column.format().good()),
                                    column.change(),
                                    look));
                case DATE -> {
                    cell.setCellStyle(looks.day(look));
                    value.map(LocalDate::parse).ifPresent(cell::setCellValue);
                }
                case TIME -> {
                    cell.setCellStyle(looks.time(look));
                    value.map(LocalDateTime::parse).ifPresent(cell::setCellValue);
                }
            }
        }
    }
}
