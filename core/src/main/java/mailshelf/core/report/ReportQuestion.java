package mailshelf.core.report;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Filter;

/**
 * What whoever reads a report, or subscribes to it, has to say before it shows anything.
 *
 * @param name the column that is to be narrowed, or the name by which expressions know the answer
 * @param ask as people are asked
 * @param within the name of the question whose answer decides which answers there are; empty where none does
 * @param from the least number; empty for no bound
 * @param to the greatest
 * @param choices the answers there are by the answer to {@code within}; by "" where it is of none
 * @param preset what counts while nobody says otherwise
 */
public record ReportQuestion(
        String name,
        String ask,
        Kind kind,
        Optional<String> within,
        Optional<BigDecimal> from,
        Optional<BigDecimal> to,
        Map<String, List<String>> choices,
        Optional<String> preset) {
    /** What an answer is. */
    public enum Kind {
        /** A filter on a column. */
        COLUMN,
        NUMBER,
        DAY,
        CHOICE
    }

    public ReportQuestion {
        choices = Map.copyOf(choices);
    }

    /** @param above the answer to the question that it is within; "" where there is none */
    public List<String> choices(String above) {
        return choices.getOrDefault(within.isPresent() ? above : "", List.of());
    }

    /** Whether it can be answered so. */
    boolean accepts(String answer, String above) {
        return switch (kind) {
            case COLUMN -> false;
            case NUMBER ->
                Filter.number(answer)
                        .filter(number -> from.isEmpty() || number.compareTo(from.get()) >= 0)
                        .filter(number -> to.isEmpty() || number.compareTo(to.get()) <= 0)
                        .isPresent();
            case DAY -> Filter.day(answer).isPresent();
            case CHOICE -> choices(above).contains(answer);
        };
    }

    /** Whether some answer to the question that it is within would allow it. */
    boolean mayBe(String answer) {
        return kind == Kind.CHOICE
                ? choices.values().stream().anyMatch(some -> some.contains(answer))
                : accepts(answer, "");
    }
}
