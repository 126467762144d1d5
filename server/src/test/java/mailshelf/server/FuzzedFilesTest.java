package mailshelf.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Inspection;
import mailshelf.core.data.csv.Meant;
import mailshelf.core.report.DefinitionReader;
import mailshelf.server.data.IncomingCsv;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Whatever is sent as a file of rows or as a report is read, or refused in words at its place: never anything else. */
@Timeout(300)
class FuzzedFilesTest {
    private static final int TRIES = 10_000;

    private static final List<Column> COLUMNS =
            List.of(Column.date("day"), Column.text("route"), Column.number("seats", 0), Column.number("fare", 2));

    private static final String ROWS = """
            day;route;seats;fare
            24.11.2026;Ytre Bø;40;1.234,50
            25.11.2026;"Hovden; by ""night"" ferry";-7;0,5
            26.11.2026;"two
            lines";;
            """;

    private static final String REPORT = """
            report: Seats
            about: How many were sold.
            data: seats
            compute: {takings: seats * fare, full: 'if seats > 30 then "yes" else "no"'}
            filters: [route, full]
            measures:
              seats: {title: Seats, sum: seats, where: route <> "x" and fare > 1}
              part: {title: Part, ratio: [seats, seats], unit: "%", decimals: 1}
              high: {title: High, percentile 90: fare}
            pages:
              - page: Overview
                blocks:
                  - {figure: seats, trend: 12 weeks, against: year ago}
                  - {chart: share, title: A, measure: seats, over: 8 quarters, split: route}
                  - {table: route, title: B, measures: [seats, share of seats], sort: seats, top: 3}
                  - {text: "In {days} {seats}.", title: C}
            """;

    @Test
    void what_they_are_made_of_is_right() throws IOException {
        assertThat(table(ROWS.getBytes(StandardCharsets.UTF_8)).rows()).isEqualTo(3);
        assertThat(DefinitionReader.read(REPORT, COLUMNS).pages()).hasSize(1);
    }

    @Test
    void any_bytes_are_a_table_or_refused_with_a_reason() throws IOException {
        Random random = new Random(20261126);
        int read = 0;
        for (int i = 0; i < TRIES; i++) {
            byte[] file = mutated(ROWS.getBytes(charset(random)), random);
            try {
                assertThat(table(file).rows()).isNotNegative();
                read++;
            } catch (Problem e) {
                told(e);
            }
        }
        // so that it is not all refused at the door
        assertThat(read).isBetween(TRIES / 50, TRIES);
    }

    private static Charset charset(Random random) {
        return List.of(StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, Charset.forName("windows-1252"))
                .get(random.nextInt(3));
    }

    private static final Meant DAYS_FIRST = new Meant(Optional.of(DateForm.DAY_FIRST), Optional.of(DecimalMark.POINT));

    private static Table table(byte[] file) throws IOException {
        IncomingCsv csv = new IncomingCsv(new ByteArrayInputStream(file), ZoneOffset.UTC, DAYS_FIRST);
        Inspection seen = csv.inspection();
        seen.typed(seen.columns().stream().map(Inspection.Found::column).toList(), Optional.of(DateForm.DAY_FIRST));
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        CsvTable.read(csv.reader(), csv.form(COLUMNS), COLUMNS, rows);
        return rows.build();
    }

    @Test
    void any_text_is_a_report_or_refused_with_line_and_column() {
        Random random = new Random(20261127);
        int read = 0;
        for (int i = 0; i < TRIES; i++) {
            String text = new String(mutated(REPORT.getBytes(StandardCharsets.UTF_8), random), StandardCharsets.UTF_8);
            try {
                assertThat(DefinitionReader.read(text, COLUMNS).pages()).isNotEmpty();
                DefinitionReader.dataSetOf(text);
                read++;
            } catch (Problem e) {
                told(e);
                assertThat(e.faults())
                        .allSatisfy(fault -> assertThat(fault.field()).matches("line \\d+, column \\d+"));
            }
        }
        assertThat(read).isBetween(TRIES / 50, TRIES);
    }

    private static void told(Problem problem) {
        assertThat(problem.getMessage()).isNotBlank();
        assertThat(problem.code()).matches("(data|report)\\.[a-z-]+");
    }

    /** Some bytes changed, removed, doubled or put in; now and then nothing but noise. */
    private static byte[] mutated(byte[] file, Random random) {
        if (random.nextInt(50) == 0) {
            byte[] noise = new byte[random.nextInt(400)];
            random.nextBytes(noise);
            return noise;
        }
        byte[] bytes = file.clone();
        for (int i = random.nextInt(4); i >= 0 && bytes.length > 1; i--) {
            int at = random.nextInt(bytes.length);
            bytes = switch (random.nextInt(4)) {
                case 0 -> with(bytes, at, 1, new byte[] {(byte) random.nextInt(256)});
                case 1 -> with(bytes, at, Math.min(random.nextInt(6), bytes.length - at), new byte[0]);
                case 2 ->
                    with(
                            bytes,
                            at,
                            0,
                            "\"';,:{}[]\n-#&*".substring(random.nextInt(14)).getBytes(StandardCharsets.UTF_8));
                default -> with(bytes, at, 0, Arrays.copyOfRange(bytes, at, Math.min(bytes.length, at + 20)));
            };
        }
        return bytes;
    }

    private static byte[] with(byte[] bytes, int at, int removed, byte[] put) {
        byte[] made = new byte[bytes.length - removed + put.length];
        System.arraycopy(bytes, 0, made, 0, at);
        System.arraycopy(put, 0, made, at, put.length);
        System.arraycopy(bytes, at + removed, made, at + put.length, bytes.length - at - removed);
        return made;
    }
}
