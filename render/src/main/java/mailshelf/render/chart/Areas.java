package mailshelf.render.chart;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.function.IntToDoubleFunction;
import mailshelf.core.report.Written;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.ui.RectangleEdge;

/**
 * Areas that stand on each other, each as one shape from the middle of the first category to that of the last, so that no
 * seam shows; with a gap of paper between them.
 *
 * @param middles where categories are
 */
record Areas(ValueAxis axis, Rectangle2D data, IntToDoubleFunction middles) {
    private static final double GAP = 0.75;

    void paint(Graphics2D graphics, Written.Chart chart, List<Color> colours) {
        int first = 0;
        int end = chart.categories().size();
        while (first < end && isGap(chart, first)) {
            first++;
        }
        while (end > first && isGap(chart, end - 1)) {
            end--;
        }
        double[] below = new double[chart.categories().size()];
        for (int s = 0; s < chart.series().size(); s++) {
            double[] above = below.clone();
            for (int c = 0; c < above.length; c++) {
                Double value = chart.series().get(s).values().get(c);
                above[c] += value == null ? 0 : value;
            }
            graphics.setPaint(colours.get(s % colours.size()));
            graphics.fill(between(above, below, s == 0 ? 0 : GAP, first, end));
            below = above;
        }
    }

    private static boolean isGap(Written.Chart chart, int category) {
        return chart.series().stream().allMatch(series -> series.values().get(category) == null);
    }

    private Shape between(double[] above, double[] below, double gap, int first, int end) {
        Path2D shape = new Path2D.Double();
        shape.moveTo(middles.applyAsDouble(first), y(above[first]));
        for (int c = first + 1; c < end; c++) {
            shape.lineTo(middles.applyAsDouble(c), y(above[c]));
        }
        for (int c = end - 1; c >= first; c--) {
            shape.lineTo(middles.applyAsDouble(c), Math.max(y(below[c]) - gap, y(above[c])));
        }
        shape.closePath();
        return shape;
    }

    private double y(double value) {
        return axis.valueToJava2D(value, data, RectangleEdge.LEFT);
    }
}
