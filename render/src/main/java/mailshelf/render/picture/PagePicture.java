package mailshelf.render.picture;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;
import mailshelf.core.report.Written;
import mailshelf.core.wording.Words;
import mailshelf.render.HouseColours;
import mailshelf.render.paper.EndlessSheet;
import mailshelf.render.vector.VectorGraphics;
import mailshelf.render.vector.VectorSink;

/** A page as one PNG, set as on paper but on a single endless sheet. */
public final class PagePicture {
    private static final int WIDTH_PX = 1200;
    private static final double WIDTH_PT = 595;
    private static final int TALLEST_PX = 6000;

    private PagePicture() {}

    /** @return a PNG 1,200 pixels wide, as high as the page needs, cut at 6,000 */
    public static byte[] of(Written.Page page, Words words) {
        double scale = WIDTH_PX / WIDTH_PT;
        double heightPt = EndlessSheet.set(page, new VectorGraphics(NOWHERE), WIDTH_PT, words);
        int height = (int) Math.min(TALLEST_PX, Math.ceil(heightPt * scale));
        BufferedImage image = new BufferedImage(WIDTH_PX, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setPaint(HouseColours.WHITE);
        graphics.fillRect(0, 0, WIDTH_PX, height);
        graphics.scale(scale, scale);
        EndlessSheet.set(page, graphics, WIDTH_PT, words);
        graphics.dispose();
        return png(image);
    }

    private static byte[] png(BufferedImage image) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(200_000);
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static final VectorSink NOWHERE = new VectorSink() {
        @Override
        public void fill(java.awt.Shape shape, java.awt.Color colour) {
            // only the height is wanted
        }

        @Override
        public void stroke(java.awt.Shape shape, java.awt.Color colour, java.awt.BasicStroke stroke) {
            // only the height is wanted
        }

        @Override
        public void text(
                String text,
                double x,
                double y,
                mailshelf.render.type.HouseFont face,
                float size,
                java.awt.Color colour) {
            // only the height is wanted
        }
    };
}
