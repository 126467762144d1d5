package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import mailshelf.core.Problem;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DefinitionReaderTest {
    @Test
    void a_definition_is_read_whole() {
        Definition definition = Ferries.definition();

        assertThat(definition.pages()).extracting(Definition.Page::title).containsExactly("Overview", "Every sailing");
        assertThat(definition.pages().get(0).blocks()).hasSize(6);
        assertThat(definition.columnTitle("route")).isEqualTo("Route");
        assertThat(definition.columnTitle("cause")).isEqualTo("cause");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
        filters: [route, cause] | filters: [rout] | line 5, column 10 | no column "rout"
        {figure: share} | {figure: shares} | line 17, column 18 | no measure "shares"
        {figure: share} | {figur: share} | line 17, column 9 | a block is one of
        chart: line | chart: pie | line 20, column 17 | must be bars or line
        over: 12 weeks | over: a while | line 20, column 69 | expected a span
        decimals: 1 | decimals: many | line 10, column 76 | must be 0 to 6
        tags: [traffic] | tags: [traffic | line 5, column 8 | expected ',' or ']'
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

    @Test
    void an_empty_text_is_refused_with_a_place() {
        assertThatThrownBy(() -> DefinitionReader.dataSetOf(""))
                .isInstanceOf(Problem.class)
                .hasMessageContaining("line 1");
    }
}
