package mailshelf.render.pdf;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import mailshelf.render.type.FontSubset;
import mailshelf.render.type.HouseFont;
import mailshelf.render.vector.Numbers;
import mailshelf.render.vector.VectorSink;

/**
 * Writes the operators of one page's content stream (PDF 32000-1 §8 and §9). Text is kept apart until the fonts are
 * known, since glyph numbers depend on all texts of the file.
 */
final class PdfSink implements VectorSink {
    private static final char TEXT_MARK = '\u0001';

    private final double heightPt;
    private final StringBuilder out = new StringBuilder(16_384);
    private final Map<HouseFont, SortedSet<Integer>> characters = new EnumMap<>(HouseFont.class);
    private final List<Piece> pieces = new ArrayList<>();

    private record Piece(HouseFont face, String text) {}

    PdfSink(double heightPt) {
        this.heightPt = heightPt;
    }

    @Override
    public void fill(Shape shape, Color colour) {
        colour(colour, "rg");
        path(shape);
        out.append("f\n");
    }

    @Override
    public void stroke(Shape shape, Color colour, BasicStroke stroke) {
        colour(colour, "RG");
        Numbers.append(out, stroke.getLineWidth()).append(" w 1 j\n");
        path(shape);
        out.append("S\n");
    }

    @Override
    public void text(String text, double x, double y, HouseFont face, float sizePt, Color colour) {
        colour(colour, "rg");
        out.append("BT /").append(resourceName(face)).append(' ');
        Numbers.append(out, sizePt).append(" Tf ");
        Numbers.append(out, x).append(' ');
        Numbers.append(out, heightPt - y).append(" Td <").append(TEXT_MARK).append("> Tj ET\n");
        pieces.add(new Piece(face, text));
        SortedSet<Integer> used = characters.computeIfAbsent(face, f -> new TreeSet<>());
        text.codePoints().forEach(used::add);
    }

    /** Which characters are set in which face. */
    Map<HouseFont, SortedSet<Integer>> characters() {
        return characters;
    }

    static String resourceName(HouseFont face) {
        return "F" + face.ordinal();
    }

    /** The content stream with glyph numbers of the fonts given. */
    byte[] content(Map<HouseFont, FontSubset> fonts) {
        StringBuilder content = new StringBuilder(out.length() + pieces.size() * 64);
        int next = 0;
        int from = 0;
        for (int at = out.indexOf("\u0001"); at >= 0; at = out.indexOf("\u0001", from)) {
            content.append(out, from, at);
            glyphs(pieces.get(next++), fonts, content);
            from = at + 1;
        }
        content.append(out, from, out.length());
        return content.toString().getBytes(StandardCharsets.US_ASCII);
    }

    private static void glyphs(Piece piece, Map<HouseFont, FontSubset> fonts, StringBuilder into) {
        FontSubset font = fonts.get(piece.face());
        piece.text().codePoints().forEach(character -> {
            int glyph = font.glyph(character);
            for (int shift = 12; shift >= 0; shift -= 4) {
                into.append(Character.forDigit(glyph >> shift & 15, 16));
            }
        });
    }

    private void colour(Color colour, String operator) {
        for (float part : colour.getRGBColorComponents(null)) {
            long thousandths = Math.round(part * 1000.0);
            out.append(thousandths == 1000 ? "1" : String.format("0.%03d", thousandths))
                    .append(' ');
        }
        out.append(operator).append('\n');
    }

    private void path(Shape shape) {
        double[] at = new double[6];
        double x = 0;
        double y = 0;
        for (PathIterator path = shape.getPathIterator(null); !path.isDone(); path.next()) {
            switch (path.currentSegment(at)) {
                case PathIterator.SEG_MOVETO -> points(at, 1, "m");
                case PathIterator.SEG_LINETO -> points(at, 1, "l");
                case PathIterator.SEG_QUADTO -> quadratic(x, y, at);
                case PathIterator.SEG_CUBICTO -> points(at, 3, "c");
                default -> out.append("h\n");
            }
            int last = lastPoint(path.currentSegment(at));
            if (last >= 0) {
                x = at[last];
                y = at[last + 1];
            }
        }
    }

    private static int lastPoint(int segment) {
        return switch (segment) {
            case PathIterator.SEG_MOVETO, PathIterator.SEG_LINETO -> 0;
            case PathIterator.SEG_QUADTO -> 2;
            case PathIterator.SEG_CUBICTO -> 4;
            default -> -1;
        };
    }

    /** PDF has cubic curves only. */
    private void quadratic(double x, double y, double[] at) {
        double[] cubic = {
            x + 2 * (at[0] - x) / 3,
            y + 2 * (at[1] - y) / 3,
            at[2] + 2 * (at[0] - at[2]) / 3,
            at[3] + 2 * (at[1] - at[3]) / 3,
            at[2],
            at[3]
        };
        points(cubic, 3, "c");
    }

    private void points(double[] at, int count, String operator) {
        for (int i = 0; i < count; i++) {
            Numbers.append(out, at[2 * i]).append(' ');
            Numbers.append(out, heightPt - at[2 * i + 1]).append(' ');
        }
        out.append(operator).append('\n');
    }
}
