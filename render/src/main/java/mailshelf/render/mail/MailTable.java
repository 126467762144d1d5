package mailshelf.render.mail;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.report.Written;
import mailshelf.render.html.Html;
import mailshelf.render.type.HouseFont;

/**
 * A table in the body of a mail. Words stay whole: one that is too wide for a phone is read there as two lines a row, what
 * it is of and then each value beside what it is called.
 */
final class MailTable {
    private static final float SIZE_PX = 14;

    /** What a phone of 375 px leaves between the margins. */
    private static final double PHONE_PX = 311;

    private static final double GAP_PX = 12;
    private static final String STRONG = "font-weight:600";

    private final Written.Table table;
    private final int mostRows;
    private final boolean stacks;
    private final Html out;

    private MailTable(Written.Table table, int mostRows, Html out) {
        this.table = table;
        this.mostRows = mostRows;
        this.out = out;
        this.stacks = least() > PHONE_PX;
    }

    static void write(Written.Table table, int mostRows, Html out) {
        new MailTable(table, mostRows, out).write();
    }

    private Stream<List<Written.Cell>> rows() {
        return Stream.concat(
                table.rows().stream().limit(mostRows),
                table.total().isEmpty() ? Stream.empty() : Stream.of(table.total()));
    }

    /** What its columns need without a word being broken. */
    private double least() {
        int columns = table.heads().size();
        double words = IntStream.range(0, columns)
                .mapToDouble(column -> Stream.concat(
                                Stream.of(table.heads().get(column).title()),
                                rows().map(row -> row.get(column).text()))
                        .mapToDouble(text -> widest(text, table.heads().get(column)))
                        .max()
                        .orElse(0))
                .sum();
        return words + GAP_PX * (columns - 1);
    }

    private static double widest(String text, Written.Head head) {
        return Stream.of(head.number() ? new String[] {text} : text.split(" "))
                .mapToDouble(word -> HouseFont.SANS_BOLD.width(word, SIZE_PX))
                .max()
                .orElse(0);
    }

    private void write() {
        out.raw("<table width=\"100%\" cellpadding=\"0\" cellspacing=\"0\" " + (stacks ? "class=\"t\" " : "")
                + "style=\"" + MailHtml.SANS + "font-size:14px;border-collapse:collapse\"><tr>\n");
        for (Written.Head head : table.heads()) {
            out.element(
                    "th",
                    "scope=\"col\" class=\"g r\" " + cellStyle(head.number(), "font-weight:400;color:#5F6866"),
                    head.title());
        }
        out.raw("</tr>\n");
        table.rows().stream().limit(mostRows).forEach(row -> row(row, ""));
        if (!table.total().isEmpty()) {
            row(table.total(), STRONG);
        }
        out.raw("</table>\n");
    }

    private void row(List<Written.Cell> cells, String style) {
        out.raw("<tr>");
        for (int i = 0; i < cells.size(); i++) {
            Written.Head head = table.heads().get(i);
            String own = cells.get(i).weight() == Written.Weight.PLAIN ? style : STRONG;
            out.raw("<td class=\"r" + (i == 0 ? " k" : "") + "\" "
                    + cellStyle(head.number(), (head.number() ? "white-space:nowrap;" : MailHtml.LONG_WORDS) + own)
                    + ">");
            if (stacks && i > 0 && !head.title().isEmpty()) {
                out.element("span", "class=\"h g\" style=\"display:none\"", head.title() + " ");
            }
            out.element(
                    "span",
                    MailHtml.verdict(cells.get(i).verdict()),
                    cells.get(i).text());
            out.raw("</td>\n");
        }
        out.raw("</tr>\n");
    }

    private static String cellStyle(boolean number, String more) {
        String align = number ? "right" : "left";
        return "align=\"" + align + "\" style=\"padding:6px 0 6px " + (number ? "12px" : "0")
                + ";border-bottom:1px solid #DDD5C4;text-align:" + align + ";" + more
                + "\"";
    }
}
