package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class DefinitionReaderTest {
    @Test
    void a_definition_is_read_whole() {
        Definition definition = Ferries.definition();

        assertThat(definition.pages()).extracting(Definition.Page::title).containsExactly("Overview", "Every sailing");
        assertThat(definition.pages().get(0).blocks()).hasSize(6);
        assertThat(definition.columnTitle("route")).isEqualTo("Route");
        assertThat(definition.columnTitle("cause")).isEqualTo("Cause");
    }

    @Test
    void a_column_that_is_computed_further_down_is_said_to_be_there() {
        String yaml =
                Ferries.YAML.replace("measures:\n", "compute:\n  late: slow\n  slow: passengers > 10\nmeasures:\n");

        assertThat(faults(yaml))
                .containsExactly("line 8, column 9: column \"slow\" is computed further down; write it above this one");
    }

    @Test
    void a_quote_that_closes_another_far_below_is_told_where_it_begins() {
        String yaml = Ferries.YAML.replace("about: Which", "about: \"Which");

        assertThat(faults(yaml).get(0))
                .startsWith("line 2, column 8: the quote that begins here ends in line 9; is one missing before that?");
    }

    private static List<String> faults(String yaml) {
        Problem problem = catchThrowableOfType(Problem.class, () -> DefinitionReader.read(yaml, Ferries.COLUMNS));
        return problem.faults().stream()
                .map(fault -> fault.field() + ": " + fault.message())
                .toList();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
        filters: [route, cause] | filters: [rout] | line 5, column 10 | no column "rout"
        {figure: share} | {figure: shares} | line 17, column 18 | no measure "shares"
        {figure: share} | {figur: share} | line 17, column 9 | a block is one of
        chart: line | chart: pie | line 20, column 17 | must be bars, line, area or share
        over: 12 weeks | over: a while | line 20, column 69 | expected a span
        decimals: 1 | decimals: many | line 10, column 76 | must be 0 to 6
        tags: [traffic] | tags: [traffic | line 5, column 8 | expected ',' or ']'
        ratio: [cancelled, sailings] | ratio: [fare, sailings] | line 10, column 32 | neither counts nor sums
        ratio: [cancelled, sailings] | ratio: [gone, sailings] | line 10, column 32 | no measure "gone"
        ratio: [cancelled, sailings] | ratio: [sailings] | line 10, column 32 | list of two measures
        average: fare | median: route | line 12, column 36 | must be a number column
        average: fare | average: fare, median: fare | line 12, column 51 | has "average" already
        average: fare | percentile 0: fare | line 12, column 9 | needs one of count, sum
        count: rows} | count: cause} | line 8, column 38 | there is "distinct"
        where: {cancelled: "yes"}, good | where: fare > yes, good | line 9, column 60 | no column "yes"
        where: {cancelled: "yes"}, good | where: fare + 1, good | line 9, column 53 | must be a condition
        change of cancelled] | share of share] | line 21, column 51 | do not add up
        change of cancelled] | change of cancelled], sort: route | line 21, column 108 | names one of the measures shown
        chart: line, title: Passengers, measure: passengers | chart: area, title: P, measure: fare | line 20, column 42 | must add up
        chart: line, title: Passengers, measure: passengers | chart: share, title: P, measure: passengers | line 20, column 17 | needs "split"
        {figure: share} | {text: "{sailings went"} | line 17, column 17 | this brace is not closed
        {figure: share} | {figure: share, figure: sailings} | line 17, column 25 | "figure" stands here already, in line 17
        {figure: share} | {text: "Some} | line 17, column 16 | the quote that begins here ends in line 19
        passengers], where: {cancelled: "yes"}} | passengers], where: {cancelled: "yes}} | line 24, column 117 | this quote is not closed
        {figure: share} | {text: "{sailing} went"} | line 17, column 17 | no field "sailing"
        """)
    void faults_are_told_with_line_and_column(String right, String wrong, String where, String what) {
        String yaml = Ferries.YAML.replace(right, wrong);

        assertThatThrownBy(() -> DefinitionReader.read(yaml, Ferries.COLUMNS))
                .isInstanceOfSatisfying(Problem.class, problem -> {
                    assertThat(problem.code()).isEqualTo("report.not-readable");
                    assertThat(problem.faults()).anySatisfy(fault -> {
                        assertThat(fault.message()).contains(what);
                        assertThat(fault.field()).isEqualTo(where);
                    });
                });
    }

    @ParameterizedTest
    @MethodSource("hostile")
    void a_text_that_would_exhaust_the_stack_or_the_memory_is_refused_where_it_does(String yaml, String what) {
        assertThatThrownBy(() -> DefinitionReader.read(yaml, Ferries.COLUMNS))
                .isInstanceOfSatisfying(
                        Problem.class,
                        problem -> assertThat(problem.faults()).anySatisfy(fault -> {
                            assertThat(fault.field()).startsWith("line ");
                            assertThat(fault.message()).contains(what);
                        }));
    }

    static Stream<Arguments> hostile() {
        String computed = IntStream.range(0, 3000)
                .mapToObj(i -> "  c" + i + ": " + (i == 0 ? "1" : "c" + (i - 1) + " + 1") + "\n")
                .collect(Collectors.joining());
        return Stream.of(
                Arguments.of("report: " + "[".repeat(100_000), "20 deep"),
                Arguments.of("report:\n" + nested(10_000), "20 deep"),
                Arguments.of("report: &a [x]\nabout: *a", "aliases"),
                Arguments.of("report: [" + "a,".repeat(60_000) + "]", "at most 50000"),
                Arguments.of("report: A\nabout: B\ndata: sailings\ncompute:\n" + computed, "at most 200 columns"),
                Arguments.of("report: A\ncompute:\n  c: " + "(".repeat(900) + "1", "60 deep"));
    }

    private static String nested(int deep) {
        StringBuilder yaml = new StringBuilder();
        for (int i = 1; i < deep && yaml.length() < 2_000_000; i++) {
            yaml.append(" ".repeat(i)).append("a:\n");
        }
        return yaml.toString();
    }

    @Test
    void pages_and_blocks_of_the_same_id_are_refused() {
        String yaml = Ferries.YAML
                .replace("  - page: Every sailing", "  - page: Every sailing\n    id: p1")
                .replace("{figure: share}", "{figure: share, id: b1}");

        assertThatThrownBy(() -> DefinitionReader.read(yaml, Ferries.COLUMNS))
                .isInstanceOfSatisfying(
                        Problem.class,
                        problem -> assertThat(problem.faults())
                                .extracting(Problem.Fault::message)
                                .containsExactly(
                                        "there is another with the id \"b1\" before it",
                                        "there is another with the id \"p1\" before it"));
    }

    @Test
    void an_empty_text_is_refused_with_a_place() {
        assertThatThrownBy(() -> DefinitionReader.dataSetOf(""))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("line 1");
    }
}
