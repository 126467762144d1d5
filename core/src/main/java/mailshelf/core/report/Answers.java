package mailshelf.core.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Filter;

/** What a report's questions are answered by filters, and which are still open. */
final class Answers {
    private final List<ReportQuestion> questions;
    private final Map<String, String> given = new LinkedHashMap<>();
    private final List<ReportQuestion> open = new ArrayList<>();

    /** @param questions each after the one that it is within */
    Answers(List<ReportQuestion> questions, List<Filter> filters) {
        this.questions = questions;
        for (ReportQuestion question : questions) {
            if (question.kind() == ReportQuestion.Kind.COLUMN) {
                if (filters.stream().noneMatch(filter -> narrows(filter, question.name()))) {
                    open.add(question);
                }
            } else {
                answer(question, filters)
                        .ifPresentOrElse(said -> given.put(question.name(), said), () -> open.add(question));
            }
        }
    }

    private static boolean narrows(Filter filter, String column) {
        return filter.column().equals(column) && filter.test() != Filter.Test.ANSWER;
    }

    private static boolean answers(Filter filter, String question) {
        return filter.column().equals(question) && filter.test() == Filter.Test.ANSWER;
    }

    private Optional<String> answer(ReportQuestion question, List<Filter> filters) {
        String above =
                question.within().map(name -> given.getOrDefault(name, "")).orElse("");
        return filters.stream()
                .filter(filter -> answers(filter, question.name()))
                .map(filter -> filter.values().get(0))
                .findFirst()
                .or(question::preset)
                .filter(said -> question.accepts(said, above));
    }

    /** By the names that expressions know them by. */
    Map<String, String> given() {
        return Map.copyOf(given);
    }

    /** Those that have no answer, or one that does not go with another. */
    List<ReportQuestion> open() {
        return List.copyOf(open);
    }

    /** The same filters, and what counts as answered while nobody says otherwise. */
    List<Filter> withPresets(List<Filter> filters) {
        List<Filter> all = new ArrayList<>(filters);
        questions.stream()
                .map(ReportQuestion::name)
                .filter(name -> given.containsKey(name) && filters.stream().noneMatch(filter -> answers(filter, name)))
                .map(name -> new Filter(name, Filter.Test.ANSWER, List.of(given.get(name))))
                .forEach(all::add);
        return List.copyOf(all);
    }
}
