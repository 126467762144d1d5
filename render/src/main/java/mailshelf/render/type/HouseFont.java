package mailshelf.render.type;

import java.awt.Font;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.TrueTypeFont;

/**
 * The house's three faces, each read once from the TrueType file that the build brings along. One that cannot be read fails
 * whoever needs it then; the next to need it reads it again.
 */
public enum HouseFont {
    SANS("source-sans-3/400Regular/SourceSans3_400Regular.ttf", "SourceSans3-Regular"),
    SANS_BOLD("source-sans-3/600SemiBold/SourceSans3_600SemiBold.ttf", "SourceSans3-SemiBold"),
    SERIF("fraunces/600SemiBold/Fraunces_600SemiBold.ttf", "Fraunces-SemiBold");

    private static final int NO_BREAK_SPACE = 0xA0;
    private static final int UNSEEN = -1;
    private static final int BOX = 0x25A1;

    private final String resource;
    private final String postScriptName;
    private final Map<Float, Font> sizes = new ConcurrentHashMap<>();
    private volatile Face face;

    HouseFont(String resource, String postScriptName) {
        this.resource = resource;
        this.postScriptName = postScriptName;
    }

    /**
     * Reads all of them, so that what is missing is found before anything is written with it.
     *
     * @throws java.io.UncheckedIOException if one cannot be read
     */
    public static void readAll() {
        for (HouseFont each : values()) {
            each.face();
        }
    }

    private Face face() {
        Face read = face;
        return read != null ? read : readFace();
    }

    private synchronized Face readFace() {
        if (face == null) {
            face = Face.read(resource);
        }
        return face;
    }

    /** The face for Java's own drawing, at a size in points. */
    public Font at(float sizePt) {
        return sizes.computeIfAbsent(sizePt, size -> face().awt().deriveFont(size));
    }

    /** Which face an AWT font came from; SANS for one that is not of the house. */
    public static HouseFont of(Font font) {
        for (HouseFont each : values()) {
            if (each.face().awt().getName().equals(font.getName())) {
                return each;
            }
        }
        return SANS;
    }

    /**
     * The text as this face can write it: a space that it lacks, as the thin one between thousands, is its plain one,
     * a mark that it lacks and nobody would see is left out, and for any other character that it lacks stands a box.
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
        if (Character.isSpaceChar(character)) {
            return NO_BREAK_SPACE;
        }
        return isUnseen(character) ? UNSEEN : BOX;
    }

    private static boolean isUnseen(int character) {
        int type = Character.getType(character);
        boolean isVariation = character >= 0xFE00 && character <= 0xFE0F;
        return type == Character.FORMAT || type == Character.CONTROL || isVariation;
    }

    /** Whether it writes a box for some character of a text. */
    public boolean lacks(String text) {
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            int character = text.codePointAt(i);
            if (glyph(character) == 0 && spelled(character) == BOX) {
                return true;
            }
        }
        return false;
    }

    /** The face to write a text in: this one, unless a sans-serif face has more of it, as of Greek and Cyrillic. */
    public HouseFont ableFor(String text) {
        return this == SERIF && lacks(text) ? SANS_BOLD : this;
    }

    /** Width of a text at a size, both in points; kerning is left out everywhere alike. */
    public float width(String text, float sizePt) {
        HouseFont able = ableFor(text);
        if (able != this) {
            return able.width(text, sizePt);
        }
        float units = 0;
        for (int i = 0; i < text.length(); ) {
            int character = text.codePointAt(i);
            units += units(character);
            i += Character.charCount(character);
        }
        return units * sizePt / perEm();
    }

    /** The text, cut with an ellipsis where it is wider than allowed. */
    public String fit(String text, float sizePt, float widthPt) {
        if (width(text, sizePt) <= widthPt) {
            return text;
        }
        return text.substring(0, fitting(text, sizePt, widthPt - width("…", sizePt))) + "…";
    }

    /** How many chars of a text fit a width. */
    public int fitting(String text, float sizePt, float widthPt) {
        HouseFont able = ableFor(text);
        float room = widthPt * able.perEm() / sizePt;
        float used = 0;
        int end = 0;
        while (end < text.length()) {
            used += able.units(text.codePointAt(end));
            if (used > room) {
                break;
            }
            end += Character.charCount(text.codePointAt(end));
        }
        return end;
    }

    /** Width of a character as it is written, in the face's own units. */
    private float units(int character) {
        int written = spelled(character);
        if (written == UNSEEN) {
            return 0;
        }
        return face().units(written);
    }

    int glyph(int character) {
        return face().glyph(character);
    }

    float advance(int glyph) {
        return face().advance(glyph);
    }

    TrueTypeFont trueType() {
        return face().trueType();
    }

    float perEm() {
        return face().perEm();
    }

    String postScriptName() {
        return postScriptName;
    }
}
