package mailshelf.store;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/** Conditions that are there or not, each kept with its values; the only place where SQL is put together. */
public final class Where {
    private final List<String> conditions = new ArrayList<>();
    private final List<Object> values = new ArrayList<>();

    public Where and(String condition, Object... values) {
        conditions.add(condition);
        this.values.addAll(List.of(values));
        return this;
    }

    /** The column has one of the values; none of them lets no row through. */
    public Where in(String column, Collection<?> anyOf) {
        if (anyOf.isEmpty()) {
            conditions.add("1 = 0");
        } else {
            conditions.add(column + " IN (" + "?, ".repeat(anyOf.size() - 1) + "?)");
            values.addAll(anyOf);
        }
        return this;
    }

    /** " WHERE …", or nothing. */
    public String sql() {
        return conditions.isEmpty() ? "" : " WHERE " + String.join(" AND ", conditions);
    }

    public Object[] values() {
        return values.toArray();
    }
}
