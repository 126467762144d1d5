package mailshelf.bench;

import com.microsoft.playwright.Page;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.report.Written;
import mailshelf.render.chart.ChartSvg;

/**
 * Headless Chromium printing a report's pages to PDF, set by itself: text and tables as HTML, charts as SVG, in the
 * house's fonts, which it has loaded before.
 */
final class BrowserPrint implements AutoCloseable {
    private static final double WIDTH_PX = 660;

    private static final String FRAME = """
            <!doctype html><meta charset=utf-8><style>
            @font-face { font-family: sans; src: url(data:font/ttf;base64,%s) }
            @font-face { font-family: serif; src: url(data:font/ttf;base64,%s) }
            @page { size: A4; margin: 17mm }
            body { font: 9pt sans; margin: 0 }
            h1, .lead { font: 22pt serif; margin: 0; break-before: page }
            table { border-collapse: collapse; width: 100%%; break-inside: auto }
            td, th { border-bottom: 0.5pt solid #ddd5c4; text-align: right; padding: 2pt 8pt 2pt 0 }
            svg { display: block; font-family: sans; break-inside: avoid }
            dl { display: grid; grid-template-columns: 1fr 1fr 1fr 2fr }
            </style><body></body>
            """;

    private final Browser browser = new Browser();

    BrowserPrint() throws IOException {
        browser.page()
                .setContent(FRAME.formatted(
                        font("source-sans-3/400Regular/SourceSans3_400Regular.ttf"),
                        font("fraunces/600SemiBold/Fraunces_600SemiBold.ttf")));
    }

    private static String font(String resource) throws IOException {
        try (var in = ChartSvg.class.getResourceAsStream("/mailshelf/render/type/" + resource)) {
            return Base64.getEncoder()
                    .encodeToString(Objects.requireNonNull(in, resource).readAllBytes());
        }
    }

    byte[] print(List<Written.Page> pages) {
        browser.page()
                .evaluate(
                        "html => { document.body.innerHTML = html; return document.fonts.ready.then(() => true) }",
                        pages.stream().map(BrowserPrint::html).collect(Collectors.joining()));
        return browser.page().pdf(new Page.PdfOptions().setPreferCSSPageSize(true));
    }

    private static String html(Written.Page page) {
        StringBuilder html = new StringBuilder("<h1>").append(page.title()).append("</h1><dl>");
        page.figures()
                .forEach(figure -> html.append("<dt>")
                        .append(figure.title())
                        .append("<dd>")
                        .append(ChartSvg.ofTrend(figure).svg())
                        .append("<dd>")
                        .append(figure.value())
                        .append("<dd>")
                        .append(figure.shortChange()));
        html.append("</dl>");
        page.charts()
                .forEach(chart -> html.append("<h2>")
                        .append(chart.title())
                        .append("</h2>")
                        .append(ChartSvg.of(chart, WIDTH_PX).svg()));
        page.tables().forEach(table -> table(table, html));
        return html.toString();
    }

    private static void table(Written.Table table, StringBuilder into) {
        into.append("<table><thead><tr>");
        table.heads().forEach(head -> into.append("<th>").append(head.title()));
        into.append("</thead>");
        Stream.concat(table.rows().stream(), Stream.of(table.total())).forEach(row -> {
            into.append("<tr>");
            row.forEach(cell -> into.append("<td>").append(cell.text()));
        });
        into.append("</table>");
    }

    /** CPU time of all of the browser's processes until now. */
    double cpuMillis() {
        return browser.cpuMillis();
    }

    @Override
    public void close() {
        browser.close();
    }
}
