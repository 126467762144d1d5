package mailshelf.core.report;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Dimension;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Grouping;
import mailshelf.core.data.Pass;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Spread;
import mailshelf.core.data.Table;
import mailshelf.core.data.Tally;
import mailshelf.core.wording.Folded;

/**
 * What a column can be narrowed to: the values that occur in the period among the rows that the filters on other columns
 * let through.
 *
 * @param values in order; none for numbers, days and times
 * @param others how many more values there are
 * @param least the least number, day or time, raw; "" for texts and where there is none
 * @param greatest likewise
 */
public record ColumnValues(List<Value> values, int others, String least, String greatest) {
    /** A value with the number of rows that have it. */
    public record Value(String value, long rows) {}

    /**
     * @param sought words that occur in the values asked for, whatever their case and accents; "" for all
     * @param most how many values are given
     */
    public static ColumnValues of(
            Definition definition, Slice slice, Evaluation.Question question, String column, String sought, int most) {
        Table table = definition.over(slice);
        List<Filter> others = question.filters().stream()
                .filter(filter -> !filter.column().equals(column))
                .toList();
        Pass pass = new Pass(table, TopFilters.resolved(definition, table, question.window(), others));
        return table.column(column).type() == ColumnType.TEXT
                ? texts(table, pass, question, column, Folded.of(sought), most)
                : bounds(table, pass, question, column);
    }

    private static ColumnValues texts(
            Table table, Pass pass, Evaluation.Question question, String column, String sought, int most) {
        Tally rows = Tally.rows(List.of());
        Dimension values = Dimension.values(table, column);
        Grouping grouping = pass.grouped(question.window(), values, Dimension.none(), List.of(rows), List.of());
        pass.run();
        Grouping.Cells counts = grouping.cells(rows);
        List<Value> found = IntStream.range(0, values.labels().size())
                .filter(group -> counts.at(group, 0) > 0)
                .mapToObj(group -> new Value(values.labels().get(group), counts.at(group, 0)))
                .filter(value ->
                        !value.value().isEmpty() && Folded.of(value.value()).contains(sought))
                .toList();
        int given = Math.min(most, found.size());
        return new ColumnValues(found.subList(0, given), found.size() - given, "", "");
    }

    private static ColumnValues bounds(Table table, Pass pass, Evaluation.Question question, String column) {
        Spread spread = new Spread(column, List.of());
        Grouping grouping =
                pass.grouped(question.window(), Dimension.none(), Dimension.none(), List.of(), List.of(spread));
        pass.run();
        long[] values = grouping.values(spread).at(List.of(0), List.of(0));
        return values.length == 0
                ? new ColumnValues(List.of(), 0, "", "")
                : new ColumnValues(
                        List.of(),
                        0,
                        table.rawOf(column, Arrays.stream(values).min().orElseThrow()),
                        table.rawOf(column, Arrays.stream(values).max().orElseThrow()));
    }
}
