package mailshelf.core.report;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import mailshelf.core.Problem;
import mailshelf.core.wording.OneLine;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/** Walks a YAML mapping, collecting every fault with its line and column, so that all are told together. */
final class YamlCursor {
    private final Node node;
    private final Map<String, Node> entries = new TreeMap<>();
    private final Set<String> asked = new HashSet<>();
    private final List<Problem.Fault> faults;

    YamlCursor(Node node, List<Problem.Fault> faults) {
        this.node = node;
        this.faults = faults;
        if (node instanceof MappingNode mapping) {
            for (NodeTuple tuple : mapping.getValue()) {
                if (tuple.getKeyNode() instanceof ScalarNode key) {
                    entries.put(key.getValue(), tuple.getValueNode());
                }
            }
        } else {
            fault(node, "expected entries of the form \"name: value\"");
        }
    }

    boolean has(String key) {
        asked.add(key);
        return entries.containsKey(key);
    }

    String text(String key) {
        return optionalText(key).orElseGet(() -> {
            fault(node, "\"" + key + "\" is missing");
            return "";
        });
    }

    Optional<String> optionalText(String key) {
        if (!has(key)) {
            return Optional.empty();
        }
        if (entries.get(key) instanceof ScalarNode scalar && !scalar.getValue().isBlank()) {
            return Optional.of(scalar.getValue());
        }
        fault(entries.get(key), "\"" + key + "\" must be one text");
        return Optional.empty();
    }

    /** A text that stands in a line with others, such as a title. */
    String name(String key) {
        return named(key, text(key));
    }

    Optional<String> optionalName(String key) {
        return optionalText(key).map(text -> named(key, text));
    }

    private String named(String key, String text) {
        if (!text.isEmpty() && !OneLine.isName(text)) {
            fault(key, "\"" + key + "\" must be at most " + OneLine.LONGEST_NAME + " characters on one line");
        }
        return text;
    }

    List<String> texts(String key) {
        List<String> found = new ArrayList<>();
        for (Node item : items(key)) {
            if (item instanceof ScalarNode scalar) {
                found.add(scalar.getValue());
            } else {
                fault(item, "expected a text");
            }
        }
        return found;
    }

    List<YamlCursor> mappings(String key) {
        return items(key).stream().map(item -> new YamlCursor(item, faults)).toList();
    }

    /** A mapping under a key, by its own keys in alphabetical order; empty where there is none. */
    Optional<YamlCursor> mapping(String key) {
        return has(key) ? Optional.of(new YamlCursor(entries.get(key), faults)) : Optional.empty();
    }

    Set<String> keys() {
        return entries.keySet();
    }

    void fault(String key, String message) {
        fault(entries.getOrDefault(key, node), message);
    }

    /** Says of every entry that nobody asked for that it is unknown. */
    void rejectUnknown() {
        for (Map.Entry<String, Node> entry : entries.entrySet()) {
            if (!asked.contains(entry.getKey())) {
                fault(
                        entry.getValue(),
                        "\"" + entry.getKey() + "\" is not known here; known are "
                                + String.join(", ", asked.stream().sorted().toList()));
            }
        }
    }

    private List<Node> items(String key) {
        if (!has(key)) {
            return List.of();
        }
        if (entries.get(key) instanceof SequenceNode sequence) {
            return sequence.getValue();
        }
        fault(entries.get(key), "\"" + key + "\" must be a list");
        return List.of();
    }

    private void fault(Node at, String message) {
        Mark mark = at.getStartMark().orElseThrow();
        faults.add(new Problem.Fault("line " + (mark.getLine() + 1) + ", column " + (mark.getColumn() + 1), message));
    }
}
