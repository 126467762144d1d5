package mailshelf.render.chart;

import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.util.List;
import mailshelf.core.report.Written;
import org.jfree.chart.axis.AxisState;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.NumberTick;
import org.jfree.chart.ui.RectangleEdge;
import org.jfree.chart.ui.TextAnchor;

/** A value axis with exactly the ticks that the page was written with. */
final class TickedAxis extends NumberAxis {
    private final transient List<Written.Tick> ticks;

    TickedAxis(List<Written.Tick> ticks) {
        this.ticks = ticks;
        setRange(ticks.get(0).value(), ticks.get(ticks.size() - 1).value());
        setAxisLineVisible(false);
        setTickMarksVisible(false);
    }

    @Override
    public List<NumberTick> refreshTicks(Graphics2D graphics, AxisState state, Rectangle2D area, RectangleEdge edge) {
        return ticks.stream()
                .map(tick ->
                        new NumberTick(tick.value(), tick.text(), TextAnchor.CENTER_RIGHT, TextAnchor.CENTER_RIGHT, 0))
                .toList();
    }
}
