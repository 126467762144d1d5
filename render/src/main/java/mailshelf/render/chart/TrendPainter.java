package mailshelf.render.chart;

import java.awt.BasicStroke;
import java.awt.Graphics2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import java.util.Objects;
import mailshelf.render.HouseColours;

/** Draws the small line beside a figure: no axes, the last value a dot. */
public final class TrendPainter {
    private static final double DOT = 3.5;

    private TrendPainter() {}

    /**
     * Draws it, or nothing where the area is too narrow to show a course.
     *
     * @param values oldest first, null where there is none; fewer than two are not drawn
     */
    public static void paint(Graphics2D graphics, Rectangle2D area, List<Double> values) {
        List<Double> known = values.stream().filter(Objects::nonNull).toList();
        if (known.size() < 2 || area.getWidth() < 6 * DOT) {
            return;
        }
        double low = known.stream().mapToDouble(v -> v).min().orElseThrow();
        double high = known.stream().mapToDouble(v -> v).max().orElseThrow();
        double span = high > low ? high - low : 1;
        double step = (area.getWidth() - DOT) / (values.size() - 1);
        graphics.setPaint(HouseColours.GREY);
        graphics.setStroke(new BasicStroke(1.1f));
        double lastX = 0;
        double lastY = 0;
        boolean started = false;
        Path2D line = new Path2D.Double();
        for (int i = 0; i < values.size(); i++) {
            if (values.get(i) == null) {
                started = false;
                continue;
            }
            double x = area.getX() + i * step;
            double y = area.getMaxY() - DOT / 2 - (values.get(i) - low) / span * (area.getHeight() - DOT);
            if (started) {
                line.lineTo(x, y);
            } else {
                line.moveTo(x, y);
            }
            lastX = x;
            lastY = y;
            started = true;
        }
        graphics.draw(line);
        graphics.fill(new Ellipse2D.Double(lastX - DOT / 2, lastY - DOT / 2, DOT, DOT));
    }
}
