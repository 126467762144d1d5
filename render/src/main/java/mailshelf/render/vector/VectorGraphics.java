package mailshelf.render.vector;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Composite;
import java.awt.Font;
import java.awt.FontMetrics;
import java.awt.Graphics;
import java.awt.Graphics2D;
import java.awt.GraphicsConfiguration;
import java.awt.Paint;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.Stroke;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.text.AttributedCharacterIterator;
import java.util.Map;
import mailshelf.render.type.HouseFont;

/**
 * A Graphics2D that hands filled and stroked shapes and lines of text on to a {@link VectorSink}. Colours are opaque,
 * strokes are lines; images, arcs, rotated text and painting modes are refused, since nothing in the house uses them.
 * Shapes outside the clip are left out, not cut. One thread.
 */
public final class VectorGraphics extends PlainGraphics {
    private static final Graphics2D MEASURES = measures();

    private final VectorSink sink;
    private final RenderingHints hints = new RenderingHints(Map.of());
    private AffineTransform transform = new AffineTransform();
    private Color colour = Color.BLACK;
    private Color background = Color.WHITE;
    private Stroke stroke = new BasicStroke();
    private Font font = HouseFont.SANS.at(12);
    private Shape clip;

    public VectorGraphics(VectorSink sink) {
        this.sink = sink;
    }

    private static Graphics2D measures() {
        Graphics2D graphics = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        return graphics;
    }

    @Override
    public void draw(Shape shape) {
        Shape moved = moved(shape);
        if (visible(moved)) {
            sink.stroke(moved, colour, (BasicStroke) stroke);
        }
    }

    @Override
    public void fill(Shape shape) {
        Shape moved = moved(shape);
        if (visible(moved) && colour.getAlpha() > 0) {
            sink.fill(moved, colour);
        }
    }

    private Shape moved(Shape shape) {
        return transform.isIdentity() ? shape : transform.createTransformedShape(shape);
    }

    private boolean visible(Shape shape) {
        if (clip == null) {
            return true;
        }
        Rectangle2D bounds = shape.getBounds2D();
        double margin = 2;
        return clip.intersects(
                bounds.getX() - margin,
                bounds.getY() - margin,
                bounds.getWidth() + 2 * margin,
                bounds.getHeight() + 2 * margin);
    }

    @Override
    public void drawString(String text, float x, float y) {
        if (text.isBlank()) {
            return;
        }
        Point2D at = transform.transform(new Point2D.Double(x, y), null);
        sink.text(text, at.getX(), at.getY(), HouseFont.of(font), font.getSize2D(), colour);
    }

    @Override
    public void drawString(String text, int x, int y) {
        drawString(text, (float) x, (float) y);
    }

    @Override
    public void drawString(AttributedCharacterIterator text, int x, int y) {
        drawString(text, (float) x, (float) y);
    }

    @Override
    public void drawString(AttributedCharacterIterator text, float x, float y) {
        throw refused("attributed text");
    }

    @Override
    public void drawGlyphVector(GlyphVector glyphs, float x, float y) {
        fill(glyphs.getOutline(x, y));
    }

    @Override
    public void drawLine(int x1, int y1, int x2, int y2) {
        draw(new Line2D.Double(x1, y1, x2, y2));
    }

    @Override
    public void fillRect(int x, int y, int width, int height) {
        fill(new Rectangle(x, y, width, height));
    }

    @Override
    public void clearRect(int x, int y, int width, int height) {
        sink.fill(transform.createTransformedShape(new Rectangle(x, y, width, height)), background);
    }

    @Override
    public void drawOval(int x, int y, int width, int height) {
        draw(new Ellipse2D.Double(x, y, width, height));
    }

    @Override
    public void fillOval(int x, int y, int width, int height) {
        fill(new Ellipse2D.Double(x, y, width, height));
    }

    @Override
    public void drawPolyline(int[] xs, int[] ys, int count) {
        for (int i = 1; i < count; i++) {
            drawLine(xs[i - 1], ys[i - 1], xs[i], ys[i]);
        }
    }

    @Override
    public void drawPolygon(int[] xs, int[] ys, int count) {
        draw(new java.awt.Polygon(xs, ys, count));
    }

    @Override
    public void fillPolygon(int[] xs, int[] ys, int count) {
        fill(new java.awt.Polygon(xs, ys, count));
    }

    @Override
    public Graphics create() {
        VectorGraphics copy = new VectorGraphics(sink);
        copy.transform = new AffineTransform(transform);
        copy.colour = colour;
        copy.background = background;
        copy.stroke = stroke;
        copy.font = font;
        copy.clip = clip;
        copy.hints.putAll(hints);
        return copy;
    }

    @Override
    public void dispose() {
        // nothing is held
    }

    @Override
    public Color getColor() {
        return colour;
    }

    @Override
    public void setColor(Color colour) {
        this.colour = colour == null ? this.colour : colour;
    }

    @Override
    public Paint getPaint() {
        return colour;
    }

    @Override
    public void setPaint(Paint paint) {
        if (paint != null && !(paint instanceof Color)) {
            throw refused("paint but plain colours");
        }
        setColor((Color) paint);
    }

    @Override
    public Stroke getStroke() {
        return stroke;
    }

    @Override
    public void setStroke(Stroke stroke) {
        this.stroke = stroke;
    }

    @Override
    public Font getFont() {
        return font;
    }

    @Override
    public void setFont(Font font) {
        this.font = font == null ? this.font : font;
    }

    @Override
    public FontMetrics getFontMetrics(Font font) {
        synchronized (MEASURES) {
            return MEASURES.getFontMetrics(font);
        }
    }

    @Override
    public FontRenderContext getFontRenderContext() {
        return new FontRenderContext(null, true, true);
    }

    @Override
    public Rectangle getClipBounds() {
        return getClip() == null ? null : getClip().getBounds();
    }

    @Override
    public Shape getClip() {
        if (clip == null) {
            return null;
        }
        try {
            return transform.createInverse().createTransformedShape(clip);
        } catch (java.awt.geom.NoninvertibleTransformException e) {
            throw new IllegalStateException("A drawing was scaled to nothing", e);
        }
    }

    @Override
    public void setClip(Shape shape) {
        clip = shape == null ? null : transform.createTransformedShape(shape);
    }

    @Override
    public void setClip(int x, int y, int width, int height) {
        setClip(new Rectangle(x, y, width, height));
    }

    @Override
    public void clipRect(int x, int y, int width, int height) {
        clip(new Rectangle(x, y, width, height));
    }

    @Override
    public void clip(Shape shape) {
        if (clip == null) {
            setClip(shape);
        } else if (shape != null) {
            clip = clip.getBounds2D()
                    .createIntersection(transform.createTransformedShape(shape).getBounds2D());
        }
    }

    @Override
    public boolean hit(Rectangle area, Shape shape, boolean onStroke) {
        return transform.createTransformedShape(shape).intersects(area);
    }

    @Override
    public AffineTransform getTransform() {
        return new AffineTransform(transform);
    }

    @Override
    public void setTransform(AffineTransform transform) {
        this.transform = new AffineTransform(transform);
    }

    @Override
    public void transform(AffineTransform more) {
        transform.concatenate(more);
    }

    @Override
    public void translate(int x, int y) {
        transform.translate(x, y);
    }

    @Override
    public void translate(double x, double y) {
        transform.translate(x, y);
    }

    @Override
    public void rotate(double angle) {
        transform.rotate(angle);
    }

    @Override
    public void rotate(double angle, double x, double y) {
        transform.rotate(angle, x, y);
    }

    @Override
    public void scale(double x, double y) {
        transform.scale(x, y);
    }

    @Override
    public void shear(double x, double y) {
        transform.shear(x, y);
    }

    @Override
    public Color getBackground() {
        return background;
    }

    @Override
    public void setBackground(Color background) {
        this.background = background;
    }

    @Override
    public Composite getComposite() {
        return java.awt.AlphaComposite.SrcOver;
    }

    @Override
    public void setComposite(Composite composite) {
        // everything in the house is opaque
    }

    @Override
    public Object getRenderingHint(RenderingHints.Key key) {
        return hints.get(key);
    }

    @Override
    public void setRenderingHint(RenderingHints.Key key, Object value) {
        hints.put(key, value);
    }

    @Override
    public void setRenderingHints(Map<?, ?> hints) {
        this.hints.clear();
        addRenderingHints(hints);
    }

    @Override
    public void addRenderingHints(Map<?, ?> hints) {
        this.hints.putAll(hints);
    }

    @Override
    public RenderingHints getRenderingHints() {
        return (RenderingHints) hints.clone();
    }

    @Override
    public GraphicsConfiguration getDeviceConfiguration() {
        return MEASURES.getDeviceConfiguration();
    }

    @Override
    public void setPaintMode() {
        // the only mode there is
    }
}
