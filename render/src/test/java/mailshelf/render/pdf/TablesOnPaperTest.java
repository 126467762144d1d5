package mailshelf.render.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.report.Block;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.Document;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;

/** Tables of any width and length: nothing of them is cut, and nothing stands alone. */
class TablesOnPaperTest {
    private static final Words ENGLISH = Words.in(Locale.ENGLISH);

    @Test
    void no_number_or_day_is_cut_however_many_columns_there_are() throws IOException {
        List<String> expected = new ArrayList<>();
        List<Written.Head> heads = new ArrayList<>(List.of(new Written.Head("Vessel", false, true)));
        IntStream.range(0, 24)
                .forEach(i -> heads.add(new Written.Head("Passengers of sailing " + i, i % 3 != 0, false)));
        List<List<Written.Cell>> rows = new ArrayList<>();
        for (int row = 0; row < 60; row++) {
            List<Written.Cell> cells = new ArrayList<>(List.of(Written.Cell.plain("MV Brine " + row)));
            for (int column = 0; column < 24; column++) {
                String text = column % 3 == 0
                        ? "Mon 16 Nov 2026, 0" + column % 10 + ":10"
                        : "9 876 543." + (row * 24 + column);
                expected.add(text);
                cells.add(Written.Cell.plain(text));
            }
            rows.add(cells);
        }

        List<String> sheets = sheets("wide", page(table("t", heads, rows, List.of())));

        assertThat(String.join("\n", sheets).replace('\u00a0', ' ')).contains(expected);
        assertThat(sheets).allSatisfy(sheet -> assertThat(sheet).contains("MV Brine"));
    }

    @Test
    void a_table_that_is_too_wide_for_a_sheet_lies_and_what_follows_stands() throws IOException {
        List<Written.Head> heads = new ArrayList<>(List.of(new Written.Head("Vessel", false, true)));
        IntStream.range(0, 9).forEach(i -> heads.add(new Written.Head("Sum " + i, true, false)));
        List<List<Written.Cell>> rows = List.of(
                cells(Stream.concat(Stream.of("Brine"), IntStream.range(0, 9).mapToObj(i -> "123 456 789 00" + i))));
        Written.Table narrow = table("n", List.of(new Written.Head("Vessel", false, true)), List.of(), List.of());

        try (PDDocument document = Loader.loadPDF(pdf("turned", page(table("t", heads, rows, List.of()), narrow)))) {
            assertThat(document.getPages()).map(TablesOnPaperTest::lies).containsExactly(true, false);
        }
    }

    private static boolean lies(PDPage page) {
        return page.getMediaBox().getWidth() > page.getMediaBox().getHeight();
    }

    @Test
    void long_texts_run_over_lines_and_a_word_without_end_is_broken() throws IOException {
        String endless = "x".repeat(300) + "END";
        String remark = IntStream.range(0, 900).mapToObj(i -> "word" + i).collect(Collectors.joining(" "));
        List<Written.Head> heads = List.of(
                new Written.Head("Vessel", false, true),
                new Written.Head("Remark", false, true),
                new Written.Head("Passengers, of all that were booked", true, false));
        List<List<Written.Cell>> rows =
                List.of(cells(Stream.of("Brine", remark, "12")), cells(Stream.of("Selje", endless, "7 654 321")));

        List<String> sheets = sheets("long", page(table("t", heads, rows, List.of())));

        String text = String.join(" ", sheets).replaceAll("\\s+", " ").replace('\u00a0', ' ');
        assertThat(text).contains("word0 word1", "word899", "7 654 321").doesNotContain("…");
        assertThat(text.replace(" ", "")).contains("xxxEND");
    }

    @Test
    void a_total_never_stands_alone_and_three_rows_stand_together() throws IOException {
        List<Written.Head> heads =
                List.of(new Written.Head("Vessel", false, true), new Written.Head("Passengers", true, false));
        for (int count = 1; count < 140; count++) {
            List<List<Written.Cell>> rows = IntStream.range(0, count)
                    .mapToObj(i -> cells(Stream.of("Vessel" + i, "1")))
                    .toList();
            List<String> sheets = sheets("total", page(table("t", heads, rows, cells(Stream.of("All", "99")))));
            int fewest = Math.min(3, count);
            assertThat(sheets)
                    .as(count + " rows")
                    .allSatisfy(sheet -> assertThat(sheet.lines()
                                    .filter(line -> line.startsWith("Vessel"))
                                    .count())
                            .isGreaterThan(fewest)); // with the head
            assertThat(sheets.get(sheets.size() - 1)).contains("All 99");
        }
    }

    @Test
    void a_character_that_the_typeface_lacks_is_a_box_that_is_explained_and_read_aloud() throws IOException {
        List<Written.Head> heads = List.of(new Written.Head("Name", false, true));
        List<List<Written.Cell>> rows = Stream.of("山田 ٣٤ 🚢", "Γιώργος", "Юрий")
                .map(name -> cells(Stream.of(name)))
                .toList();
        byte[] pdf = pdf("lacking", page(table("t", heads, rows, List.of())));

        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document))
                    .contains("□□ □□ □", "Γιώργος", "Юрий", "A box (□) stands for a character");
        }
        assertThat(TagsTest.said(pdf)).contains("山田 ٣٤ 🚢");
    }

    @Test
    void a_chart_of_many_bars_runs_over_sheets() throws IOException {
        List<String> names = IntStream.range(0, 120).mapToObj(i -> "Pier " + i).toList();
        List<Double> values = IntStream.range(0, 120).mapToObj(i -> (double) i).toList();
        List<String> written =
                IntStream.range(0, 120).mapToObj(i -> i + " boats").toList();
        Written.Chart chart = new Written.Chart(
                "c",
                "Boats",
                Block.ChartKind.BARS,
                false,
                names,
                names,
                List.of(new Written.Tick(0, "0"), new Written.Tick(120, "120")),
                List.of(new Written.Series("", values, written)),
                -1,
                "");

        List<String> sheets = sheets(
                "bars",
                new Written.Page(
                        "Piers",
                        "p",
                        "Piers",
                        1,
                        "",
                        "",
                        1,
                        List.of(),
                        List.of(chart),
                        List.of(),
                        List.of(),
                        List.of(),
                        List.of("c")));

        assertThat(sheets).hasSizeGreaterThan(2);
        assertThat(String.join("\n", sheets)).contains(names).contains(written);
    }

    private static List<Written.Cell> cells(Stream<String> texts) {
        return texts.map(Written.Cell::plain).toList();
    }

    private static Written.Table table(
            String id, List<Written.Head> heads, List<List<Written.Cell>> rows, List<Written.Cell> total) {
        return new Written.Table(id, "Every one", heads, true, List.of(), rows.size(), rows, total, "");
    }

    private static Written.Page page(Written.Table... tables) {
        List<String> order = Stream.of(tables).map(Written.Table::id).toList();
        return new Written.Page(
                "Piers",
                "p",
                "Piers",
                1,
                "last week",
                "",
                1,
                List.of(),
                List.of(),
                List.of(tables),
                List.of(),
                List.of(),
                order);
    }

    private static byte[] pdf(String name, Written.Page page) throws IOException {
        byte[] pdf = ReportPdf.of(
                List.of(page),
                new Document.Running("Piers", "No. 1", "made today"),
                ENGLISH,
                Instant.parse("2026-11-23T05:58:41Z"));
        Files.write(Path.of("target/" + name + ".pdf"), pdf);
        return pdf;
    }

    /** The text of each sheet. */
    private static List<String> sheets(String name, Written.Page page) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf(name, page))) {
            List<String> texts = new ArrayList<>();
            for (int sheet = 1; sheet <= document.getNumberOfPages(); sheet++) {
                PDFTextStripper stripper = new PDFTextStripper();
                stripper.setSortByPosition(true);
                stripper.setStartPage(sheet);
                stripper.setEndPage(sheet);
                texts.add(stripper.getText(document));
            }
            return texts;
        }
    }
}
