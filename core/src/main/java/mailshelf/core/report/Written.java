package mailshelf.core.report;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;

/**
 * A page model in the words and numbers of one language: what browser, paper and mail all show, letter for letter.
 */
public final class Written {
    private Written() {}

    /** How a change is to be taken; told in words, coloured besides. */
    public enum Verdict {
        BETTER,
        WORSE,
        NEITHER
    }

    /**
     * A page.
     *
     * @param showing period and filters as one line: "16–22 Nov, last week · all routes"
     * @param sections where blocks of several reports stand on it; none otherwise
     * @param order the ids of all blocks in reading order
     * @param freshness "figures to 24 Nov, loaded Wed 25 Nov, 05:40"
     */
    public record Page(
            String report,
            String id,
            String title,
            int number,
            String showing,
            String freshness,
            long rows,
            List<Figure> figures,
            List<Chart> charts,
            List<Table> tables,
            List<Text> texts,
            List<Section> sections,
            List<String> order) {
        /** Hands each block over in reading order, figures that stand side by side together. */
        public void each(
                Consumer<List<Figure>> sideBySide,
                Consumer<Chart> chart,
                Consumer<Table> table,
                Consumer<Text> text,
                Consumer<Section> section) {
            List<Figure> run = new ArrayList<>();
            for (String id : order) {
                Optional<Figure> figure = find(figures, Figure::id, id);
                figure.ifPresent(run::add);
                if (figure.isEmpty()) {
                    handOver(run, sideBySide);
                    find(charts, Chart::id, id).ifPresent(chart);
                    find(tables, Table::id, id).ifPresent(table);
                    find(texts, Text::id, id).ifPresent(text);
                    find(sections, Section::id, id).ifPresent(section);
                }
            }
            handOver(run, sideBySide);
        }

        /** Whether figures are the first that is read, under the head of a section or not. */
        public boolean beginsWithFigures() {
            return order.stream()
                    .filter(id -> find(sections, Section::id, id).isEmpty())
                    .findFirst()
                    .flatMap(id -> find(figures, Figure::id, id))
                    .isPresent();
        }

        private static void handOver(List<Figure> run, Consumer<List<Figure>> sideBySide) {
            if (!run.isEmpty()) {
                sideBySide.accept(List.copyOf(run));
                run.clear();
            }
        }

        private static <T> Optional<T> find(List<T> blocks, Function<T, String> id, String wanted) {
            return blocks.stream()
                    .filter(block -> id.apply(block).equals(wanted))
                    .findFirst();
        }
    }

    /**
     * A key figure.
     *
     * @param value number and unit, "–" for none
     * @param change "10 more than the week before"
     * @param shortChange "10 more", where what it is compared with has been said
     * @param verdict "worse", or "" where the direction is neither
     * @param trend values of the small line, oldest first; gaps are null
     */
    public record Figure(
            String id,
            String title,
            String value,
            String change,
            String shortChange,
            Verdict verdict,
            String verdictWords,
            List<Double> trend) {
        Figure withId(String other) {
            return new Figure(other, title, value, change, shortChange, verdict, verdictWords, trend);
        }
    }

    /**
     * A chart with its words: the drawing code puts them where they belong.
     *
     * @param title with the unit
     * @param keys what the categories are known by: first days of spans, or values
     * @param categories labels along the axis
     * @param series in drawing order, first at the bottom
     * @param partly place of the category that has figures for some of its days alone; -1 for none
     * @param nothing why there is nothing to draw; "" where there is something
     */
    public record Chart(
            String id,
            String title,
            Block.ChartKind kind,
            boolean overTime,
            List<String> keys,
            List<String> categories,
            List<Tick> ticks,
            List<Series> series,
            int partly,
            String nothing) {
        Chart withId(String other) {
            return new Chart(other, title, kind, overTime, keys, categories, ticks, series, partly, nothing);
        }

        /** Some of its categories alone, with the rules of all. */
        public Chart part(int from, int to) {
            if (from == 0 && to == categories.size()) {
                return this;
            }
            List<Series> parts = series.stream()
                    .map(each -> new Series(
                            each.name(),
                            each.values().subList(from, to),
                            each.written().subList(from, to)))
                    .toList();
            boolean hasPartly = partly >= from && partly < to;
            return new Chart(
                    id,
                    title,
                    kind,
                    overTime,
                    keys.subList(from, to),
                    categories.subList(from, to),
                    ticks,
                    parts,
                    hasPartly ? partly - from : -1,
                    nothing);
        }
    }

    /** A rule across a chart, lowest first. */
    public record Tick(double value, String text) {}

    /**
     * A series with its values as numbers and as written.
     *
     * @param values per category; null for none
     */
    public record Series(String name, List<Double> values, List<String> written) {}

    /**
     * A table, every cell as it is to be read.
     *
     * @param ofData whether its lines are rows of the data, rather than sums of some
     * @param keys what its lines are known by, where each is of values of columns; none where they are rows of the data
     * @param count how many rows there are, of which {@code rows} may be the first
     * @param note what its emphasis means; "" where there is none
     */
    public record Table(
            String id,
            String title,
            List<Head> heads,
            boolean ofData,
            List<List<String>> keys,
            long count,
            List<List<Cell>> rows,
            List<Cell> total,
            String note) {
        Table withId(String other) {
            return new Table(other, title, heads, ofData, keys, count, rows, total, note);
        }
    }

    /**
     * A column's head, with its unit.
     *
     * @param wraps whether its cells are texts that may be broken over lines, rather than numbers or days
     */
    public record Head(String title, boolean number, boolean wraps) {}

    /** A cell. */
    public record Cell(String text, Verdict verdict, Weight weight) {
        /** One that is nothing but its text. */
        public static Cell plain(String text) {
            return new Cell(text, Verdict.NEITHER, Weight.PLAIN);
        }
    }

    /** How strongly a cell is written, and why. */
    public enum Weight {
        PLAIN,
        /** It sums up the lines behind it. */
        SUM,
        /** It is beyond a limit of the publisher's. */
        BEYOND
    }

    /**
     * The head of the blocks behind it, up to the next.
     *
     * @param title of the report that they are of
     * @param showing their period and filters, and how fresh they are, as one line
     */
    public record Section(String id, String title, String showing) {}

    /** Words of the publisher. */
    public record Text(String id, String title, String text) {}
}
