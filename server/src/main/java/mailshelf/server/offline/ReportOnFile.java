package mailshelf.server.offline;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
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
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.TypeConversionException;

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
            converter = Day.class,
            description = "the day that the period is counted from (default: the one after the last in the data)")
    Optional<LocalDate> on = Optional.empty();

    @Option(
            names = "--answer",
            paramLabel = "NAME=ANSWER",
            converter = Said.class,
            description = "what a question of the report is answered; once a question")
    List<Answer> answers = List.of();

    /** What one question is answered. */
    record Answer(String question, String answer) {}

    /** An answer as it is typed: the name of its question, an equals sign, and what is answered. */
    static final class Said implements ITypeConverter<Answer> {
        @Override
        public Answer convert(String typed) {
            int equals = typed.indexOf('=');
            if (equals < 1) {
                throw new TypeConversionException(
                        "\"" + typed + "\" answers no question: write its name and the answer, like route=North.");
            }
            return new Answer(typed.substring(0, equals), typed.substring(equals + 1));
        }
    }

    /** A day as people type it; what is wrong with it in their words. */
    static final class Day implements ITypeConverter<LocalDate> {
        @Override
        public LocalDate convert(String typed) {
            try {
                return LocalDate.parse(typed);
            } catch (DateTimeParseException e) {
                throw new TypeConversionException("\"" + typed + "\" is not a day: write it like 2026-11-30.");
            }
        }
    }

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
            Definition definition = definition(columns, csv.inspection());
            TableBuilder rows = new TableBuilder(columns, Optional.of(dayColumn(columns)));
            CsvTable.read(csv.reader(), csv.form(columns), columns, rows);
            return new Read(definition, rows.build());
        }
    }

    /** Where a fault of the report may come from a column that is text for a few bad cells, those are told with it. */
    private Definition definition(List<Column> columns, Inspection seen) throws IOException {
        try {
            return DefinitionReader.read(Files.readString(report), columns);
        } catch (Problem ofReport) {
            List<Column> nearly = seen.columns().stream()
                    .map(found -> found.nearly().orElse(found.column()))
                    .toList();
            if (!nearly.equals(columns)) {
                strays(nearly).ifPresent(ofReport::addSuppressed);
            }
            throw ofReport;
        }
    }

    /** The cells that do not fit what their columns nearly are. */
    private Optional<Problem> strays(List<Column> nearly) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(data))) {
            IncomingCsv csv = new IncomingCsv(in, ZoneOffset.UTC, new Meant(dates, decimalMark));
            CsvTable.read(csv.reader(), csv.form(nearly), nearly, new TableBuilder(nearly, Optional.empty()));
            return Optional.empty();
        } catch (Problem cells) {
            return Optional.of(cells);
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
        List<Filter> filters =
                answers.stream().map(answer -> filter(definition, answer)).toList();
        definition.unanswered(filters).stream().findFirst().ifPresent(open -> {
            throw Problem.invalid("report.unanswered-file", open.ask(), open.name());
        });
        return filters;
    }

    private static Filter filter(Definition definition, Answer said) {
        ReportQuestion question = definition.questions().stream()
                .filter(each -> each.name().equals(said.question()))
                .findFirst()
                .orElseThrow(() -> Problem.invalid(
                        "report.no-question",
                        said.question(),
                        definition.questions().stream()
                                .map(ReportQuestion::name)
                                .collect(Collectors.joining(", "))));
        Filter.Test test = question.kind() == ReportQuestion.Kind.COLUMN ? Filter.Test.ANY_OF : Filter.Test.ANSWER;
        Filter filter = new Filter(said.question(), test, List.of(said.answer()));
        if (!definition.takes(filter)) {
            throw Problem.invalid("report.bad-answer", said.answer(), question.ask());
        }
        return filter;
    }
}
