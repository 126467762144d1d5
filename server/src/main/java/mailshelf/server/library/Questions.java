package mailshelf.server.library;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportQuestion;

/** A report's questions as the browser asks them. */
public final class Questions {
    private Questions() {}

    /**
     * A question.
     *
     * @param within the name of the question that is answered before it; "" for none
     * @param choices the answers there are, by the answer to that one; by "" where it is within none
     * @param preset what counts while nobody says otherwise; "" for nothing
     */
    record QuestionView(
            String name,
            String ask,
            ReportQuestion.Kind kind,
            String within,
            Optional<BigDecimal> from,
            Optional<BigDecimal> to,
            Map<String, List<String>> choices,
            String preset) {}

    /** @throws Problem {@code report.unanswered} while filters leave a question of a report open */
    public static void requireAnswered(Definition definition, List<Filter> filters) {
        definition.unanswered(filters).stream().findFirst().ifPresent(question -> {
            throw Problem.invalid("report.unanswered", question.ask());
        });
    }

    static List<QuestionView> of(Definition definition) {
        return definition.questions().stream()
                .map(question -> new QuestionView(
                        question.name(),
                        question.ask(),
                        question.kind(),
                        question.within().orElse(""),
                        question.from(),
                        question.to(),
                        question.choices(),
                        question.preset().orElse("")))
                .toList();
    }
}
