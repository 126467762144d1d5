package mailshelf.core.report;

import java.util.Optional;
import mailshelf.core.Problem;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.CollectionEndEvent;
import org.snakeyaml.engine.v2.events.CollectionStartEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.exceptions.Mark;

/**
 * What no report needs and a hostile text may have: nesting that exhausts the stack of whoever walks it, endless lists, and
 * aliases, by which a short text stands for a long one. Looked at event by event, before anything is built of it.
 */
final class YamlBounds {
    private static final int DEEPEST = 20;
    private static final int MOST_NODES = 50_000;

    private YamlBounds() {}

    /** A bound that a text exceeds, and where. */
    static final class Exceeded extends Exception {
        private final transient Problem.Fault fault;

        private Exceeded(Optional<Mark> at, String message) {
            super(message);
            String place = at.map(mark -> "line " + (mark.getLine() + 1) + ", column " + (mark.getColumn() + 1))
                    .orElse("line 1, column 1");
            this.fault = new Problem.Fault(place, message);
        }

        Problem.Fault fault() {
            return fault;
        }
    }

    static void require(String yaml) throws Exceeded {
        int depth = 0;
        int nodes = 0;
        for (Event event : new Parse(LoadSettings.builder().build()).parseString(yaml)) {
            if (event instanceof CollectionStartEvent && ++depth > DEEPEST) {
                throw new Exceeded(event.getStartMark(), "this is nested more than " + DEEPEST + " deep");
            }
            if (event instanceof CollectionEndEvent) {
                depth--;
            }
            if (event instanceof AliasEvent) {
                throw new Exceeded(event.getStartMark(), "aliases are not taken: write it out");
            }
            if (++nodes > MOST_NODES) {
                throw new Exceeded(event.getStartMark(), "a report has at most " + MOST_NODES + " entries and values");
            }
        }
    }
}
