package mailshelf.core.data;

import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A mapping table, read: which values are given to whom. Names are compared without regard to case. Immutable. */
public final class Mapping {
    /** Given instead of a value, it gives all of them. */
    public static final String ALL = "*";

    private final Map<String, Set<String>> valuesOf = new HashMap<>();

    /**
     * @param who the text column of names
     * @param values the text column of what is given to each
     */
    public Mapping(Table table, String who, String values) {
        for (int row = 0; row < table.rows(); row++) {
            String value = table.raw(values, row);
            if (!value.isEmpty()) {
                valuesOf.computeIfAbsent(key(table.raw(who, row)), name -> new HashSet<>())
                        .add(value);
            }
        }
    }

    /** What is given to somebody of these names in all; empty where that is everything. */
    public Optional<Set<String>> given(Collection<String> names) {
        Set<String> given = new HashSet<>();
        names.forEach(name -> given.addAll(valuesOf.getOrDefault(key(name), Set.of())));
        return given.contains(ALL) ? Optional.empty() : Optional.of(given);
    }

    /** All values that somebody is given. */
    public Set<String> values() {
        Set<String> all = new HashSet<>();
        valuesOf.values().forEach(all::addAll);
        all.remove(ALL);
        return all;
    }

    /** All who are given something, in small letters. */
    public Set<String> names() {
        return Collections.unmodifiableSet(valuesOf.keySet());
    }

    private static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }
}
