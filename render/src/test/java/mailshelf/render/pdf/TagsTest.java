package mailshelf.render.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import mailshelf.core.report.Written;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDMarkedContent;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;

/** A PDF as a screen reader goes through it: element by element, in order. */
class TagsTest {
    @Test
    void it_is_read_in_the_order_of_the_page_with_headings_tables_and_drawings_in_words() throws IOException {
        List<Written.Page> pages = ReportPdfTest.pages();
        byte[] pdf = ReportPdfTest.pdf(pages);

        String said = said(pdf);

        Written.Page first = pages.get(0);
        assertThat(said).startsWith("[Document][Sect][H1]" + first.title());
        Written.Table table = first.tables().get(0);
        assertThat(said).contains("[H2]" + table.title()).contains("[Table][TR][TH]");
        table.rows()
                .forEach(row -> row.stream()
                        .map(Written.Cell::text)
                        .filter(text -> !text.isEmpty())
                        .forEach(text -> assertThat(said.replace('\u00a0', ' '))
                                .contains("[TD]" + text.replaceAll("\\s", " "))));
        first.charts().forEach(chart -> assertThat(said).contains("[Figure]").contains("chart, " + chart.title()));
        assertThat(said).doesNotContain("No. 48").doesNotContain("made Mon");
    }

    @Test
    void a_reader_is_told_its_title_language_order_and_headings() throws IOException {
        try (PDDocument document = Loader.loadPDF(ReportPdfTest.pdf(ReportPdfTest.pages()))) {
            var catalog = document.getDocumentCatalog();
            assertThat(catalog.getMarkInfo().isMarked()).isTrue();
            assertThat(catalog.getLanguage()).isEqualTo("en");
            assertThat(catalog.getViewerPreferences().displayDocTitle()).isTrue();
            assertThat(new String(catalog.getMetadata().toByteArray())).contains("Cancelled sailings");
            assertThat(catalog.getDocumentOutline().children())
                    .map(item -> item.getTitle())
                    .containsExactlyElementsOf(ReportPdfTest.pages().stream()
                            .map(Written.Page::title)
                            .toList());
            for (PDPage page : document.getPages()) {
                assertThat(page.getCOSObject().getNameAsString("Tabs")).isEqualTo("S");
            }
        }
    }

    /** What is said of a PDF by its tags alone, types in brackets. */
    static String said(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            List<List<String>> texts = new ArrayList<>();
            for (PDPage page : document.getPages()) {
                texts.add(marked(page));
            }
            COSDictionary root =
                    document.getDocumentCatalog().getStructureTreeRoot().getCOSObject();
            StringBuilder said = new StringBuilder();
            say(document, root.getCOSDictionary(COSName.K), texts, said);
            return said.toString();
        }
    }

    /** The texts of a sheet's marked parts, by number. */
    private static List<String> marked(PDPage page) throws IOException {
        PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
        extractor.processPage(page);
        List<String> texts = new ArrayList<>();
        for (PDMarkedContent part : extractor.getMarkedContents()) {
            if (part.getMCID() >= 0) {
                assertThat(part.getMCID()).isEqualTo(texts.size());
                StringBuilder text = new StringBuilder();
                part.getContents().stream()
                        .filter(TextPosition.class::isInstance)
                        .forEach(letter -> text.append(((TextPosition) letter).getUnicode()));
                texts.add(text.toString());
            }
        }
        return texts;
    }

    private static void say(PDDocument document, COSDictionary element, List<List<String>> texts, StringBuilder said) {
        said.append('[').append(element.getNameAsString(COSName.S)).append(']');
        if (element.getString(COSName.ALT) != null || element.getString("ActualText") != null) {
            said.append(element.getString(COSName.ALT)).append(element.getString("ActualText"));
            return;
        }
        COSBase kids = element.getDictionaryObject(COSName.K);
        COSArray all = kids instanceof COSArray array ? array : new COSArray();
        if (kids != null && all != kids) {
            all.add(kids);
        }
        for (int i = 0; i < all.size(); i++) {
            COSBase kid = all.getObject(i);
            if (kid instanceof COSInteger number) {
                int page = document.getPages().indexOf(new PDPage(element.getCOSDictionary(COSName.PG)));
                said.append(texts.get(page).get(number.intValue()));
            } else if (((COSDictionary) kid).containsKey("MCID")) {
                COSDictionary mark = (COSDictionary) kid;
                int page = document.getPages().indexOf(new PDPage(mark.getCOSDictionary(COSName.PG)));
                said.append(texts.get(page).get(mark.getInt("MCID")));
            } else {
                say(document, (COSDictionary) kid, texts, said);
            }
        }
    }
}
