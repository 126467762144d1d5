package mailshelf.core.report;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
    private final Map<String, Node> entries = new LinkedHashMap<>();
    private final Set<String> asked = new HashSet<>();
    private final List<Problem.Fault> faults;

    YamlCursor(Node node, List<Problem.Fault> faults) {
        this.node = node;
        this.faults = faults;
        if (node instanceof MappingNode mapping) {
            for (NodeTuple tuple : mapping.getValue()) {
                if (tuple.getKeyNode() instanceof ScalarNode key) {
                    Node before = entries.putIfAbsent(key.getValue(), tuple.getValueNode());
                    if (before != null) {
                        fault(key, "\"" + key.getValue() + "\" stands here already, in line " + lineOf(before));
                    }
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

    /** A mapping under a key, by its own keys in their order; empty where there is none. */
    Optional<YamlCursor> mapping(String key) {
        return has(key) ? Optional.of(new YamlCursor(entries.get(key), faults)) : Optional.empty();
    }

    Set<String> keys() {
        return entries.keySet();
    }

    /** Whether a text stands under a key, rather than a list or entries. */
    boolean hasText(String key) {
        return has(key) && entries.get(key) instanceof ScalarNode;
    }

    /**
     * A fault inside the text under a key.
     *
     * @param position in the text, from 0
     */
    void faultIn(String key, int position, String message) {
        Node text = entries.get(key);
        Mark start = text.getStartMark().orElseThrow();
        boolean onOneLine = text.getEndMark().orElseThrow().getLine() == start.getLine();
        if (onOneLine && text instanceof ScalarNode scalar) {
            int column = start.getColumn() + 1 + position + (scalar.isPlain() ? 0 : 1);
            faults.add(new Problem.Fault("line " + (start.getLine() + 1) + ", column " + column, message));
        } else {
            fault(text, "at its character " + (position + 1) + ": " + message);
        }
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
        Problem.Fault fault = new Problem.Fault("line " + lineOf(at) + ", column " + (mark.getColumn() + 1), message);
        // what is walked twice is told once
        if (!faults.contains(fault)) {
            faults.add(fault);
        }
    }

    private static int lineOf(Node node) {
        return node.getStartMark().orElseThrow().getLine() + 1;
    }
}
