package mailshelf.render.mail;

import java.util.ArrayList;
import java.util.List;
import mailshelf.core.letter.Letter;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;

/**
 * What a mail's body is written from.
 *
 * @param page the first of the pages sent, in words
 * @param otherPages titles of the pages that stand in the PDF alone
 * @param pdf whether one is attached
 * @param pictureId content id of the page's picture; "" where there is none
 */
public record MailContent(
        Letter letter, Written.Page page, List<String> otherPages, boolean pdf, String pictureId, Words words) {
    /** As many rows of a table as a mail carries; the rest is one click away. */
    static final int MOST_ROWS = 40;

    /** As many spans of a chart over time as a mail tells in text, the newest. */
    static final int MOST_SPANS = 8;

    /** What the reader is told where a table was cut; "" where it was not. */
    String cutNote(Written.Table table) {
        int rows = table.rows().size();
        if (rows <= MOST_ROWS) {
            return "";
        }
        return words.say(
                pdf ? "mail.cut-pdf" : "mail.cut-shelf",
                MOST_ROWS,
                words.figures().number(rows));
    }

    /** A chart as a table: a row a category, a column a series. */
    Written.Table asTable(Written.Chart chart) {
        int all = chart.categories().size();
        int from = chart.overTime() ? Math.max(0, all - MOST_SPANS) : 0;
        List<Written.Head> heads = new ArrayList<>();
        heads.add(new Written.Head("", false, true));
        chart.series().forEach(series -> heads.add(new Written.Head(series.name(), true, false)));
        List<List<Written.Cell>> rows = new ArrayList<>();
        for (int category = from; category < all; category++) {
            List<Written.Cell> row = new ArrayList<>();
            row.add(Written.Cell.plain(chart.categories().get(category)));
            for (Written.Series series : chart.series()) {
                row.add(Written.Cell.plain(series.written().get(category)));
            }
            rows.add(row);
        }
        return new Written.Table(chart.id(), chart.title(), heads, false, List.of(), rows.size(), rows, List.of(), "");
    }
}
