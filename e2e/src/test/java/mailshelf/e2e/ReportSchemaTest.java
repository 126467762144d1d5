package mailshelf.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.dataformat.yaml.YAMLMapper;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What editors are told of reports is what the server takes and refuses. */
class ReportSchemaTest {
    @RegisterExtension
    static final RunningDemo DEMO = new RunningDemo("report-schema");

    private static final Path ROOT = Path.of("..");

    private static final String EVERYTHING = """
            report: Everything
            about: What a report may hold.
            kind: dashboard
            data: sailings
            tags: [all]
            questions:
              - {ask: "Which route?", column: route}
              - {ask: "From what?", name: bound, answer: number, from: 1, to: 60, default: 10}
              - {ask: "Since when?", name: since, answer: day, default: 2026-01-01}
              - {ask: "Which half?", name: half, choose: [summer, winter]}
              - {ask: "Which month?", name: month, within: half, choose: {summer: ["5"], winter: [11, 12]}}
            compute:
              late: 'if delay > bound then "late" else "in time"'
            filters: [route, late]
            rows: [date, route, late]
            columns: {route: Route}
            measures:
              all: {title: Sailings, count: rows}
              gone: {title: Gone, count: rows, where: {cancelled: "yes"}, good: less}
              hurt: {title: Hurt, count: rows, where: delay > 10 and cancelled = "no"}
              people: {title: People, sum: passengers, good: more}
              mean: {title: Mean, average: delay, unit: min, decimals: 1}
              least: {title: Least, least: delay}
              most: {title: Most, greatest: delay}
              half: {title: Half, median: delay}
              nine: {title: Nine of ten, percentile 90: delay}
              boats: {title: Boats, distinct: vessel}
              part: {title: Part, ratio: [gone, all], unit: "%", decimals: 1}
            pages:
              - page: One
                id: one
                blocks:
                  - {figure: gone, title: Gone, trend: 12 weeks, against: year ago, id: first}
                  - {chart: area, title: A, measure: running total of people, over: 8 quarters, split: route}
                  - {chart: bars, title: B, measure: share of people, by: route, top: 3}
                  - {chart: share, title: C, measure: all, over: 12 weeks, split: late}
                  - {table: route, title: D, measures: [all, change of all, change in % of all], sort: all, top: 2}
                  - {table: [route, late], title: N, measures: [all, share of all], emphasis: {all: over 5}}
                  - {table: rows, title: E, columns: [date, route, delay], where: {cancelled: "yes"}, emphasis: {delay: under -1.5}}
                  - {text: "In {days} {gone} of {all} did not go.", title: F}
            """;

    private static JsonSchema schema;
    private static Api sunniva;

    @BeforeAll
    static void read() throws IOException {
        sunniva = DEMO.as("Sunniva Rein");
        schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(Files.readString(ROOT.resolve("web/public/report.schema.json")));
    }

    static Stream<String> reports() throws IOException {
        Matcher example = Pattern.compile("(?s)```yaml\n(.*?)```")
                .matcher(Files.readString(ROOT.resolve("docs/report-format.md")));
        assertThat(example.find()).isTrue();
        try (Stream<Path> files = Files.list(ROOT.resolve("demo/src/main/resources/mailshelf/demo"))) {
            return Stream.concat(
                    Stream.of(EVERYTHING, example.group(1)),
                    files
                            .filter(file -> file.toString().endsWith(".yaml"))
                            .map(ReportSchemaTest::read)
                            .toList()
                            .stream());
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @ParameterizedTest
    @MethodSource("reports")
    void a_report_that_the_server_takes_fits_the_schema(String yaml) throws IOException {
        assertThat(status(yaml)).isEqualTo(200);
        assertThat(schema.validate(json(yaml))).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                report: Everything | rapport: Everything
                count: rows}       | count: all}
                good: more         | good: better
                decimals: 1        | decimals: 7
                percentile 90      | percentile 100
                ratio: [gone, all] | ratio: [gone]
                trend: 12 weeks    | trend: a while
                against: year ago  | against: years
                chart: area        | chart: pie
                top: 3             | top: 0
                table: rows        | tabel: rows
                [route, late], tit | [route, late, vessel], tit
                all: over 5        | all: above 5
                rows: [date, route, late] | rows: some
                title: D,          |
                pages:             | pagse:
                """)
    void what_the_schema_refuses_is_refused_by_the_server_too(String right, String wrong) throws IOException {
        String yaml =
                EVERYTHING.replaceFirst(Pattern.quote(right), Matcher.quoteReplacement(wrong == null ? "" : wrong));

        assertThat(schema.validate(json(yaml))).isNotEmpty();
        assertThat(status(yaml)).isEqualTo(422);
    }

    @Test
    void it_is_handed_out_to_any_editor() {
        assertThat(new String(Api.stranger(DEMO.server()).file("/report.schema.json")))
                .contains("A report of Mail Shelf");
    }

    private static int status(String yaml) {
        return sunniva.answer(
                        "POST",
                        "reports/drafts",
                        Map.of("folder", 1, "yaml", yaml, "page", "", "period", "last-week", "chartWidth", 600),
                        Map.of())
                .statusCode();
    }

    private static JsonNode json(String yaml) throws IOException {
        return new YAMLMapper().readTree(yaml);
    }
}
