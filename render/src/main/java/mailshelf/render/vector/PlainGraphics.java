package mailshelf.render.vector;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Image;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.awt.image.BufferedImageOp;
import java.awt.image.ImageObserver;
import java.awt.image.RenderedImage;
import java.awt.image.renderable.RenderableImage;

/** What of Graphics2D nothing in the house uses, and a vector cannot be: refused, so that nobody misses it unawares. */
abstract class PlainGraphics extends Graphics2D {
    static UnsupportedOperationException refused(String what) {
        return new UnsupportedOperationException("Vectors know no " + what);
    }

    @Override
    public void setXORMode(Color colour) {
        throw refused("exclusive-or mode");
    }

    @Override
    public void copyArea(int x, int y, int width, int height, int dx, int dy) {
        throw refused("copying of areas");
    }

    @Override
    public void drawRoundRect(int x, int y, int width, int height, int arcWidth, int arcHeight) {
        throw refused("round rectangles");
    }

    @Override
    public void fillRoundRect(int x, int y, int width, int height, int arcWidth, int arcHeight) {
        throw refused("round rectangles");
    }

    @Override
    public void drawArc(int x, int y, int width, int height, int start, int arc) {
        throw refused("arcs");
    }

    @Override
    public void fillArc(int x, int y, int width, int height, int start, int arc) {
        throw refused("arcs");
    }

    @Override
    public boolean drawImage(Image image, AffineTransform at, ImageObserver observer) {
        throw refused("images");
    }

    @Override
    public void drawImage(BufferedImage image, BufferedImageOp operation, int x, int y) {
        throw refused("images");
    }

    @Override
    public void drawRenderedImage(RenderedImage image, AffineTransform at) {
        throw refused("images");
    }

    @Override
    public void drawRenderableImage(RenderableImage image, AffineTransform at) {
        throw refused("images");
    }

    @Override
    public boolean drawImage(Image image, int x, int y, ImageObserver observer) {
        throw refused("images");
    }

    @Override
    public boolean drawImage(Image image, int x, int y, int width, int height, ImageObserver observer) {
        throw refused("images");
    }

    @Override
    public boolean drawImage(Image image, int x, int y, Color background, ImageObserver observer) {
        throw refused("images");
    }

    @Override
    public boolean drawImage(
            Image image, int x, int y, int width, int height, Color background, ImageObserver observer) {
        throw refused("images");
    }

    @Override
    public boolean drawImage(
            Image image, int x1, int y1, int x2, int y2, int sx1, int sy1, int sx2, int sy2, ImageObserver observer) {
        throw refused("images");
    }

    @Override
    public boolean drawImage(
            Image image,
            int x1,
            int y1,
            int x2,
            int y2,
            int sx1,
            int sy1,
            int sx2,
            int sy2,
            Color background,
            ImageObserver observer) {
        throw refused("images");
    }
}
