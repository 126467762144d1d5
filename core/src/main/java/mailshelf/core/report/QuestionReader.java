package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Filter;
import mailshelf.core.expression.Given;

/** Reads the questions of a definition. */
final class QuestionReader {
    private final Map<String, Column> columns = new HashMap<>();
    private final Map<String, ReportQuestion> read = new LinkedHashMap<>();

    /** @param ofDataSet the columns that a question can be about */
    QuestionReader(List<Column> ofDataSet) {
        ofDataSet.forEach(column -> columns.put(column.name(), column));
    }

    List<ReportQuestion> all() {
        return List.copyOf(read.values());
    }

    /**
     * What expressions are to know, each with its type; where there is no answer yet, any that is allowed stands for it.
     *
     * @param answers by name
     */
    Map<String, Given> given(Map<String, String> answers) {
        Map<String, Given> given = new LinkedHashMap<>();
        for (ReportQuestion question : read.values()) {
            if (question.kind() != ReportQuestion.Kind.COLUMN) {
                String value = Optional.ofNullable(answers.get(question.name()))
                        .or(question::preset)
                        .orElseGet(() -> any(question));
                given.put(question.name(), new Given(type(question), value));
            }
        }
        return given;
    }

    private static ColumnType type(ReportQuestion question) {
        return switch (question.kind()) {
            case NUMBER -> ColumnType.NUMBER;
            case DAY -> ColumnType.DATE;
            case CHOICE, COLUMN -> ColumnType.TEXT;
        };
    }

    private static String any(ReportQuestion question) {
        return switch (question.kind()) {
            case NUMBER ->
                question.from().or(question::to).orElse(BigDecimal.ONE).toPlainString();
            case DAY -> "2000-01-01";
            case CHOICE, COLUMN ->
                question.choices().values().stream()
                        .flatMap(List::stream)
                        .findFirst()
                        .orElse("");
        };
    }

    void readAll(YamlCursor root) {
        for (YamlCursor in : root.mappings("questions")) {
            ReportQuestion question = question(in);
            if (read.putIfAbsent(question.name(), question) != null) {
                in.fault("name", "there is a question \"" + question.name() + "\" already");
            }
            in.rejectUnknown();
        }
    }

    private ReportQuestion question(YamlCursor in) {
        String ask = in.name("ask");
        Optional<String> within = in.optionalText("within");
        within.filter(name -> !read.containsKey(name))
                .ifPresent(name -> in.fault("within", "no question \"" + name + "\" before this one"));
        if (in.has("column")) {
            String column = in.text("column");
            if (!columns.containsKey(column)) {
                in.fault("column", "no column \"" + column + "\" in the data");
            }
            return new ReportQuestion(
                    column,
                    ask,
                    ReportQuestion.Kind.COLUMN,
                    within,
                    Optional.empty(),
                    Optional.empty(),
                    Map.of(),
                    Optional.empty());
        }
        return typed(in, ask, within);
    }

    private ReportQuestion typed(YamlCursor in, String ask, Optional<String> within) {
        String name = in.name("name");
        if (columns.containsKey(name)) {
            in.fault("name", "there is a column \"" + name + "\"; an answer needs a name of its own");
        }
        ReportQuestion question = new ReportQuestion(
                name,
                ask,
                kind(in),
                within,
                number(in, "from"),
                number(in, "to"),
                choices(in, within),
                in.optionalText("default"));
        requireMeant(in, question);
        return question;
    }

    private static void requireMeant(YamlCursor in, ReportQuestion question) {
        if (question.kind() != ReportQuestion.Kind.NUMBER
                && (question.from().isPresent() || question.to().isPresent())) {
            in.fault(in.has("from") ? "from" : "to", "only a number has bounds");
        }
        if (question.from().isPresent()
                && question.to().isPresent()
                && question.from().get().compareTo(question.to().get()) > 0) {
            in.fault("to", "\"to\" is less than \"from\"");
        }
        question.preset()
                .filter(preset -> !question.mayBe(preset))
                .ifPresent(preset -> in.fault("default", "\"" + preset + "\" is not among the answers"));
        if (question.kind() != ReportQuestion.Kind.CHOICE && question.within().isPresent()) {
            in.fault("within", "only a column and \"choose\" depend on another question");
        }
    }

    private static ReportQuestion.Kind kind(YamlCursor in) {
        if (in.has("choose")) {
            return ReportQuestion.Kind.CHOICE;
        }
        String answer = in.text("answer");
        return switch (answer) {
            case "number" -> ReportQuestion.Kind.NUMBER;
            case "day" -> ReportQuestion.Kind.DAY;
            default -> {
                in.fault("answer", "an answer is a number or a day; for one of several texts write \"choose\"");
                yield ReportQuestion.Kind.DAY;
            }
        };
    }

    private static Optional<BigDecimal> number(YamlCursor in, String key) {
        Optional<String> text = in.optionalText(key);
        Optional<BigDecimal> number = text.flatMap(Filter::number);
        if (text.isPresent() && number.isEmpty()) {
            in.fault(key, "\"" + key + "\" must be a number");
        }
        return number;
    }

    /** A list, or a list for each answer to the question that it is within. */
    private Map<String, List<String>> choices(YamlCursor in, Optional<String> within) {
        if (!in.has("choose")) {
            return Map.of();
        }
        Map<String, List<String>> choices = new HashMap<>();
        if (within.isEmpty()) {
            choices.put("", in.texts("choose"));
        } else {
            in.mapping("choose").ifPresent(by -> by.keys().forEach(key -> choices.put(key, by.texts(key))));
            List<String> above = new ArrayList<>();
            Optional.ofNullable(read.get(within.get()))
                    .ifPresent(question -> question.choices().values().forEach(above::addAll));
            choices.keySet().stream()
                    .filter(key -> !above.contains(key))
                    .findFirst()
                    .ifPresent(key -> in.fault("choose", "\"" + key + "\" is no answer to \"" + within.get() + "\""));
        }
        if (choices.values().stream().allMatch(List::isEmpty)) {
            in.fault("choose", "a choice needs at least one answer");
        }
        return choices;
    }
}
