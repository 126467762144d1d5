package mailshelf.render.chart;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import mailshelf.core.report.Block;
import mailshelf.core.report.Written;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;
import org.jfree.chart.ChartRenderingInfo;
import org.jfree.chart.JFreeChart;
import org.jfree.chart.axis.AxisSpace;
import org.jfree.chart.axis.CategoryAxis;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.plot.CategoryPlot;
import org.jfree.chart.plot.PlotOrientation;
import org.jfree.chart.renderer.category.CategoryItemRenderer;
import org.jfree.chart.renderer.category.LineAndShapeRenderer;
import org.jfree.chart.renderer.category.StackedBarRenderer;
import org.jfree.chart.ui.RectangleEdge;
import org.jfree.chart.ui.RectangleInsets;
import org.jfree.data.category.DefaultCategoryDataset;

/**
 * Draws a chart on any Graphics2D: no frame, faint rules, direct labels instead of a legend, the last value marked.
 * Bars over a column lie, so that their labels can be read; bars over time stand.
 */
public final class ChartPainter {
    private static final double LABEL_GAP = 8;

    private final Graphics2D graphics;
    private final Rectangle2D area;
    private final Written.Chart whole;
    private final Written.Chart chart;
    private final float sizePt;
    private final boolean lying;
    private final List<Color> colours;

    private CategoryPlot plot;
    private Rectangle2D data;

    private ChartPainter(
            Graphics2D graphics, Rectangle2D area, Written.Chart whole, Written.Chart chart, float sizePt) {
        this.graphics = graphics;
        this.area = area;
        this.whole = whole;
        this.chart = chart;
        this.sizePt = sizePt;
        boolean bars = chart.kind() == Block.ChartKind.BARS || chart.kind() == Block.ChartKind.SHARE;
        this.lying = bars && !chart.overTime();
        this.colours = isLine() ? HouseColours.LINES : HouseColours.STACK;
    }

    private boolean isLine() {
        return chart.kind() == Block.ChartKind.LINE;
    }

    /**
     * Draws within the area; the title is the caller's.
     *
     * @param sizePt of the labels
     * @return a mark a category, in order
     */
    public static List<Mark> paint(Graphics2D graphics, Rectangle2D area, Written.Chart chart, float sizePt) {
        return paint(graphics, area, chart, 0, chart.categories().size(), sizePt);
    }

    /** Draws some of its categories alone, at the scale of all. */
    public static List<Mark> paint(
            Graphics2D graphics, Rectangle2D area, Written.Chart chart, int from, int to, float sizePt) {
        ChartPainter painter = new ChartPainter(graphics, area, chart, chart.part(from, to), sizePt);
        if (!chart.nothing().isEmpty()) {
            painter.sayWhy();
            return List.of();
        }
        return painter.paint();
    }

    private void sayWhy() {
        String words = HouseFont.SANS.fit(chart.nothing(), sizePt, (float) area.getWidth());
        text(words, area.getMinX(), area.getMinY() + sizePt * 1.5, HouseColours.GREY);
    }

    private List<Mark> paint() {
        plot = plot();
        JFreeChart drawing = new JFreeChart(null, HouseFont.SANS.at(sizePt), plot, false);
        drawing.setBackgroundPaint(null);
        drawing.setBorderVisible(false);
        drawing.setPadding(RectangleInsets.ZERO_INSETS);
        ChartRenderingInfo info = new ChartRenderingInfo(null);
        drawing.draw(graphics, area, info);
        data = info.getPlotInfo().getDataArea();
        if (lying) {
            categoryNamesAtTheLeft();
            totalsBehindTheBars();
            seriesNamesAbove();
        } else {
            if (chart.kind() == Block.ChartKind.AREA) {
                new Areas(plot.getRangeAxis(), data, this::middle).paint(graphics, chart, colours);
            }
            zeroLine();
            categoryNamesBelow();
            lastValues();
            seriesNamesAbove();
        }
        return IntStream.range(0, chart.categories().size())
                .mapToObj(this::mark)
                .toList();
    }

    private CategoryPlot plot() {
        CategoryAxis categories = new CategoryAxis();
        categories.setVisible(false);
        categories.setLowerMargin(0.005);
        categories.setUpperMargin(0.005);
        categories.setCategoryMargin(lying ? 0.35 : 0.2);
        NumberAxis values = new TickedAxis(chart.ticks());
        values.setTickLabelFont(HouseFont.SANS.at(sizePt));
        values.setTickLabelPaint(HouseColours.GREY);
        values.setVisible(!lying);
        CategoryPlot made = new CategoryPlot(dataset(), categories, values, renderer());
        made.setOrientation(lying ? PlotOrientation.HORIZONTAL : PlotOrientation.VERTICAL);
        made.setBackgroundPaint(null);
        made.setOutlineVisible(false);
        made.setRangeGridlinesVisible(!lying);
        made.setRangeGridlinePaint(HouseColours.RULE);
        made.setRangeGridlineStroke(new BasicStroke(0.75f));
        made.setInsets(RectangleInsets.ZERO_INSETS);
        made.setAxisOffset(RectangleInsets.ZERO_INSETS);
        made.setRangeZeroBaselineVisible(false);
        AxisSpace space = new AxisSpace();
        space.setLeft(lying ? nameWidth() : tickWidth());
        space.setRight(rightSpace());
        space.setTop(sizePt * (namedAbove().isEmpty() ? 1.4 : 2.2));
        space.setBottom(lying ? 0 : sizePt * 1.8);
        made.setFixedDomainAxisSpace(space, false);
        made.setFixedRangeAxisSpace(space, false);
        return made;
    }

    private CategoryItemRenderer renderer() {
        CategoryItemRenderer renderer = switch (chart.kind()) {
            case LINE -> lines();
            case AREA -> new LineAndShapeRenderer(false, false);
            case BARS, SHARE -> bars();
        };
        for (int i = 0; i < chart.series().size(); i++) {
            renderer.setSeriesPaint(i, colours.get(i % colours.size()));
        }
        return renderer;
    }

    private static CategoryItemRenderer lines() {
        LineAndShapeRenderer lines = new LineAndShapeRenderer(true, false);
        lines.setDefaultStroke(new BasicStroke(1.8f, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
        lines.setAutoPopulateSeriesStroke(false);
        return lines;
    }

    private CategoryItemRenderer bars() {
        StackedBarRenderer bars = new StackedBarRenderer();
        bars.setBarPainter(new GappedBarPainter(chart.partly()));
        bars.setShadowVisible(false);
        bars.setDrawBarOutline(false);
        bars.setMaximumBarWidth(0.12);
        return bars;
    }

    private DefaultCategoryDataset dataset() {
        DefaultCategoryDataset dataset = new DefaultCategoryDataset();
        for (int s = 0; s < chart.series().size(); s++) {
            for (int c = 0; c < chart.categories().size(); c++) {
                // positions as keys, since labels need not be unique ("1 Jan" of two years)
                dataset.addValue(chart.series().get(s).values().get(c), Integer.valueOf(s), Integer.valueOf(c));
            }
        }
        return dataset;
    }

    private double width(String text) {
        return HouseFont.SANS.width(text, sizePt);
    }

    private double tickWidth() {
        return chart.ticks().stream()
                        .mapToDouble(tick -> width(tick.text()))
                        .max()
                        .orElse(0)
                + LABEL_GAP;
    }

    private double nameWidth() {
        double widest =
                whole.categories().stream().mapToDouble(this::width).max().orElse(0);
        return Math.min(widest, area.getWidth() * 0.4) + LABEL_GAP;
    }

    private double rightSpace() {
        int last = whole.categories().size() - 1;
        double widest = lying
                ? IntStream.rangeClosed(0, last)
                        .mapToDouble(c -> width(total(whole, c)))
                        .max()
                        .orElse(0)
                : whole.series().stream()
                        .mapToDouble(series -> width(directLabel(series, last)))
                        .max()
                        .orElse(0);
        return Math.min(widest + LABEL_GAP, area.getWidth() * 0.35);
    }

    private String directLabel(Written.Series series, int category) {
        String value = series.written().get(category);
        return series.name().isEmpty() ? value : series.name() + " " + value;
    }

    /** Where there is no room for both, it is the name that is cut, never the number. */
    private String labelWithin(Written.Series series, int category, double room) {
        String value = series.written().get(category);
        if (series.name().isEmpty()) {
            return value;
        }
        double forName = room - width(" " + value);
        return HouseFont.SANS.fit(series.name(), sizePt, (float) Math.max(0, forName)) + " " + value;
    }

    private static String total(Written.Chart chart, int category) {
        return chart.series().size() == 1 ? chart.series().get(0).written().get(category) : "";
    }

    private void zeroLine() {
        if (!isLine()) {
            double y = plot.getRangeAxis().valueToJava2D(0, data, RectangleEdge.LEFT);
            graphics.setPaint(HouseColours.INK);
            graphics.setStroke(new BasicStroke(0.75f));
            graphics.draw(new Line2D.Double(data.getMinX(), y, data.getMaxX(), y));
        }
    }

    /** As many names as there is room for, the last one always. */
    private void categoryNamesBelow() {
        int count = chart.categories().size();
        double widest = Math.min(
                chart.categories().stream().mapToDouble(this::width).max().orElse(1) + 3 * LABEL_GAP,
                area.getWidth() / 4);
        int step = Math.max(1, (int) Math.ceil(widest * count / data.getWidth()));
        for (int i = count - 1; i >= 0; i -= step) {
            String name = HouseFont.SANS.fit(chart.categories().get(i), sizePt, (float) area.getWidth() / 4);
            double x = middle(i) - width(name) / 2;
            double rightmost = area.getMaxX() - width(name);
            text(
                    name,
                    Math.max(area.getMinX(), Math.min(x, rightmost)),
                    data.getMaxY() + sizePt * 1.5,
                    HouseColours.GREY);
        }
    }

    private void categoryNamesAtTheLeft() {
        double room = data.getMinX() - area.getMinX() - LABEL_GAP;
        for (int i = 0; i < chart.categories().size(); i++) {
            String name = HouseFont.SANS.fit(chart.categories().get(i), sizePt, (float) room);
            text(name, data.getMinX() - LABEL_GAP - width(name), middle(i) + sizePt * 0.35, HouseColours.INK);
        }
    }

    private void totalsBehindTheBars() {
        for (int i = 0; i < chart.categories().size(); i++) {
            double end = plot.getRangeAxis().valueToJava2D(height(i), data, RectangleEdge.BOTTOM);
            text(total(chart, i), end + LABEL_GAP / 2, middle(i) + sizePt * 0.35, HouseColours.INK);
        }
    }

    /**
     * The series whose colours are told in a line over the chart: of several, all of bars that lie, which have no room
     * beside their parts, and otherwise those that have nothing at the end, where the others bear their names.
     */
    private List<Integer> namedAbove() {
        int last = chart.categories().size() - 1;
        return IntStream.range(0, chart.series().size())
                .filter(s -> chart.series().size() > 1
                        && !chart.series().get(s).name().isEmpty())
                .filter(s -> {
                    Double value = chart.series().get(s).values().get(last);
                    return lying || value == null || (!isLine() && value == 0);
                })
                .boxed()
                .toList();
    }

    private void seriesNamesAbove() {
        double x = data.getMinX();
        double baseline = area.getMinY() + sizePt;
        for (int s : namedAbove()) {
            double room = area.getMaxX() - x - sizePt;
            if (room < 2 * sizePt) {
                return;
            }
            String name = HouseFont.SANS.fit(chart.series().get(s).name(), sizePt, (float) room);
            graphics.setPaint(colours.get(s % colours.size()));
            graphics.fill(new Rectangle2D.Double(x, baseline - sizePt * 0.7, sizePt * 0.7, sizePt * 0.7));
            text(name, x + sizePt, baseline, HouseColours.INK);
            x += sizePt + width(name) + 2 * LABEL_GAP;
        }
    }

    private double height(int category) {
        return chart.series().stream()
                .map(series -> series.values().get(category))
                .mapToDouble(value -> value == null ? 0 : value)
                .sum();
    }

    /** Names and last values beside the last bar or the ends of the lines, moved apart where they would overlap. */
    private void lastValues() {
        int last = chart.categories().size() - 1;
        List<double[]> places = new ArrayList<>();
        double below = 0;
        for (int s = 0; s < chart.series().size(); s++) {
            Double value = chart.series().get(s).values().get(last);
            if (value == null) {
                continue;
            }
            boolean line = isLine();
            double at = line ? value : below + value / 2;
            below += value;
            double y = plot.getRangeAxis().valueToJava2D(at, data, RectangleEdge.LEFT);
            if (line) {
                graphics.setPaint(colours.get(s % colours.size()));
                Ellipse2D end = new Ellipse2D.Double(middle(last) - 2.5, y - 2.5, 5, 5);
                graphics.fill(end);
                if (last == chart.partly()) {
                    graphics.setPaint(HouseColours.PAPER);
                    graphics.fill(new Ellipse2D.Double(middle(last) - 1.5, y - 1.5, 3, 3));
                }
            }
            if (line || value != 0) {
                places.add(new double[] {s, y + sizePt * 0.35});
            }
        }
        places.sort((a, b) -> Double.compare(b[1], a[1]));
        double lowest = data.getMaxY() + sizePt * 0.35;
        for (double[] place : places) {
            double y = Math.min(place[1], lowest);
            lowest = y - sizePt * 1.25;
            double from = data.getMaxX() + LABEL_GAP / 2;
            text(
                    labelWithin(chart.series().get((int) place[0]), last, area.getMaxX() - from),
                    from,
                    y,
                    HouseColours.INK);
        }
    }

    private double middle(int category) {
        RectangleEdge edge = lying ? RectangleEdge.LEFT : RectangleEdge.BOTTOM;
        return plot.getDomainAxis()
                .getCategoryMiddle(category, chart.categories().size(), data, edge);
    }

    private Mark mark(int category) {
        int count = chart.categories().size();
        String key = chart.keys().get(category);
        StringBuilder label = new StringBuilder(chart.categories().get(category)).append(": ");
        List<String> values = chart.series().stream()
                .map(series -> directLabel(series, category))
                .toList();
        label.append(String.join(", ", values));
        double share = (lying ? data.getHeight() : data.getWidth()) / count;
        double from = middle(category) - share / 2;
        return lying
                ? new Mark(area.getMinX(), from, area.getWidth(), share, key, label.toString())
                : new Mark(from, data.getMinY(), share, data.getHeight(), key, label.toString());
    }

    private void text(String text, double x, double y, Color colour) {
        graphics.setFont(HouseFont.SANS.at(sizePt));
        graphics.setPaint(colour);
        graphics.drawString(HouseFont.SANS.spelled(text), (float) x, (float) y);
    }
}
