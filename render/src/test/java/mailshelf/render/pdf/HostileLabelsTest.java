package mailshelf.render.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import mailshelf.core.report.Block;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.chart.ChartSvg;
import mailshelf.render.paper.Document;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;

/** Labels as data may hold them: markup, formulas, invisible marks, no end in sight. */
class HostileLabelsTest {
    private static final String MARKUP = "<img src=x onerror=alert(1)>&amp;";
    private static final String FORMULA = "=HYPERLINK(\"http://x\",\"(y)\\\")";
    private static final String ENDLESS = "W".repeat(10_000);
    private static final String INVISIBLE = "Ness\u200b\u2060\ufeff-Hovden";

    @Test
    void all_of_it_is_text_within_the_sheet() throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        String text;
        try (PDDocument document = Loader.loadPDF(pdf())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override
                protected void writeString(String text, List<TextPosition> positions) throws IOException {
                    letters.addAll(positions);
                    super.writeString(text, positions);
                }
            };
            stripper.setSortByPosition(true);
            text = stripper.getText(document).replaceAll("[\\s\\p{Cf}]", "");
        }

        assertThat(text)
                .contains(MARKUP.replace(" ", ""), FORMULA, "Ness-Hovden")
                .doesNotContain("\0");
        assertThat(letters)
                .allSatisfy(letter -> assertThat(letter.getXDirAdj() + letter.getWidthDirAdj())
                        .isBetween(0f, (float) Document.WIDTH_PT));
    }

    @Test
    void a_drawing_for_the_browser_has_no_markup_but_its_own() {
        for (Block.ChartKind kind : Block.ChartKind.values()) {
            for (boolean overTime : new boolean[] {true, false}) {
                String svg = ChartSvg.of(chart(kind, overTime), 600).svg();
                assertThat(svg).contains("&lt;img").doesNotContain("<img").hasSizeLessThan(60_000);
            }
        }
    }

    private static byte[] pdf() {
        List<String> labels = List.of(MARKUP, FORMULA, ENDLESS, INVISIBLE);
        List<Written.Head> heads =
                List.of(new Written.Head("Place", false, true), new Written.Head(MARKUP, true, false));
        List<List<Written.Cell>> rows = labels.stream()
                .map(label -> List.of(cell(label), cell("12345678")))
                .toList();
        Written.Page page = new Written.Page(
                "Report",
                "page",
                ENDLESS,
                1,
                ENDLESS,
                "figures to 22 Nov",
                4,
                List.of(figure("a"), figure("b")),
                List.of(chart(Block.ChartKind.BARS, false), chart(Block.ChartKind.LINE, false)),
                List.of(new Written.Table("t", MARKUP, heads, true, List.of(), rows.size(), rows, List.of(), "")),
                List.of(new Written.Text("x", ENDLESS, ENDLESS + " " + MARKUP)),
                List.of(new Written.Section("s", ENDLESS, MARKUP)),
                List.of("s", "a", "b", "BARS", "LINE", "t", "x"));
        return ReportPdf.of(
                List.of(page),
                new Document.Running(ENDLESS, "No. 1", "made today"),
                Words.in(Locale.ENGLISH),
                Instant.parse("2026-11-23T05:58:41Z"));
    }

    private static Written.Cell cell(String text) {
        return Written.Cell.plain(text);
    }

    private static Written.Figure figure(String id) {
        return new Written.Figure(id, ENDLESS, "1", "1 more", "1 more", Written.Verdict.NEITHER, "", List.of(1.0, 2.0));
    }

    private static Written.Chart chart(Block.ChartKind kind, boolean overTime) {
        List<String> categories = List.of(ENDLESS, MARKUP, FORMULA);
        List<Written.Series> series = IntStream.range(0, 2)
                .mapToObj(i ->
                        new Written.Series(i == 0 ? MARKUP : ENDLESS, List.of(1.0, 2.0, 3.0), List.of("1", "2", "3")))
                .toList();
        List<Written.Tick> ticks = List.of(new Written.Tick(0, "0"), new Written.Tick(6, "6"));
        return new Written.Chart(kind.name(), ENDLESS, kind, overTime, categories, categories, ticks, series, -1, "");
    }
}
