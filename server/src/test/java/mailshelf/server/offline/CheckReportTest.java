package mailshelf.server.offline;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import picocli.CommandLine;

/** A report and a file of rows, with no server. */
class CheckReportTest {
    private static final String ROWS = """
            day;boat;kilos
            09.11.2026;Lunde;1.204,5
            10.11.2026;Havsule;402,0
            16.11.2026;Lunde;988,0
            """;

    private static final String REPORT = """
            report: The catch
            about: What was landed.
            data: catch
            filters: [boat]
            measures:
              kilos: {title: Landed, sum: kilos, unit: kg}
            pages:
              - page: Overview
                id: overview
                blocks:
                  - {figure: kilos}
                  - {table: boat, title: By boat, measures: [kilos, share of kilos]}
            """;

    @TempDir
    Path folder;

    private Path report;
    private Path data;

    /** What was said on standard output and error, and the status. */
    private record Said(int status, String out, String err) {}

    @BeforeEach
    void files() throws IOException {
        report = Files.writeString(folder.resolve("catch.yaml"), REPORT);
        data = Files.writeString(folder.resolve("catch.csv"), ROWS);
    }

    @Test
    void what_is_right_is_summed_up() {
        Said said = check();

        assertThat(said.status()).isZero();
        assertThat(said.out())
                .contains("“The catch”, 1 pages with 2 blocks, over 3 rows to 2026-11-16: no fault found");
    }

    @Test
    void faults_of_the_report_are_told_at_its_line_and_column() throws IOException {
        Files.writeString(report, REPORT.replace("figure: kilos", "figure: kiloes"));

        Said said = check();

        assertThat(said.status()).isEqualTo(1);
        assertThat(said.err()).isEqualToIgnoringNewLines(report + ":11:18: no measure \"kiloes\"; there are kilos");
    }

    @Test
    void faults_of_the_rows_are_told_with_their_file() throws IOException {
        Files.writeString(data, "");
        assertThat(check().err()).startsWith(data + ": The file is empty.");
        Files.writeString(data, ROWS.replace("day;boat;kilos", "day;;kilos"));
        assertThat(check().err()).startsWith(data + ":").contains("column 2 has no name");
    }

    @Test
    void a_file_that_is_not_there_and_days_that_can_be_read_in_two_ways_are_told() throws IOException {
        Files.writeString(data, "day,boat,kilos\n3/4/2026,Lunde,1\n");
        assertThat(check().err()).contains("can be read with the day or with the month first");
        assertThat(check("--dates", "DAY_FIRST").status()).isZero();
        Files.delete(data);
        assertThat(check().err()).contains("there is no such file");
    }

    @Test
    void a_column_that_is_text_for_one_bad_cell_names_the_cell() throws IOException {
        Files.writeString(data, ROWS.replace("402,0", "4o2,0"));

        Said said = check();

        assertThat(said.status()).isEqualTo(1);
        assertThat(said.err()).contains(data + ":3: line 3, column kilos: \"4o2,0\" is not a number");
    }

    @Test
    void what_is_typed_wrong_is_said_in_the_words_of_who_types() throws IOException {
        String pdf = folder.resolve("out.pdf").toString();

        assertThat(check("--on", "30.11.2026").err())
                .contains("\"30.11.2026\" is not a day: write it like 2026-11-30.")
                .doesNotContain("Exception", "LocalDate");
        assertThat(render("-o", pdf, "--answer", "North").err())
                .contains("\"North\" answers no question: write its name and the answer, like route=North.")
                .doesNotContain("Exception", "Map");
        assertThat(render("-o", pdf, "--answer", "berth=3").err()).contains("The report has no question “berth”.");
        Path nowhere = folder.resolve("nowhere").resolve("out.pdf");
        assertThat(render("-o", nowhere.toString()).err()).contains(nowhere + ": there is no such file or folder.");
        Path folderInstead = Files.createDirectory(folder.resolve("folder.pdf"));
        assertThat(render("-o", folderInstead.toString()).err()).contains(folderInstead + ": Is a directory.");
    }

    @Test
    void a_file_is_made_of_all_pages_or_a_picture_of_one() throws IOException {
        Path pdf = folder.resolve("out.pdf");
        Path png = folder.resolve("out.png");

        assertThat(render("-o", pdf.toString(), "--period", "2026-11-01/2026-11-30")
                        .status())
                .isZero();
        assertThat(render("-o", png.toString(), "--page", "overview").status()).isZero();

        assertThat(new String(Files.readAllBytes(pdf), StandardCharsets.ISO_8859_1))
                .startsWith("%PDF-");
        assertThat(Files.readAllBytes(png)).startsWith(0x89, 'P', 'N', 'G');
        Path html = folder.resolve("out.html");
        assertThat(render("-o", html.toString()).status()).isZero();
        assertThat(Files.readString(html))
                .contains("<h1>The catch</h1>", "Lunde")
                .doesNotContain("<script", "src=");
        Path xlsx = folder.resolve("out.XLSX");
        assertThat(render("-o", xlsx.toString()).status()).isZero();
        assertThat(Files.readAllBytes(xlsx)).startsWith('P', 'K');
        Path csv = folder.resolve("out.csv");
        assertThat(render("-o", csv.toString(), "--block", "none").err()).contains("There is no table “none”");
        assertThat(render("-o", folder.resolve("out.doc").toString()).status()).isEqualTo(2);
        assertThat(render("-o", png.toString(), "--page", "none").err()).contains("The report has no page “none”");
        assertThat(render("-o", pdf.toString(), "--period", "lately").err()).contains("“lately” is no period");
    }

    @Test
    void it_shows_the_reports_own_period_where_none_is_named() throws IOException {
        Files.writeString(report, REPORT.replace("data:", "period: yesterday\ndata:"));
        Path csv = folder.resolve("out.csv");

        assertThat(render("-o", csv.toString(), "--block", "b2").status()).isZero();
        assertThat(Files.readString(csv)).contains("Lunde,988").doesNotContain("Havsule");
        assertThat(render("-o", csv.toString(), "--block", "b2", "--period", "past-12-months")
                        .status())
                .isZero();
        assertThat(Files.readString(csv)).contains("Havsule");
        Files.writeString(report, REPORT.replace("data:", "period: since-last-issue\ndata:"));
        assertThat(check().err()).contains(":3:9: \"period\" is one like yesterday");
    }

    @Test
    void what_the_report_asks_is_answered_on_the_command_line() throws IOException {
        Files.writeString(
                report,
                REPORT.replace(
                                "filters:",
                                "questions: [{ask: 'Large from?', name: large, answer: number}, {ask: 'Whose?', column: boat}]\nfilters:")
                        .replace("sum: kilos,", "sum: kilos, where: kilos >= large,"));
        Path csv = folder.resolve("out.csv");
        String[] asked = {"-o", csv.toString(), "--block", "b2", "--period", "2026-11-01/2026-11-30", "--answer"};

        Said open =
                render(Stream.concat(Stream.of(asked), Stream.of("large=1000")).toArray(String[]::new));
        Said answered = render(Stream.concat(Stream.of(asked), Stream.of("large=1000", "--answer", "boat=Lunde"))
                .toArray(String[]::new));

        assertThat(open.err()).contains("The report asks first: Whose?", "--answer \"boat=…\"");
        assertThat(answered.status()).isZero();
        assertThat(Files.readString(csv)).contains("Lunde,1204.5,").doesNotContain("Havsule");
    }

    private Said check(String... more) {
        return run(new CommandLine(new CheckReport()), more);
    }

    private Said render(String... more) {
        return run(new CommandLine(new RenderReport()), more);
    }

    private Said run(CommandLine command, String... more) {
        String[] arguments = Stream.concat(Stream.of(report.toString(), "--data", data.toString()), Stream.of(more))
                .toArray(String[]::new);
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream saidOut = new ByteArrayOutputStream();
        ByteArrayOutputStream saidErr = new ByteArrayOutputStream();
        try {
            System.setOut(new PrintStream(saidOut, true, StandardCharsets.UTF_8));
            System.setErr(new PrintStream(saidErr, true, StandardCharsets.UTF_8));
            int status = command.execute(arguments);
            return new Said(status, saidOut.toString(StandardCharsets.UTF_8), saidErr.toString(StandardCharsets.UTF_8));
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }
}
