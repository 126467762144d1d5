package mailshelf.render.type;

import java.awt.Font;
import java.awt.FontFormatException;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** A TrueType file as it has been read: for Java's own drawing, and for measuring and embedding. Thread-safe. */
final class Face {
    /** Up to here, Latin to arithmetic signs, what a character is and how wide is looked up once, when it is read. */
    private static final int KNOWN = 0x2300;

    private final Font awt;
    private final TrueTypeFont trueType;
    private final CmapLookup characters;
    private final float perEm;
    private final int[] glyphs = new int[KNOWN];
    private final float[] advances = new float[KNOWN];

    private Face(byte[] file) throws IOException, FontFormatException {
        awt = Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(file));
        trueType = new TTFParser().parse(new RandomAccessReadBuffer(file));
        characters = trueType.getUnicodeCmapLookup();
        perEm = trueType.getUnitsPerEm();
        for (int character = 0; character < KNOWN; character++) {
            glyphs[character] = characters.getGlyphId(character);
            advances[character] = trueType.getAdvanceWidth(glyphs[character]);
        }
    }

    /** @throws UncheckedIOException if the file is not there, or is no font */
    static Face read(String resource) {
        try (InputStream in = Face.class.getResourceAsStream(resource)) {
            if (in == null) {
                throw new IOException("Font " + resource + " is missing");
            }
            return new Face(in.readAllBytes());
        } catch (IOException e) {
            throw new UncheckedIOException("Font " + resource + " cannot be read", e);
        } catch (FontFormatException e) {
            throw new UncheckedIOException(new IOException("Font " + resource + " cannot be read", e));
        }
    }

    int glyph(int character) {
        return character < KNOWN ? glyphs[character] : characters.getGlyphId(character);
    }

    /** Width of a character that this face has, in its own units. */
    float units(int character) {
        return character < KNOWN ? advances[character] : advance(glyph(character));
    }

    float advance(int glyph) {
        try {
            return trueType.getAdvanceWidth(glyph);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Font awt() {
        return awt;
    }

    TrueTypeFont trueType() {
        return trueType;
    }

    float perEm() {
        return perEm;
    }
}
