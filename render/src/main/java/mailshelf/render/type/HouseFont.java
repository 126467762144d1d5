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
        return units * sizePt / perEm();
    }

    /** The text, cut with an ellipsis where it is wider than allowed. */
    public String fit(String text, float sizePt, float widthPt) {
        if (width(text, sizePt) <= widthPt) {
            return text;
        }
        float room = (widthPt - width("…", sizePt)) * perEm() / sizePt;
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
