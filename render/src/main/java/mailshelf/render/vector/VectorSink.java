package mailshelf.render.vector;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Shape;
import mailshelf.render.type.HouseFont;

/** Takes what is drawn, in points with y growing downwards, already clipped and transformed. */
public interface VectorSink {
    void fill(Shape shape, Color colour);

    void stroke(Shape shape, Color colour, BasicStroke stroke);

    /** A line of text, its baseline starting at x, y. */
    void text(String text, double x, double y, HouseFont face, float sizePt, Color colour);
}
