package mailshelf.render.sheet;

import java.util.HashMap;
import java.util.Map;
import mailshelf.core.report.Format;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.usermodel.Workbook;

/** The styles of a workbook, each made once, as a workbook holds only so many. */
final class CellLooks {
    /** How strongly a cell is written. */
    enum Look {
        PLAIN,
        BOLD,
        /** Under a rule. */
        TOTAL
    }

    private final Workbook book;
    private final Map<String, CellStyle> made = new HashMap<>();
    private final Font bold;

    CellLooks(Workbook book) {
        this.book = book;
        this.bold = book.createFont();
        bold.setBold(true);
    }

    CellStyle title() {
        return made.computeIfAbsent("title", key -> {
            Font large = book.createFont();
            large.setBold(true);
            large.setFontHeightInPoints((short) 16);
            CellStyle style = book.createCellStyle();
            style.setFont(large);
            return style;
        });
    }

    CellStyle head(boolean number) {
        return made.computeIfAbsent("head" + number, key -> {
            CellStyle style = book.createCellStyle();
            style.setFont(bold);
            style.setBorderBottom(BorderStyle.THIN);
            style.setWrapText(true);
            style.setAlignment(number ? HorizontalAlignment.RIGHT : HorizontalAlignment.LEFT);
            return style;
        });
    }

    /** Text that stays text also when somebody edits its cell. */
    CellStyle text(String text, Look look) {
        boolean quoted = Formulas.looksLikeOne(text);
        return made.computeIfAbsent("text" + quoted + look, key -> {
            CellStyle style = book.createCellStyle();
            style.setQuotePrefixed(quoted);
            style.setVerticalAlignment(VerticalAlignment.TOP);
            weigh(style, look);
            return style;
        });
    }

    CellStyle prose() {
        return made.computeIfAbsent("prose", key -> {
            CellStyle style = book.createCellStyle();
            style.setWrapText(true);
            style.setVerticalAlignment(VerticalAlignment.TOP);
            return style;
        });
    }

    CellStyle day(Look look) {
        return formatted("yyyy-mm-dd", look);
    }

    CellStyle time(Look look) {
        return formatted("yyyy-mm-dd hh:mm", look);
    }

    /** @param change with its sign; a true minus */
    CellStyle number(Format format, boolean change, Look look) {
        String digits = format.decimals() == 0 ? "#,##0" : "#,##0." + "0".repeat(format.decimals());
        String unit = format.unit().isEmpty() ? "" : "\"\u00a0" + format.unit().replace("\"", "") + "\"";
        String plus = change ? "+" : "";
        return formatted(plus + digits + unit + ";\u2212" + digits + unit + ";" + digits + unit, look);
    }

    private CellStyle formatted(String format, Look look) {
        return made.computeIfAbsent(format + look, key -> {
            CellStyle style = book.createCellStyle();
            style.setDataFormat(book.createDataFormat().getFormat(format));
            weigh(style, look);
            return style;
        });
    }

    private void weigh(CellStyle style, Look look) {
        if (look != Look.PLAIN) {
            style.setFont(bold);
        }
        if (look == Look.TOTAL) {
            style.setBorderTop(BorderStyle.THIN);
        }
    }
}
