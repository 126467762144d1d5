package mailshelf.core.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.tuple;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.Viewer;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.CalendarPeriod;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a report asks before it shows anything. */
class QuestionsTest {
    private static final List<Column> COLUMNS =
            List.of(Column.date("day"), Column.text("route"), Column.number("delay", 0));
    private static final String REPORT = """
            report: Late
            about: Which are late.
            data: sailings
            questions:
              - {ask: Which route?, column: route}
              - {ask: Late from?, name: bound, answer: number, from: 1, to: 60, default: 10}
              - {ask: Which half?, name: half, choose: [summer, winter], default: summer}
              - {ask: Which month?, name: month, within: half, choose: {summer: [May, June], winter: [November]}, default: May}
            measures:
              late: {title: Late, count: rows, where: delay >= bound}
            pages:
              - page: One
                blocks:
                  - {figure: late}
            """;
    private static final Definition DEFINITION = DefinitionReader.read(REPORT, COLUMNS);
    private static final Filter NESS = Filter.anyOf("route", List.of("Ness"));

    @Test
    void a_column_has_to_be_narrowed_and_what_is_preset_counts() {
        assertThat(asks(List.of())).containsExactly("Which route?");
        assertThat(asks(List.of(NESS))).isEmpty();
        assertThat(asks(List.of(new Filter("route", Filter.Test.CONTAINS, List.of("e")))))
                .isEmpty();
    }

    @Test
    void a_filter_whose_question_or_measure_the_report_has_lost_is_called_by_its_name() {
        assertThat(DEFINITION.named(answer("gone", "5"))).isEqualTo(answer("gone", "5"));
        assertThat(DEFINITION.named(new Filter("route", Filter.Test.TOP, List.of("3", "gone"))))
                .isEqualTo(new Filter("Route", Filter.Test.TOP, List.of("3", "gone")));
        assertThat(DEFINITION.named(new Filter("route", Filter.Test.TOP, List.of("3", "late"))))
                .isEqualTo(new Filter("Route", Filter.Test.TOP, List.of("3", "Late")));
    }

    @Test
    void an_answer_has_to_go_with_the_one_that_it_is_within() {
        assertThat(asks(List.of(NESS, answer("half", "winter")))).containsExactly("Which month?");
        assertThat(asks(List.of(NESS, answer("half", "winter"), answer("month", "November"))))
                .isEmpty();
        assertThat(asks(List.of(NESS, answer("month", "November")))).containsExactly("Which month?");
    }

    @ParameterizedTest
    @CsvSource({
        "bound,10,true",
        "bound,1.5,true",
        "bound,0,false",
        "bound,61,false",
        "bound,ten,false",
        "half,winter,true",
        "half,autumn,false",
        "month,November,true",
        "route,Ness,false",
        "none,1,false"
    })
    void only_what_is_an_answer_is_taken(String name, String value, boolean taken) {
        assertThat(DEFINITION.takes(answer(name, value))).isEqualTo(taken);
    }

    @Test
    void expressions_compute_with_the_answer() {
        assertThat(late(List.of(NESS))).isEqualTo(2);
        assertThat(late(List.of(NESS, answer("bound", "5")))).isEqualTo(3);
        assertThat(late(List.of(NESS, answer("bound", "60")))).isZero();
        assertThat(late(List.of(NESS))).isEqualTo(2);
    }

    @Test
    void the_page_says_what_was_answered_or_counts_as_answered() {
        assertThat(page(List.of(NESS, answer("bound", "5"))).filters())
                .extracting(Filter::column, Filter::values)
                .contains(tuple("Late from?", List.of("5")), tuple("Which half?", List.of("summer")));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{ask: A, column: pier} | no column \"pier\" in the data",
                "{ask: A, name: route, answer: day} | there is a column \"route\"; an answer needs a name of its own",
                "{ask: A, name: x, answer: text} | an answer is a number or a day; for one of several texts write \"choose\"",
                "{ask: A, name: x, answer: number, from: 9, to: 1} | \"to\" is less than \"from\"",
                "{ask: A, name: x, answer: number, from: one} | \"from\" must be a number",
                "{ask: A, name: x, answer: day, from: 1} | only a number has bounds",
                "{ask: A, name: x, answer: number, to: 5, default: 6} | \"6\" is not among the answers",
                "{ask: A, name: x, choose: []} | a choice needs at least one answer",
                "{ask: A, name: x, choose: {b: [c]}, within: y} | no question \"y\" before this one",
                "{ask: A, name: x, answer: day, colour: red} | \"colour\" is not known here",
            })
    void what_makes_no_sense_is_told_with_its_place(String question, String fault) {
        String yaml = REPORT.replace("  - {ask: Which route?, column: route}", "  - " + question);

        Problem problem = catchThrowableOfType(Problem.class, () -> DefinitionReader.read(yaml, COLUMNS));

        assertThat(problem.faults()).anySatisfy(each -> {
            assertThat(each.field()).startsWith("line 5, column ");
            assertThat(each.message()).contains(fault);
        });
    }

    private static List<String> asks(List<Filter> filters) {
        return DEFINITION.unanswered(filters).stream().map(ReportQuestion::ask).toList();
    }

    private static Filter answer(String name, String value) {
        return new Filter(name, Filter.Test.ANSWER, List.of(value));
    }

    private static long late(List<Filter> filters) {
        PageModel.FigureModel figure =
                (PageModel.FigureModel) page(filters).blocks().get(0);
        return figure.value().orElseThrow().longValueExact();
    }

    private static PageModel page(List<Filter> filters) {
        Definition answered = DEFINITION.answered(filters);
        LocalDate day = LocalDate.of(2026, 11, 24);
        Evaluation.Question question = Evaluation.Question.of(
                CalendarPeriod.LAST_WEEK,
                day.plusDays(7).atStartOfDay(ZoneOffset.UTC),
                DayOfWeek.MONDAY,
                filters,
                new PageModel.Freshness(Optional.of(day), Instant.EPOCH, 1));
        return Evaluation.page(
                answered,
                answered.pages().get(0),
                new Slicing(TABLE).of(new Viewer(new PersonId(1), List.of())),
                question);
    }

    private static final Table TABLE = table();

    private static Table table() {
        TableBuilder rows = new TableBuilder(COLUMNS, Optional.of("day"));
        for (String[] row : new String[][] {
            {"2026-11-24", "Ness", "4"},
            {"2026-11-24", "Ness", "7"},
            {"2026-11-25", "Ness", "10"},
            {"2026-11-26", "Ness", "30"},
            {"2026-11-26", "Holm", "50"}
        }) {
            rows.add(List.of(row));
        }
        return rows.build();
    }
}
