package mailshelf.render.sheet;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import mailshelf.core.data.ColumnType;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Written;

/**
 * A table as CSV (RFC 4180, UTF-8): numbers as plain decimals, days as ISO dates, the total and sums of groups not among
 * the rows. Text that a spreadsheet would take for a formula has an apostrophe before it, which tells it otherwise;
 * nothing of it is lost.
 */
public final class TableCsv {
    private TableCsv() {}

    /** @param heads of the same table, as it is written */
    public static byte[] of(PageModel.TableModel table, List<Written.Head> heads) {
        StringWriter text = new StringWriter();
        write(table, heads, text);
        return text.toString().getBytes(StandardCharsets.UTF_8);
    }

    /** As {@link #of}, row by row; the writer is left open. */
    public static void write(PageModel.TableModel table, List<Written.Head> heads, Writer to) {
        try {
            CsvWriter csv = CsvWriter.builder().build(to);
            csv.writeRecord(heads.stream().map(head -> harmless(head.title())).toList());
            Set<Integer> sums = Set.copyOf(table.subtotals());
            for (int r = 0; r < table.rows().size(); r++) {
                if (sums.contains(r)) {
                    continue;
                }
                List<String> row = table.rows().get(r);
                List<String> cells = new ArrayList<>(row.size());
                for (int i = 0; i < row.size(); i++) {
                    boolean isText = table.columns().get(i).type() == ColumnType.TEXT;
                    cells.add(isText ? harmless(row.get(i)) : row.get(i));
                }
                csv.writeRecord(cells);
            }
            csv.flush();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String harmless(String text) {
        return Formulas.looksLikeOne(text) ? "'" + text : text;
    }
}
