package mailshelf.core.report;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Filter;
import mailshelf.core.named.InText;
import mailshelf.core.time.Grain;
import mailshelf.core.time.Window;

/**
 * A page with all figures filled in: raw typed values and no formatted text. Everything that people read, on screen,
 * paper and in mails, now and in ten years, is written from this.
 *
 * @param schema number of this shape; {@link #SCHEMA} for what is made today, older ones stay readable
 * @param pageNumber from 1, among the pages of the report as defined
 * @param period code of the period that {@code window} came from
 * @param before the days that figures are compared with
 * @param filters what it is narrowed to, with columns and measures called as people know them since schema 4
 * @param allowed what the row rules let the viewer see; none where he may see all rows
 * @param masked the columns whose values are not shown, by their titles
 * @param blocks values are empty where there are no figures for any of their days, or not for all days of what is compared;
 *     before schema 7 such values were 0
 * @param rows how many rows of the data lie in the window and pass the filters; none may mean that nothing is sent
 */
public record PageModel(
        int schema,
        String report,
        String pageId,
        String page,
        int pageNumber,
        String period,
        Window window,
        Window before,
        List<Filter> filters,
        List<Allowed> allowed,
        List<String> masked,
        Freshness freshness,
        long rows,
        List<BlockModel> blocks) {
    public static final int SCHEMA = 7;

    /** From this schema on, days without figures are told from days on which nothing happened. */
    static final int TELLS_NONE_FROM_ZERO = 7;

    public PageModel {
        allowed = allowed == null ? List.of() : List.copyOf(allowed); // schema 1 has none
        masked = masked == null ? List.of() : List.copyOf(masked); // before schema 6
    }

    /** With the first rows of long tables alone, for who looks at the others only when he comes to them. */
    public PageModel shortened(int mostRows) {
        return withBlocks(blocks.stream()
                .map(block -> block instanceof TableModel table ? table.shortened(mostRows) : block)
                .toList());
    }

    /** With other blocks. */
    public PageModel withBlocks(List<BlockModel> others) {
        return new PageModel(
                schema,
                report,
                pageId,
                page,
                pageNumber,
                period,
                window,
                before,
                filters,
                allowed,
                masked,
                freshness,
                rows,
                others);
    }

    /**
     * What the figures were made from: the last day with rows, and when they were loaded as which load.
     *
     * @param failedAt when a load after that failed, so that the figures are older than they were to be; empty where none did
     */
    public record Freshness(Optional<LocalDate> figuresTo, Instant loadedAt, int load, Optional<Instant> failedAt) {
        public Freshness {
            failedAt = failedAt == null ? Optional.empty() : failedAt; // before schema 6
        }

        /** Of what is as fresh as it was to be. */
        public Freshness(Optional<LocalDate> figuresTo, Instant loadedAt, int load) {
            this(figuresTo, loadedAt, load, Optional.empty());
        }

        /** The same where a load after it may have failed. */
        public Freshness failing(Optional<Instant> at) {
            return new Freshness(figuresTo, loadedAt, load, at);
        }
    }

    /** A block with its figures. */
    public sealed interface BlockModel permits FigureModel, ChartModel, TableModel, TextModel {
        String id();

        String title();
    }

    /**
     * One number; empty values are ratios over nothing.
     *
     * @param value of the window
     * @param before of the days that it is compared with
     * @param against which those are
     * @param trend oldest first; the last point's span ends with the window
     */
    public record FigureModel(
            String id,
            String title,
            Format format,
            Optional<BigDecimal> value,
            Optional<BigDecimal> before,
            Block.Against against,
            List<Optional<BigDecimal>> trend)
            implements BlockModel {
        public FigureModel {
            against = against == null ? Block.Against.BEFORE : against; // before schema 3
        }
    }

    /**
     * Bars, lines or areas.
     *
     * @param shown as what the measure is shown
     * @param grain what the categories are spans of; empty where they are values of a column
     * @param categories raw labels along the axis: first days of spans, or values
     * @param window all days that the chart covers
     * @param series at least one; each with a value per category
     */
    public record ChartModel(
            String id,
            String title,
            Block.ChartKind kind,
            Shown shown,
            Format format,
            Optional<Grain> grain,
            List<String> categories,
            Window window,
            List<Series> series)
            implements BlockModel {
        public ChartModel {
            shown = shown == null ? Shown.VALUE : shown; // before schema 3
        }

        /** With other values of each series. */
        ChartModel withValues(UnaryOperator<List<Optional<BigDecimal>>> values) {
            List<Series> others = series.stream()
                    .map(each -> new Series(each.name(), values.apply(each.values())))
                    .toList();
            return new ChartModel(id, title, kind, shown, format, grain, categories, window, others);
        }
    }

    /** One line, or one part of each bar. The name is "" where a chart has but one. */
    public record Series(String name, List<Optional<BigDecimal>> values) {}

    /**
     * A table; each row has a raw value per column: text, decimal string, ISO date or such a date with a time, "" for none.
     *
     * @param count where they are rows of the data, how many there are, of which {@code rows} may be the first; empty
     *     where each is a group, and before schema 4
     * @param subtotals places of rows that sum up those behind them up to the next; none where groups are not nested
     * @param total the last line, over all rows; empty where there is none
     */
    public record TableModel(
            String id,
            String title,
            List<ColumnModel> columns,
            Optional<Long> count,
            List<List<String>> rows,
            List<Integer> subtotals,
            List<String> total)
            implements BlockModel {
        public TableModel {
            subtotals = subtotals == null ? List.of() : List.copyOf(subtotals); // before schema 4
        }

        /** With the first rows alone. */
        public TableModel shortened(int most) {
            return rows.size() <= most
                    ? this
                    : new TableModel(id, title, columns, count, rows.subList(0, most), subtotals, total);
        }
    }

    /**
     * A column of a table.
     *
     * @param change its numbers are differences against the days before
     * @param shown as what a measure is shown in it
     * @param limit beyond which its values are emphasised
     */
    public record ColumnModel(
            String title, ColumnType type, Format format, boolean change, Shown shown, Optional<Limit> limit) {
        public ColumnModel {
            shown = shown == null ? change ? Shown.CHANGE : Shown.VALUE : shown; // before schema 3
        }
    }

    /** Words of the publisher, with the figures and named values that stand in them by name in braces. */
    public record TextModel(String id, String title, String text, List<FieldModel> fields, List<InText> named)
            implements BlockModel {
        public TextModel {
            fields = fields == null ? List.of() : List.copyOf(fields); // before schema 3
            named = named == null ? List.of() : List.copyOf(named); // before schema 5
        }
    }

    /** A figure in a text. */
    public record FieldModel(String name, Format format, Shown shown, Optional<BigDecimal> value) {}
}
