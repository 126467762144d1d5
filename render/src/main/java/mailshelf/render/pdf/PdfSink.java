package mailshelf.render.pdf;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
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
    private static final Map<Color, String> WRITTEN = new ConcurrentHashMap<>();

    private final double widthPt;
    private final double heightPt;
    private final PdfStructure structure;
    private final List<PdfStructure.Element> marked = new ArrayList<>();
    private final StringBuilder out = new StringBuilder(16_384);
    private final Map<HouseFont, BitSet> characters = new EnumMap<>(HouseFont.class);
    private final List<Piece> pieces = new ArrayList<>();

    // what the page's graphics state holds already (PDF 32000-1 §8.4), so that it is not said anew for each mark
    private Color filling;
    private Color stroking;
    private double lineWidth = -1;
    private HouseFont font;
    private float fontPt;
    private boolean isMarking;
    private Optional<PdfStructure.Element> marking = Optional.empty();

    private record Piece(HouseFont face, String text) {}

    PdfSink(double widthPt, double heightPt, PdfStructure structure) {
        this.widthPt = widthPt;
        this.heightPt = heightPt;
        this.structure = structure;
    }

    double widthPt() {
        return widthPt;
    }

    double heightPt() {
        return heightPt;
    }

    /** What its marked parts are of, by their numbers (PDF 32000-1 §14.7.4). */
    List<PdfStructure.Element> marked() {
        return marked;
    }

    /** Begins a part that is of an element, or of none as ornaments are, where the last one is of another. */
    private void mark(Optional<PdfStructure.Element> element) {
        if (isMarking && element.equals(marking)) {
            return;
        }
        if (isMarking) {
            out.append("EMC\n");
        }
        isMarking = true;
        marking = element;
        if (element.isEmpty()) {
            out.append("/Artifact BMC\n");
            return;
        }
        out.append('/')
                .append(element.get().role().type())
                .append(" <</MCID ")
                .append(marked.size())
                .append(">> BDC\n");
        element.get().mark(this, marked.size());
        marked.add(element.get());
    }

    @Override
    public void fill(Shape shape, Color colour) {
        mark(structure.drawing());
        filling(colour);
        if (shape instanceof Rectangle2D bar) {
            Numbers.append(out, bar.getX()).append(' ');
            Numbers.append(out, heightPt - bar.getMaxY()).append(' ');
            Numbers.append(out, bar.getWidth()).append(' ');
            Numbers.append(out, bar.getHeight()).append(" re f\n");
            return;
        }
        path(shape);
        out.append("f\n");
    }

    @Override
    public void stroke(Shape shape, Color colour, BasicStroke stroke) {
        mark(structure.drawing());
        if (!colour.equals(stroking)) {
            out.append(written(colour)).append("RG\n");
            stroking = colour;
        }
        if (stroke.getLineWidth() != lineWidth) {
            lineWidth = stroke.getLineWidth();
            Numbers.append(out, lineWidth).append(" w 1 j\n");
        }
        path(shape);
        out.append("S\n");
    }

    @Override
    public void text(String text, double x, double y, HouseFont face, float sizePt, Color colour) {
        mark(structure.writing());
        filling(colour);
        out.append("BT ");
        if (face != font || sizePt != fontPt) {
            font = face;
            fontPt = sizePt;
            Numbers.append(out.append('/').append(resourceName(face)).append(' '), sizePt)
                    .append(" Tf ");
        }
        Numbers.append(out, x).append(' ');
        Numbers.append(out, heightPt - y).append(" Td (").append(TEXT_MARK).append(") Tj ET\n");
        pieces.add(new Piece(face, text));
        BitSet used = characters.computeIfAbsent(face, f -> new BitSet());
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            used.set(text.codePointAt(i));
        }
    }

    /** Which characters are set in which face. */
    Map<HouseFont, BitSet> characters() {
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
        if (isMarking) {
            content.append("EMC\n");
        }
        return content.toString().getBytes(StandardCharsets.ISO_8859_1);
    }

    private static void glyphs(Piece piece, Map<HouseFont, FontSubset> fonts, StringBuilder into) {
        FontSubset font = fonts.get(piece.face());
        String text = piece.text();
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            int glyph = font.glyph(text.codePointAt(i));
            literal(glyph >> 8, into);
            literal(glyph & 0xff, into);
        }
    }

    /** A byte of a literal string (PDF 32000-1 §7.3.4.2). */
    private static void literal(int octet, StringBuilder into) {
        switch (octet) {
            case '(', ')', '\\' -> into.append('\\').append((char) octet);
            case '\r' -> into.append("\\r");
            default -> into.append((char) octet);
        }
    }

    private void filling(Color colour) {
        if (!colour.equals(filling)) {
            out.append(written(colour)).append("rg\n");
            filling = colour;
        }
    }

    /** Red, green and blue as parts of one, each with a space behind it. */
    private static String written(Color colour) {
        return WRITTEN.computeIfAbsent(colour, c -> {
            StringBuilder parts = new StringBuilder();
            for (float part : c.getRGBColorComponents(null)) {
                parts.append(Math.round(part * 1000.0) / 1000.0).append(' ');
            }
            return parts.toString();
        });
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
