package mailshelf.core.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.common.ScalarStyle;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.ScalarEvent;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;

/** Tells where a text stops to be YAML, and where the cause may lie: at a quote that was opened long before. */
final class YamlFaults {
    private YamlFaults() {}

    static List<Problem.Fault> of(String yaml, MarkedYamlEngineException e) {
        boolean isOpen = e.getContext() != null && e.getContext().contains("quoted scalar");
        if (isOpen && e.getContextMark().isPresent()) {
            return List.of(new Problem.Fault(place(e.getContextMark()), "this quote is not closed"));
        }
        List<Problem.Fault> faults = new ArrayList<>();
        lastLongQuote(yaml)
                .ifPresent(quote -> faults.add(new Problem.Fault(
                        place(quote.getStartMark()),
                        "the quote that begins here ends in line " + line(quote.getEndMark())
                                + "; is one missing before that?")));
        faults.add(new Problem.Fault(place(e.getProblemMark()), e.getProblem()));
        return faults;
    }

    /** The last quoted text before the fault that runs over several lines. */
    private static Optional<Event> lastLongQuote(String yaml) {
        Optional<Event> found = Optional.empty();
        try {
            for (Event event : new Parse(LoadSettings.builder().build()).parseString(yaml)) {
                if (event instanceof ScalarEvent text
                        && isQuoted(text)
                        && line(event.getStartMark()) < line(event.getEndMark())) {
                    found = Optional.of(event);
                }
            }
        } catch (MarkedYamlEngineException e) {
            return found; // the fault that is being told
        }
        return found;
    }

    private static boolean isQuoted(ScalarEvent text) {
        return text.getScalarStyle() == ScalarStyle.DOUBLE_QUOTED || text.getScalarStyle() == ScalarStyle.SINGLE_QUOTED;
    }

    private static int line(Optional<Mark> mark) {
        return mark.map(Mark::getLine).orElse(0) + 1;
    }

    private static String place(Optional<Mark> mark) {
        return "line " + line(mark) + ", column " + (mark.map(Mark::getColumn).orElse(0) + 1);
    }
}
