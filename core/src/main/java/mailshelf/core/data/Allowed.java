package mailshelf.core.data;

import java.util.Collection;
import java.util.List;
import java.util.TreeSet;

/**
 * What a row rule lets somebody see: the rows whose text column has one of the values.
 *
 * @param values sorted, each once; none of them means that no row may be seen
 */
public record Allowed(String column, List<String> values) {
    public Allowed {
        values = List.copyOf(new TreeSet<>(values));
    }

    public static Allowed of(String column, Collection<String> values) {
        return new Allowed(column, List.copyOf(values));
    }
}
