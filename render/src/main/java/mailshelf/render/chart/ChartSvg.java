package mailshelf.render.chart;

import java.awt.geom.Rectangle2D;
import java.util.List;
import mailshelf.core.report.Written;
import mailshelf.render.vector.SvgSink;
import mailshelf.render.vector.VectorGraphics;

/**
 * A chart for the browser.
 *
 * @param svg the drawing, an {@code svg} element
 * @param marks what can be pointed at, in the drawing's units
 */
public record ChartSvg(String svg, double width, double height, List<Mark> marks) {
    private static final float LABELS_PX = 13;
    private static final double ROW_PX = 28;
    private static final double TREND_WIDTH = 120;
    private static final double TREND_HEIGHT = 30;

    /** Drawn at the width that it is shown at, so that labels keep their size. */
    public static ChartSvg of(Written.Chart chart, double width) {
        double height = chart.overTime()
                ? Math.min(300, width * 0.55)
                : chart.categories().size() * ROW_PX + LABELS_PX;
        SvgSink sink = new SvgSink();
        List<Mark> marks = ChartPainter.paint(
                new VectorGraphics(sink), new Rectangle2D.Double(0, 0, width, height), chart, LABELS_PX);
        return new ChartSvg(sink.document(width, height), width, height, marks);
    }

    /** The line beside a figure: 120 by 30, nothing on it to point at. */
    public static ChartSvg ofTrend(Written.Figure figure) {
        SvgSink sink = new SvgSink();
        TrendPainter.paint(
                new VectorGraphics(sink), new Rectangle2D.Double(0, 0, TREND_WIDTH, TREND_HEIGHT), figure.trend());
        return new ChartSvg(sink.document(TREND_WIDTH, TREND_HEIGHT), TREND_WIDTH, TREND_HEIGHT, List.of());
    }
}
