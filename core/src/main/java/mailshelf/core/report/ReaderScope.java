package mailshelf.core.report;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Computed;
import mailshelf.core.data.Filter;
import mailshelf.core.expression.BadExpression;
import mailshelf.core.expression.Expression;
import mailshelf.core.expression.Given;
import mailshelf.core.wording.OneLine;

/** The columns that a definition may name: those of its data set, and those that it computes. */
final class ReaderScope {
    /** Each may be computed from the one before it, and so costs a step of the stack. */
    private static final int MOST_COMPUTED = 200;

    private final Map<String, Column> columns = new LinkedHashMap<>();
    private final Map<String, Given> given;
    private final Set<Computed> computed = new LinkedHashSet<>();

    /** Names of columns that are computed, and not read yet. */
    private final Set<String> laterComputed = new LinkedHashSet<>();

    /** @param given what expressions know besides columns */
    ReaderScope(List<Column> ofDataSet, Map<String, Given> given) {
        this.given = given;
        ofDataSet.forEach(column -> columns.put(column.name(), column));
    }

    List<Computed> computed() {
        return List.copyOf(computed);
    }

    /** Those of the data set, then those computed, but for those that only keep conditions. */
    List<Column> columns() {
        return List.copyOf(columns.values());
    }

    /** Each may be computed from those before it. */
    void readComputed(YamlCursor all) {
        laterComputed.addAll(all.keys());
        for (String name : all.keys()) {
            laterComputed.remove(name);
            if (computed.size() >= MOST_COMPUTED) {
                all.fault(name, "a report computes at most " + MOST_COMPUTED + " columns");
                return;
            }
            if (columns.containsKey(name) || given.containsKey(name)) {
                String what = given.containsKey(name) ? "question" : "column";
                all.fault(name, "there is a " + what + " \"" + name + "\" already");
            } else if (!OneLine.isName(name)) {
                all.fault(name, "a column's name has at most " + OneLine.LONGEST_NAME + " characters on one line");
            } else {
                expression(all, name).map(read -> read.column(name)).ifPresent(column -> {
                    computed.add(column);
                    columns.put(name, column.column());
                });
            }
        }
    }

    private Optional<Expression> expression(YamlCursor in, String key) {
        return in.optionalText(key).flatMap(text -> {
            try {
                return Optional.of(Expression.read(text, columns.values(), given));
            } catch (BadExpression e) {
                in.faultIn(key, e.position(), laterComputed.contains(e.unknown()) ? isBelow(e) : e.getMessage());
                return Optional.empty();
            }
        });
    }

    private static String isBelow(BadExpression e) {
        return "column \"" + e.unknown() + "\" is computed further down; write it above this one";
    }

    /** Values of text columns, or a condition, which is kept as a column of its own. */
    List<Filter> where(YamlCursor in) {
        return in.hasText("where") ? condition(in) : values(in);
    }

    private List<Filter> condition(YamlCursor in) {
        Optional<Expression> read = expression(in, "where");
        if (read.isPresent() && !read.get().isCondition()) {
            in.fault(
                    "where",
                    "\"where\" must be a condition, and this is " + read.get().type());
            return List.of();
        }
        return read.map(condition -> {
                    Computed column = condition.column("(" + in.text("where").strip() + ")");
                    computed.add(column);
                    return List.of(Filter.anyOf(column.column().name(), List.of(Expression.YES)));
                })
                .orElse(List.of());
    }

    private List<Filter> values(YamlCursor in) {
        List<Filter> found = new ArrayList<>();
        in.mapping("where").ifPresent(where -> {
            for (String column : where.keys()) {
                require(where, column, column, ColumnType.TEXT);
                where.optionalText(column).ifPresent(value -> found.add(Filter.anyOf(column, List.of(value))));
            }
        });
        return found;
    }

    Optional<String> textColumn(YamlCursor in, String key) {
        Optional<String> column = in.optionalText(key);
        column.ifPresent(name -> require(in, key, name, ColumnType.TEXT));
        return column;
    }

    /** @param type which it must be; null for any */
    void require(YamlCursor in, String key, String column, ColumnType type) {
        Column found = columns.get(column);
        if (found == null) {
            in.fault(key, "no column \"" + column + "\" in the data; there are " + String.join(", ", columns.keySet()));
        } else if (type != null && found.type() != type) {
            String wanted = type.name().toLowerCase(Locale.ROOT);
            in.fault(key, "column \"" + column + "\" must be a " + wanted + " column");
        }
    }
}
