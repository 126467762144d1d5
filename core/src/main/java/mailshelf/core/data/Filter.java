package mailshelf.core.data;

import java.util.List;

/** Rows whose text column has one of the values; at least one value, since a filter without any is no filter. */
public record Filter(String column, List<String> anyOf) {
    public Filter {
        if (anyOf.isEmpty()) {
            throw new IllegalArgumentException("Filter on " + column + " without a value");
        }
        anyOf = List.copyOf(anyOf);
    }
}
