package mailshelf.core.report;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.Filter;
import mailshelf.core.time.Grain;

/** A part of a page as the publisher wrote it. */
public sealed interface Block {
    /** Name that is unique in its page and stays while the block does. */
    String id();

    String title();

    /**
     * One number for the period, with the change against other days.
     *
     * @param trend the spans that its small line goes over, ending with the period
     */
    record Figure(String id, String title, Measure measure, Optional<Trend> trend, Against against) implements Block {}

    /** Which days a figure is compared with. */
    enum Against {
        /** The period before. */
        BEFORE,
        /** The same days a year ago. */
        YEAR_AGO
    }

    /** Spans of time that end with the period: 12 weeks. */
    record Trend(Grain grain, int spans) {}

    /**
     * A measure along an axis.
     *
     * @param over the spans along the axis; empty where {@code by} says a column
     * @param by the text column along the axis
     * @param split the text column that bars or lines are split by
     * @param top how many values of {@code by} are shown, the largest first; the others are one
     */
    record Chart(
            String id,
            String title,
            ChartKind kind,
            Shown shown,
            Measure measure,
            Optional<Trend> over,
            Optional<String> by,
            Optional<String> split,
            Optional<Integer> top)
            implements Block {}

    /** How a chart is drawn. */
    enum ChartKind {
        BARS,
        LINE,
        /** Lines whose areas stand on each other. */
        AREA,
        /** Bars that are all of one length: the parts of a whole in per cent. */
        SHARE
    }

    /**
     * One row a value of a column, with measures and a total line.
     *
     * @param by one text column, or two, the second within the first
     * @param sort empty for the order of the values
     * @param top how many rows are shown; the others are one
     */
    record GroupTable(
            String id,
            String title,
            List<String> by,
            List<TableMeasure> measures,
            Optional<Sort> sort,
            Optional<Integer> top)
            implements Block {}

    /**
     * A column of a grouped table.
     *
     * @param limit beyond which its values are emphasised
     */
    record TableMeasure(Measure measure, Shown shown, Optional<Limit> limit) {}

    /**
     * By which of its measures a table is sorted.
     *
     * @param measure position among them
     */
    record Sort(int measure, boolean ascending) {}

    /**
     * One row a row of the data, for those that pass the filters, oldest first.
     *
     * @param limits beyond which the values of number columns are emphasised
     */
    record RowTable(String id, String title, List<String> columns, List<Filter> where, Map<String, Limit> limits)
            implements Block {}

    /**
     * What the publisher has to say.
     *
     * @param fields the figures that are put in where the text has their name in braces
     * @param named the named values that are put in
     */
    record Text(String id, String title, String text, List<Field> fields, List<String> named) implements Block {}

    /**
     * A figure in a text.
     *
     * @param name as it stands between the braces
     */
    record Field(String name, Measure measure, Shown shown) {}
}
