package mailshelf.render.html;

import java.util.List;
import java.util.stream.IntStream;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.chart.ChartSvg;

/** Pages as one HTML file that stands alone: nothing is fetched, and nothing in it runs. */
public final class PageHtml {
    private static final double WIDTH = 760;
    private static final String HEAD = """
            <!DOCTYPE html>
            <html lang="%s"><head><meta charset="utf-8">
            <meta name="viewport" content="width=device-width, initial-scale=1">
            <style>
            :root { color-scheme: light dark; --ink: #1D2B2A; --paper: #FBF8F1; --grey: #5F6866; --rule: #DDD5C4 }
            @media (prefers-color-scheme: dark) {
              :root { --ink: #efeadd; --paper: #17211f; --grey: #b3b8b1; --rule: #3c4946 }
            }
            body { background: var(--paper); color: var(--ink); max-width: 760px; margin: 0 auto; padding: 24px 16px;
              font: 16px/1.5 'Source Sans 3', 'Segoe UI', Helvetica, Arial, sans-serif; font-variant-numeric: tabular-nums }
            h1, h2, .value { font-family: Fraunces, Georgia, serif; line-height: 1.2 }
            h3, caption { font-size: 16px; font-weight: 600; text-align: left; margin: 24px 0 4px }
            section { border-top: 1px solid var(--ink); margin-top: 32px; break-before: page }
            section:first-of-type { break-before: auto }
            table { border-collapse: collapse; width: 100%% }
            th { font-weight: 400; color: var(--grey); text-align: left; font-size: 14px }
            td, th { padding: 5px 0 5px 16px; border-bottom: 1px solid var(--rule); overflow-wrap: anywhere }
            td:first-child, th:first-child { padding-left: 0 }
            .number { text-align: right; white-space: nowrap }
            .strong, tfoot td { font-weight: 600 }
            .grey { color: var(--grey); font-size: 14px; margin: 4px 0 }
            .value { font-size: 34px; font-weight: 600 }
            svg { width: 100%%; height: auto } svg .sans { font-family: inherit }
            svg .sans-bold { font-family: inherit; font-weight: 600 }
            </style>
            """;

    private final Html out = new Html();
    private final Words words;

    private PageHtml(Words words) {
        this.words = words;
    }

    /** @param pages of one report */
    public static String of(List<Written.Page> pages, Words words) {
        return new PageHtml(words).write(pages);
    }

    private String write(List<Written.Page> pages) {
        String title = pages.get(0).report();
        out.raw(HEAD.formatted(words.locale().toLanguageTag()));
        out.element("title", "", title).raw("</head>\n<body>");
        out.element("h1", "", title);
        out.element("p", "class=\"grey\"", pages.get(0).freshness());
        pages.forEach(this::page);
        return out.raw("</body></html>\n").toString();
    }

    private void page(Written.Page page) {
        out.raw("<section>\n").element("h2", "", page.title());
        out.element("p", "class=\"grey\"", page.showing());
        page.each(figures -> figures.forEach(this::figure), this::chart, this::table, this::prose, this::section);
        out.raw("</section>\n");
    }

    private void figure(Written.Figure figure) {
        out.element("h3", "", figure.title());
        out.element("div", "class=\"value\"", figure.value());
        String verdict = figure.verdictWords().isEmpty() ? "" : ", " + figure.verdictWords();
        out.element("p", "class=\"grey\"", figure.change() + verdict);
    }

    /** With its values behind it, for those who do not see the drawing. */
    private void chart(Written.Chart chart) {
        out.element("h3", "", chart.title());
        if (!chart.nothing().isEmpty()) {
            out.element("p", "class=\"grey\"", chart.nothing());
            return;
        }
        out.raw(ChartSvg.of(chart, WIDTH).svg()).raw("<details>");
        out.element("summary", "class=\"grey\"", words.say("html.values")).raw("<table><tr><td></td>");
        chart.series().forEach(series -> out.element("th", "scope=\"col\" class=\"number\"", series.name()));
        out.raw("</tr>\n");
        for (int i = 0; i < chart.categories().size(); i++) {
            out.raw("<tr>").element("th", "scope=\"row\"", chart.categories().get(i));
            for (Written.Series series : chart.series()) {
                out.element("td", "class=\"number\"", series.written().get(i));
            }
            out.raw("</tr>\n");
        }
        out.raw("</table></details>\n");
    }

    private void table(Written.Table table) {
        out.raw("<table>").element("caption", "", table.title()).raw("<thead><tr>");
        table.heads().forEach(head -> out.element("th", "scope=\"col\"" + look(head.number(), false), head.title()));
        out.raw("</tr></thead>\n<tbody>");
        table.rows().forEach(row -> row(table, row));
        out.raw("</tbody>\n");
        if (!table.total().isEmpty()) {
            out.raw("<tfoot>");
            row(table, table.total());
            out.raw("</tfoot>");
        }
        out.raw("</table>\n");
        if (table.rows().isEmpty()) {
            out.element("p", "class=\"grey\"", words.say("table.no-rows"));
        }
        out.element("p", "class=\"grey\"", table.note());
    }

    private void row(Written.Table table, List<Written.Cell> row) {
        out.raw("<tr>");
        IntStream.range(0, row.size()).forEach(i -> {
            Written.Cell cell = row.get(i);
            boolean isStrong = cell.weight() != Written.Weight.PLAIN;
            out.element("td", look(table.heads().get(i).number(), isStrong).strip(), cell.text());
        });
        out.raw("</tr>\n");
    }

    private static String look(boolean number, boolean strong) {
        String classes = (number ? "number " : "") + (strong ? "strong" : "");
        return classes.isEmpty() ? "" : " class=\"" + classes.strip() + "\"";
    }

    private void section(Written.Section section) {
        out.element("h3", "", section.title());
        out.element("p", "class=\"grey\"", section.showing());
    }

    private void prose(Written.Text text) {
        if (!text.title().isEmpty()) {
            out.element("h3", "", text.title());
        }
        out.element("p", "", text.text());
    }
}
