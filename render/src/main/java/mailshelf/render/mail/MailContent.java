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
 * @param mostRows as many rows of a table as are shown; the rest is one click away
 * @param pictureId content id of the page's picture; "" where there is none
 */
public record MailContent(
        Letter letter,
        Written.Page page,
        List<String> otherPages,
        boolean pdf,
        String pictureId,
        int mostRows,
        Words words) {
    private static final int MOST_ROWS = 40;

    /** As many spans of a chart over time as a mail tells in text, the newest. */
    private static final int MOST_SPANS = 8;

    public MailContent(
            Letter letter, Written.Page page, List<String> otherPages, boolean pdf, String pictureId, Words words) {
        this(letter, page, otherPages, pdf, pictureId, MOST_ROWS, words);
    }

    /** The same with shorter tables. */
    MailContent shorter() {
        return new MailContent(letter, page, otherPages, pdf, pictureId, mostRows / 2, words);
    }

    /** The report that the page is of, where the page does not say it itself. */
    String reportLine() {
        return page.report().equals(page.title()) ? "" : page.report();
    }

    /** What the reader is told where a table was cut; "" where it was not. */
    String cutNote(Written.Table table) {
        return cutNote("mail.cut", mostRows, table.rows().size());
    }

    /** The same of a chart. */
    String cutNote(Written.Chart chart) {
        int all = chart.categories().size();
        return chart.overTime() ? cutNote("mail.spans", MOST_SPANS, all) : cutNote("mail.bars", mostRows, all);
    }

    private String cutNote(String key, int shown, int all) {
        return all <= shown
                ? ""
                : words.say(
                        key + (pdf ? "-pdf" : "-shelf"), shown, words.figures().number(all));
    }

    /** As much of a chart as is shown: the newest spans, or the first bars. */
    Written.Chart shownOf(Written.Chart chart) {
        int all = chart.categories().size();
        return chart.overTime()
                ? chart.part(Math.max(0, all - MOST_SPANS), all)
                : chart.part(0, Math.min(mostRows, all));
    }

    /** What is shown of a chart as a table: a row a category, a column a series. */
    Written.Table asTable(Written.Chart whole) {
        Written.Chart chart = shownOf(whole);
        List<Written.Head> heads = new ArrayList<>();
        heads.add(new Written.Head("", false, true));
        chart.series().forEach(series -> heads.add(new Written.Head(series.name(), true, false)));
        List<List<Written.Cell>> rows = new ArrayList<>();
        for (int category = 0; category < chart.categories().size(); category++) {
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
