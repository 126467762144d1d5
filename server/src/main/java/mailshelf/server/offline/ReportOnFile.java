package mailshelf.server.offline;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.Viewer;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Inspection;
import mailshelf.core.data.csv.Meant;
import mailshelf.core.named.References;
import mailshelf.core.report.Definition;
import mailshelf.core.report.DefinitionReader;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportQuestion;
import mailshelf.core.rights.PersonId;
import mailshelf.core.time.Period;
import mailshelf.server.data.IncomingCsv;
import mailshelf.server.library.Filters;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** A report's text and a file of rows, as the command line names them. */
final class ReportOnFile {
    @Parameters(paramLabel = "REPORT", description = "the report's text, such as report.yaml")
    Path report;

    @Option(names = "--data", required = true, paramLabel = "FILE", description = "its rows, a CSV file")
    Path data;

    @Option(
            names = "--day",
            paramLabel = "COLUMN",
            description = "the column of days that rows are sorted by (default: the first one)")
    Optional<String> day = Optional.empty();

    @Option(
            names = "--dates",
            paramLabel = "FORM",
            description = "how days are written that can be read in two ways: ${COMPLETION-CANDIDATES}")
    Optional<DateForm> dates = Optional.empty();

    @Option(
            names = "--decimal-mark",
            paramLabel = "MARK",
            description = "how numbers are written that can be read in two ways: ${COMPLETION-CANDIDATES}")
    Optional<DecimalMark> decimalMark = Optional.empty();

    @Option(
            names = "--period",
            paramLabel = "PERIOD",
            description =
                    "yesterday, last-week, last-4-weeks, this-month, past-12-months and the like, or FROM/TO (default: the report's own)")
    Optional<String> period = Optional.empty();

    @Option(
            names = "--on",
            paramLabel = "DAY",
            description = "the day that the period is counted from (default: the one after the last in the data)")
    Optional<LocalDate> on = Optional.empty();

    @Option(
            names = "--answer",
            paramLabel = "NAME=ANSWER",
            description = "what a question of the report is answered; once a question")
    Map<String, String> answers = Map.of();

    /** What was read: checked against each other. */
    record Read(Definition definition, Table table) {}

    /** @throws Problem with the place of each fault in either file */
    Read read() throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(data))) {
            IncomingCsv csv = new IncomingCsv(in, ZoneOffset.UTC, new Meant(dates, decimalMark));
            csv.requireDecidedNumbers();
            List<Column> columns = csv.inspection().columns().stream()
                    .map(Inspection.Found::column)
                    .toList();
            Definition definition = DefinitionReader.read(Files.readString(report), columns);
            TableBuilder rows = new TableBuilder(columns, Optional.of(dayColumn(columns)));
            CsvTable.read(csv.reader(), csv.form(columns), columns, rows);
            return new Read(definition, rows.build());
        }
    }

    private String dayColumn(List<Column> columns) {
        return columns.stream()
                .filter(Column::hasDays)
                .map(Column::name)
                .filter(name -> day.isEmpty() || day.get().equals(name))
                .findFirst()
                .orElseThrow(() -> Problem.invalid("report.no-days", data.getFileName()));
    }

    /** All its pages, as somebody sees them who may see all rows. */
    List<PageModel> pages(Read read) {
        Period asked = period.map(
                        code -> Period.parse(code).orElseThrow(() -> Problem.invalid("report.bad-period", code)))
                .orElse(read.definition().period());
        LocalDate from = on.or(() -> read.table().lastDay().map(last -> last.plusDays(1)))
                .orElseThrow(() -> Problem.invalid("data.none-loaded", data.getFileName()));
        List<Filter> filters = References.resolved(filters(read.definition()), name -> Optional.empty());
        Definition definition = read.definition().answered(filters);
        Evaluation.Question question = Evaluation.Question.of(
                asked,
                from.atStartOfDay(ZoneOffset.UTC),
                DayOfWeek.MONDAY,
                filters,
                new PageModel.Freshness(
                        read.table().lastDay(),
                        from.atStartOfDay(ZoneOffset.UTC).toInstant(),
                        1));
        var slice = new Slicing(read.table()).of(new Viewer(new PersonId(1), List.of()));
        return definition.pages().stream()
                .map(page -> Evaluation.page(definition, page, slice, question))
                .toList();
    }

    /** @throws Problem for an answer to what the report does not ask, and for what it asks without an answer */
    private List<Filter> filters(Definition definition) {
        List<Filter> filters = answers.entrySet().stream()
                .map(answer -> filter(definition, answer.getKey(), answer.getValue()))
                .toList();
        Filters.requireOffered(filters, definition);
        definition.unanswered(filters).stream().findFirst().ifPresent(open -> {
            throw Problem.invalid("report.unanswered-file", open.ask(), open.name());
        });
        return filters;
    }

    private static Filter filter(Definition definition, String name, String answer) {
        boolean isColumn = definition.questions().stream()
                .anyMatch(question -> question.name().equals(name) && question.kind() == ReportQuestion.Kind.COLUMN);
        return new Filter(name, isColumn ? Filter.Test.ANY_OF : Filter.Test.ANSWER, List.of(answer));
    }
}
