package mailshelf.render.vector;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.util.Map;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;

/**
 * Writes SVG elements for the browser. Colours are CSS variables with the paper's colour behind them, so that one
 * drawing serves both themes; no styles inline, as the page's security policy demands.
 */
public final class SvgSink implements VectorSink {
    private static final Map<HouseFont, String> FACES =
            Map.of(HouseFont.SANS, "sans", HouseFont.SANS_BOLD, "sans-bold", HouseFont.SERIF, "serif");

    private final StringBuilder out = new StringBuilder(4096);

    /** The whole drawing, hidden from screen readers: its marks are told beside it. */
    public String document(double width, double height) {
        StringBuilder svg = new StringBuilder(out.length() + 200);
        svg.append("<svg xmlns=\"http://www.w3.org/2000/svg\" aria-hidden=\"true\" viewBox=\"0 0 ");
        Numbers.append(Numbers.append(svg, width).append(' '), height).append("\">");
        return svg.append(out).append("</svg>").toString();
    }

    @Override
    public void fill(Shape shape, Color colour) {
        out.append("<path fill=\"").append(css(colour)).append("\" d=\"");
        path(shape);
        out.append("\"/>");
    }

    @Override
    public void stroke(Shape shape, Color colour, BasicStroke stroke) {
        out.append("<path fill=\"none\" stroke=\"").append(css(colour)).append("\" stroke-width=\"");
        Numbers.append(out, stroke.getLineWidth()).append("\" stroke-linejoin=\"round\" d=\"");
        path(shape);
        out.append("\"/>");
    }

    @Override
    public void text(String text, double x, double y, HouseFont face, float sizePt, Color colour) {
        out.append("<text class=\"chart-").append(FACES.get(face)).append("\" x=\"");
        Numbers.append(out, x).append("\" y=\"");
        Numbers.append(out, y).append("\" font-size=\"");
        Numbers.append(out, sizePt).append("\" fill=\"").append(css(colour)).append("\">");
        escape(text);
        out.append("</text>");
    }

    private static String css(Color colour) {
        String hex = HouseColours.css(colour);
        return "var(--chart-" + hex.substring(1) + "," + hex + ")";
    }

    private void escape(String text) {
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '&' -> out.append("&amp;");
                default -> out.append(c < ' ' ? ' ' : c);
            }
        }
    }

    private void path(Shape shape) {
        double[] at = new double[6];
        for (PathIterator path = shape.getPathIterator(null); !path.isDone(); path.next()) {
            int points = switch (path.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> segment('M', 1);
                case PathIterator.SEG_LINETO -> segment('L', 1);
                case PathIterator.SEG_QUADTO -> segment('Q', 2);
                case PathIterator.SEG_CUBICTO -> segment('C', 3);
                default -> segment('Z', 0);
            };
            for (int i = 0; i < points * 2; i++) {
                Numbers.append(out, at[i]).append(' ');
            }
        }
    }

    private int segment(char letter, int points) {
        out.append(letter);
        return points;
    }
}
