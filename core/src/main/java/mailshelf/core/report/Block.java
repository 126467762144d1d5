package mailshelf.core.report;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Grain;

/** A part of a page as the publisher wrote it. */
public sealed interface Block {
    /** Name that is unique in its page and stays while the block does. */
    String id();

    String title();

    /**
     * One number for the period, with the change against the period before.
     *
     * @param trend the spans that its small line goes over, ending with the period
     */
    record Figure(String id, String title, Measure measure, Optional<Trend> trend) implements Block {}

    /** Spans of time that end with the period: 12 weeks. */
    record Trend(Grain grain, int spans) {}

    /**
     * Bars or a line.
     *
     * @param over the spans along the axis; empty where {@code by} says a column
     * @param by the text column along the axis
     * @param split the text column that bars or lines are split by
     */
    record Chart(
            String id,
            String title,
            ChartKind kind,
            Measure measure,
            Optional<Trend> over,
            Optional<String> by,
            Optional<String> split)
            implements Block {}

    /** How a chart is drawn. */
    enum ChartKind {
        BARS,
        LINE
    }

    /** One row a value of a column, with measures and a total line. */
    record GroupTable(String id, String title, String by, List<TableMeasure> measures) implements Block {}

    /**
     * A column of a grouped table.
     *
     * @param change the difference against the period before, instead of the value
     */
    record TableMeasure(Measure measure, boolean change) {}

    /** One row a row of the data, for those that pass the filters, oldest first. */
    record RowTable(String id, String title, List<String> columns, List<Filter> where) implements Block {}

    /** What the publisher has to say, the same in every issue. */
    record Text(String id, String title, String text) implements Block {}
}
