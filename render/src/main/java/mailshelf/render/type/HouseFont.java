package mailshelf.render.type;

import java.awt.Font;
import java.awt.FontFormatException;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** The house's three faces, read once from the TrueType files that the build brings along. */
public enum HouseFont {
    SANS("source-sans-3/400Regular/SourceSans3_400Regular.ttf", "SourceSans3-Regular"),
    SANS_BOLD("source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf", "SourceSans3-SemiBold"),
    SERIF("fraunces/600SemiBold/Fraunces_600SemiBold.ttf", "Fraunces-SemiBold");

    private static final int NO_BREAK_SPACE = 0xA0;
    private static final int UNSEEN = -1;

    /** Up to here, Latin to arithmetic signs, what a character is and how wide is looked up once, at the start. */
    private static final int KNOWN = 0x2300;

    private final String postScriptName;
    private final Font awt;
    private final TrueTypeFont trueType;
    private final CmapLookup characters;
    private final float perEm;
    private final int[] glyphs = new int[KNOWN];
    private final float[] advances = new float[KNOWN];
    private final Map<Float, Font> sizes = new ConcurrentHashMap<>();

    HouseFont(String resource, String postScriptName) {
        this.postScriptName = postScriptName;
        byte[] file = read(resource);
        try {
            awt = Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(file));
            trueType = new TTFParser().parse(new RandomAccessReadBuffer(file));
            characters = trueType.getUnicodeCmapLookup();
            perEm = trueType.getUnitsPerEm();
            for (int character = 0; character < KNOWN; character++) {
                glyphs[character] = characters.getGlyphId(character);
                advances[character] = trueType.getAdvanceWidth(glyphs[character]);
            }
        } catch (IOException | FontFormatException e) {
            throw new IllegalStateException("Font " + resource + " cannot be read", e);
        }
    }

    private static byte[] read(String resource) {
        try (InputStream in = HouseFont.class.getResourceAsStream(resource)) {
            return Objects.requireNonNull(in, resource).readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The face for Java's own drawing, at a size in points. */
    public Font at(float sizePt) {
        return sizes.computeIfAbsent(sizePt, awt::deriveFont);
    }

    /** Which face an AWT font came from; SANS for one that is not of the house. */
    public static HouseFont of(Font font) {
        for (HouseFont face : values()) {
            if (face.awt.getName().equals(font.getName())) {
                return face;
            }
        }
        return SANS;
    }

    /**
     * The text as this face can write it: a space that it lacks, as the thin one between thousands, is its plain one,
     * and a mark that it lacks and nobody would see is left out.
     */
    public String spelled(String text) {
        StringBuilder written = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            int character = spelled(text.codePointAt(i));
            if (character != UNSEEN) {
                written.appendCodePoint(character);
            }
        }
        return written.toString();
    }

    private int spelled(int character) {
        if (glyph(character) != 0) {
            return character;
        }
        int type = Character.getType(character);
        boolean unseen = type == Character.FORMAT || type == Character.CONTROL;
        return Character.isSpaceChar(character) ? NO_BREAK_SPACE : unseen ? UNSEEN : character;
    }

    /** Width of a text at a size, both in points; kerning is left out everywhere alike. */
    public float width(String text, float sizePt) {
        float units = 0;
        for (int i = 0; i < text.length(); ) {
            int character = text.codePointAt(i);
            units += units(character);
            i += Character.charCount(character);
        }
        return units * sizePt / perEm;
    }

    /** The text, cut with an ellipsis where it is wider than allowed. */
    public String fit(String text, float sizePt, float widthPt) {
        if (width(text, sizePt) <= widthPt) {
            return text;
        }
        float room = (widthPt - width("…", sizePt)) * perEm / sizePt;
        float used = 0;
        int end = 0;
        while (end < text.length()) {
            used += units(text.codePointAt(end));
            if (used > room) {
                break;
            }
            end += Character.charCount(text.codePointAt(end));
        }
        return text.substring(0, end) + "…";
    }

    /** Width of a character as it is written, in the face's own units. */
    private float units(int character) {
        int written = spelled(character);
        if (written == UNSEEN) {
            return 0;
        }
        return written < KNOWN ? advances[written] : advance(glyph(written));
    }

    int glyph(int character) {
        return character < KNOWN ? glyphs[character] : characters.getGlyphId(character);
    }

    float advance(int glyph) {
        try {
            return trueType.getAdvanceWidth(glyph);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    TrueTypeFont trueType() {
        return trueType;
    }

    float perEm() {
        return perEm;
    }

    String postScriptName() {
        return postScriptName;
    }
}
