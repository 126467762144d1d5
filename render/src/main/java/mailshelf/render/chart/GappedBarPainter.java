package mailshelf.render.chart;

import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.geom.Area;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RectangularShape;
import org.jfree.chart.renderer.category.BarPainter;
import org.jfree.chart.renderer.category.BarRenderer;
import org.jfree.chart.ui.RectangleEdge;

/** Plain bars with a gap of paper between stacked parts; those that have figures for a part of their days are hollow. */
final class GappedBarPainter implements BarPainter {
    private static final double GAP = 1;
    private static final double FRAME = 1.2;

    private final int hollow;

    /** @param hollow place of the category whose bars are hollow; -1 for none */
    GappedBarPainter(int hollow) {
        this.hollow = hollow;
    }

    @Override
    public void paintBar(
            Graphics2D graphics, BarRenderer renderer, int row, int column, RectangularShape bar, RectangleEdge base) {
        boolean standing = base == RectangleEdge.BOTTOM || base == RectangleEdge.TOP;
        double across = standing ? bar.getHeight() : bar.getWidth();
        double gap = across > 2 * GAP ? GAP : 0;
        graphics.setPaint(renderer.getItemPaint(row, column));
        Rectangle2D whole = new Rectangle2D.Double(
                bar.getX(),
                bar.getY() + (standing ? gap : 0),
                bar.getWidth() - (standing ? 0 : gap),
                bar.getHeight() - (standing ? gap : 0));
        graphics.fill(column == hollow ? frame(whole) : whole);
    }

    private static Shape frame(Rectangle2D whole) {
        Area frame = new Area(whole);
        frame.subtract(new Area(new Rectangle2D.Double(
                whole.getX() + FRAME,
                whole.getY() + FRAME,
                Math.max(0, whole.getWidth() - 2 * FRAME),
                Math.max(0, whole.getHeight() - 2 * FRAME))));
        return frame;
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
