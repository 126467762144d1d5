package mailshelf.core.subscription;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * A part of a subscription that reads differently after a change.
 *
 * @param before what it said; "" where it was not said
 * @param after what it says now; "" where it is not said any more
 */
public record PartChange(Part part, String before, String after) {

    /** In the order of the parts; empty where both read the same. */
    public static List<PartChange> between(Wording before, Wording after) {
        Map<Part, String> was = before.parts();
        Map<Part, String> is = after.parts();
        List<PartChange> changes = new ArrayList<>();
        for (Part part : Part.values()) {
            PartChange change = new PartChange(part, was.getOrDefault(part, ""), is.getOrDefault(part, ""));
            if (!change.before().equals(change.after())) {
                changes.add(change);
            }
        }
        return changes;
    }

    /** How terms read: their name, and their sentence as a whole. */
    public record Wording(String name, List<Sentence.Phrase> sentence) {
        private Map<Part, String> parts() {
            Map<Part, String> parts = new EnumMap<>(Part.class);
            parts.put(Part.NAME, name);
            sentence.forEach(phrase -> phrase.part().ifPresent(part -> parts.put(part, phrase.text())));
            return parts;
        }
    }
}
