package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Table;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** As many rows lie behind each mark and line as it counts, whatever the page is narrowed to. */
class RowsBehindTest {
    private static final String YAML = """
            report: Causes
            about: Why sailings do not go.
            data: sailings
            filters: [route]
            measures:
              gone: {title: Gone, count: rows, where: {cancelled: "yes"}}
              all: {title: All, count: rows}
              share: {title: Share, ratio: [gone, all]}
              fare: {title: Fare, average: fare}
              people: {title: Most people, greatest: passengers}
            pages:
              - page: One
                blocks:
                  - {figure: gone, id: gone}
                  - {figure: share, id: share}
                  - {figure: people, id: people}
                  - {chart: bars, id: weeks, title: Weeks, measure: gone, over: 26 weeks}
                  - {chart: bars, id: causes, title: Causes, measure: all, by: cause, top: 1}
                  - {table: cause, id: lines, title: Lines, measures: [all], sort: all, top: 2}
                  - {table: [route, cause], id: nested, title: Nested, measures: [all], sort: all}
                  - {table: rows, id: rows, title: Rows, columns: [date, route, cause], where: {cancelled: "yes"}}
                  - {text: Words., id: words}
            """;

    private static final RowsBehind.Sort AS_IS = new RowsBehind.Sort(Optional.empty(), false);

    private final Table table = Ferries.table(11);
    private final Definition definition = DefinitionReader.read(YAML, Ferries.COLUMNS);

    static Stream<List<Filter>> filters() {
        return Stream.of(
                List.of(),
                List.of(Filter.anyOf("route", List.of("2 Hovden–Skarv"))),
                List.of(new Filter("cause", Filter.Test.NONE_OF, List.of("wind"))),
                List.of(new Filter("cause", Filter.Test.FILLED, List.of())),
                List.of(new Filter("passengers", Filter.Test.BETWEEN, List.of("20", "150"))),
                List.of(new Filter("route", Filter.Test.TOP, List.of("1", "gone"))),
                List.of(Filter.anyOf("cause", List.of("none such"))));
    }

    @ParameterizedTest
    @MethodSource("filters")
    void as_many_rows_as_a_mark_or_line_counts(List<Filter> filters) {
        PageModel page = page(filters);

        assertThat(behind(page, filters, "")).hasSize((int) page.rows());
        assertThat(behind(page, filters, "gone"))
                .hasSize(((PageModel.FigureModel) block(page, "gone"))
                        .value()
                        .orElseThrow()
                        .intValue());
        assertThat(behind(page, filters, "share")).hasSize((int) page.rows());
        for (String id : List.of("weeks", "causes")) {
            PageModel.ChartModel chart = (PageModel.ChartModel) block(page, id);
            for (int i = 0; i < chart.categories().size(); i++) {
                BigDecimal counted = chart.series().get(0).values().get(i).orElseThrow();
                assertThat(behind(page, filters, id, chart.categories().get(i)))
                        .as("%s %s", id, chart.categories().get(i))
                        .hasSize(counted.intValue());
            }
        }
        for (List<String> line : ((PageModel.TableModel) block(page, "lines")).rows()) {
            assertThat(behind(page, filters, "lines", line.get(0)))
                    .as("%s", line)
                    .hasSize(new BigDecimal(line.get(1)).intValue());
        }
        PageModel.TableModel nested = (PageModel.TableModel) block(page, "nested");
        for (int i = 0; i < nested.rows().size(); i++) {
            List<String> row = nested.rows().get(i);
            String[] keys =
                    row.subList(0, nested.subtotals().contains(i) ? 1 : 2).toArray(String[]::new);
            assertThat(behind(page, filters, "nested", keys))
                    .as("%s", row)
                    .hasSize(new BigDecimal(row.get(2)).intValue());
        }
        assertThat(behind(page, filters, "rows"))
                .hasSize(((PageModel.TableModel) block(page, "rows")).rows().size());
    }

    @Test
    void rows_behind_a_greatest_value_have_one_and_are_sorted_as_asked() {
        PageModel page = page(List.of());
        int[] rows = RowsBehind.of(
                definition,
                definition.pages().get(0),
                Ferries.all(table),
                Ferries.question("last-4-weeks", table, List.of()),
                new RowsBehind.Mark("people", List.of()),
                new RowsBehind.Sort(Optional.of("passengers"), true));

        assertThat(IntStream.of(rows).mapToObj(row -> table.raw("passengers", row)))
                .doesNotContain("")
                .isSortedAccordingTo((a, b) -> new BigDecimal(b).compareTo(new BigDecimal(a)));
        assertThat(table.raw("passengers", rows[0]))
                .isEqualTo(((PageModel.FigureModel) block(page, "people"))
                        .value()
                        .orElseThrow()
                        .toString());
    }

    @Test
    void there_is_nothing_behind_words_and_marks_that_are_not_there() {
        PageModel page = page(List.of());

        assertThatThrownBy(() -> behind(page, List.of(), "words")).isInstanceOf(Problem.class);
        assertThatThrownBy(() -> behind(page, List.of(), "none")).isInstanceOf(Problem.class);
        assertThatThrownBy(() -> behind(page, List.of(), "causes", "fog")).isInstanceOf(Problem.class);
        assertThatThrownBy(() -> behind(page, List.of(), "nested", "1 Ness–Hovden", "fog"))
                .isInstanceOf(Problem.class);
        assertThatThrownBy(() -> behind(page, List.of(), "lines", "wind", "")).isInstanceOf(Problem.class);
    }

    @Test
    void a_column_offers_what_occurs_beside_the_other_filters_with_its_rows() {
        List<Filter> filters = List.of(
                Filter.anyOf("cause", List.of("wind")),
                Filter.anyOf("route", List.of("1 Ness–Hovden", "3 Sandvoll–Ness")));
        Evaluation.Question question = Ferries.question("last-4-weeks", table, filters);
        Map<String, Long> expected = IntStream.range(0, table.rows())
                .filter(row -> isIn(question, row))
                .filter(row -> table.raw("cause", row).equals("wind"))
                .boxed()
                .collect(Collectors.groupingBy(row -> table.raw("route", row), Collectors.counting()));

        ColumnValues routes = ColumnValues.of(definition, Ferries.all(table), question, "route", "", 10);
        ColumnValues found = ColumnValues.of(definition, Ferries.all(table), question, "route", "HÓVDEN", 1);
        ColumnValues days = ColumnValues.of(definition, Ferries.all(table), question, "date", "", 10);

        assertThat(routes.values().stream()
                        .collect(Collectors.toMap(ColumnValues.Value::value, ColumnValues.Value::rows)))
                .isEqualTo(expected);
        assertThat(found.values()).extracting(ColumnValues.Value::value).containsExactly("1 Ness–Hovden");
        assertThat(found.others()).isEqualTo(expected.containsKey("2 Hovden–Skarv") ? 1 : 0);
        assertThat(days.least()).isGreaterThanOrEqualTo("2026-10-26");
        assertThat(days.greatest()).isLessThanOrEqualTo("2026-11-22");
    }

    private boolean isIn(Evaluation.Question question, int row) {
        return question.window().contains(LocalDate.parse(table.raw("date", row)));
    }

    private PageModel page(List<Filter> filters) {
        return Evaluation.page(
                definition,
                definition.pages().get(0),
                Ferries.all(table),
                Ferries.question("last-4-weeks", table, filters));
    }

    private int[] behind(PageModel page, List<Filter> filters, String block, String... keys) {
        return RowsBehind.of(
                definition,
                definition.pages().get(0),
                Ferries.all(table),
                Ferries.question("last-4-weeks", table, filters),
                new RowsBehind.Mark(block, List.of(keys)),
                AS_IS);
    }

    private static PageModel.BlockModel block(PageModel page, String id) {
        return page.blocks().stream()
                .filter(block -> block.id().equals(id))
                .findFirst()
                .orElseThrow();
    }
}
