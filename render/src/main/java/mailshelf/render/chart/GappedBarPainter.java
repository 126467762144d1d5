package mailshelf.render.chart;

import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RectangularShape;
import org.jfree.chart.renderer.category.BarPainter;
import org.jfree.chart.renderer.category.BarRenderer;
import org.jfree.chart.ui.RectangleEdge;

/** Plain bars with a gap of paper between stacked parts. */
final class GappedBarPainter implements BarPainter {
    private static final double GAP = 1;

    @Override
    public void paintBar(
            Graphics2D graphics, BarRenderer renderer, int row, int column, RectangularShape bar, RectangleEdge base) {
        boolean standing = base == RectangleEdge.BOTTOM || base == RectangleEdge.TOP;
        double across = standing ? bar.getHeight() : bar.getWidth();
        double gap = across > 2 * GAP ? GAP : 0;
        graphics.setPaint(renderer.getItemPaint(row, column));
        graphics.fill(new Rectangle2D.Double(
                bar.getX(),
                bar.getY() + (standing ? gap : 0),
                bar.getWidth() - (standing ? 0 : gap),
                bar.getHeight() - (standing ? gap : 0)));
    }

    @Override
    public void paintBarShadow(
            Graphics2D graphics,
            BarRenderer renderer,
            int row,
            int column,
            RectangularShape bar,
            RectangleEdge base,
            boolean pegShadow) {
        // the house draws no shadows
    }
}
