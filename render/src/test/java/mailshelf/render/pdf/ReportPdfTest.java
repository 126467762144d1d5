package mailshelf.render.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import mailshelf.core.report.Block;
import mailshelf.core.report.Ferries;
import mailshelf.core.report.Format;
import mailshelf.core.report.Good;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

class ReportPdfTest {
    private static final Words ENGLISH = Words.in(Locale.ENGLISH);
    private static final Instant MADE = Instant.parse("2026-11-23T05:58:41Z");

    @Test
    void its_text_says_every_figure_of_the_pages() throws Exception {
        List<Written.Page> pages = pages();
        byte[] pdf = pdf(pages);
        Files.write(Path.of("target/report.pdf"), pdf);

        String text = squeezed(text(pdf));

        for (Written.Page page : pages) {
            assertThat(text).contains(squeezed(page.title()));
            assertThat(text).contains(squeezed(page.showing()));
            page.figures().forEach(figure -> assertThat(text).contains(squeezed(figure.value())));
            page.tables()
                    .forEach(table -> table.rows()
                            .forEach(row -> assertThat(text)
                                    .contains(squeezed(
                                            row.stream().map(Written.Cell::text).collect(Collectors.joining())))));
            page.charts().stream()
                    .flatMap(chart -> chart.series().stream())
                    .forEach(series -> assertThat(text)
                            .contains(squeezed(series.name()
                                    + series.written().get(series.written().size() - 1))));
        }
    }

    @Test
    void a_long_table_runs_over_sheets_with_its_head_repeated_and_every_sheet_is_numbered() throws Exception {
        byte[] pdf = pdf(pages().subList(1, 2));

        try (PDDocument document = Loader.loadPDF(pdf)) {
            int sheets = document.getNumberOfPages();
            assertThat(sheets).isGreaterThan(2);
            for (int sheet = 1; sheet <= sheets; sheet++) {
                PDFTextStripper stripper = new PDFTextStripper();
                stripper.setStartPage(sheet);
                stripper.setEndPage(sheet);
                String text = squeezed(stripper.getText(document));
                assertThat(text)
                        .contains("DayRouteCausePassengers")
                        .contains(sheet + "of" + sheets)
                        .contains("No.48");
            }
        }
    }

    @Test
    void the_space_between_thousands_is_no_box_in_any_face() throws Exception {
        List<Written.Page> pages = List.of(onlyFigures(figure("", 80_577)));

        String text = text(pdf(pages));

        assertThat(squeezed(text)).contains("80577");
        assertThat(text).doesNotContain("\0");
    }

    @Test
    void a_figure_that_is_wide_becomes_smaller_and_is_never_cut() throws Exception {
        List<Written.Page> pages =
                List.of(onlyFigures(figure("NOK/kg", 9_876_543_210L), figure("NOK/kg", 9_876_543_210L)));

        assertThat(squeezed(text(pdf(pages)))).contains("9876543210NOK/kg").doesNotContain("…");
    }

    private static PageModel.BlockModel figure(String unit, long value) {
        return new PageModel.FigureModel(
                "many",
                "Many",
                new Format(unit, 0, Good.MORE),
                Optional.of(BigDecimal.valueOf(value)),
                Optional.of(BigDecimal.valueOf(value)),
                Block.Against.BEFORE,
                List.of());
    }

    private static Written.Page onlyFigures(PageModel.BlockModel... figures) {
        PageModel model = Ferries.page(1, "last-week", List.of());
        return Writing.page(model.withBlocks(List.of(figures)), ENGLISH, ZoneId.of("Europe/Oslo"));
    }

    @Test
    void every_font_is_embedded() throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf(pages()))) {
            var resources = document.getPage(0).getResources();
            for (COSName name : resources.getFontNames()) {
                PDFont font = resources.getFont(name);
                assertThat(font.isEmbedded()).as(font.getName()).isTrue();
            }
        }
    }

    @Test
    void the_same_pages_give_the_same_bytes() {
        assertThat(pdf(pages())).isEqualTo(pdf(pages()));
    }

    static List<Written.Page> pages() {
        return Stream.of(Ferries.page(1, "last-week", List.of()), Ferries.page(2, "2026-02-01/2026-11-24", List.of()))
                .map(model -> Writing.page(model, ENGLISH, ZoneId.of("Europe/Oslo")))
                .toList();
    }

    static byte[] pdf(List<Written.Page> pages) {
        var running =
                new Document.Running("Cancelled sailings", "No. 48 · 16–22 Nov 2026", "made Mon 23 Nov 2026, 06:58");
        return ReportPdf.of(pages, running, ENGLISH, MADE);
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            return stripper.getText(document);
        }
    }

    /** Without spaces of any kind: where they fall on paper is a matter of layout. */
    private static String squeezed(String text) {
        return text.replaceAll("[\\s\\u00a0\\u2009]+", "");
    }
}
