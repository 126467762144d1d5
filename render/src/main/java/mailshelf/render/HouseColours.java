package mailshelf.render;

import java.awt.Color;
import java.util.List;

/** The house's colours on paper, the same in every file and picture. */
public final class HouseColours {
    public static final Color PAPER = new Color(0xFBF8F1);
    public static final Color INK = new Color(0x1D2B2A);
    public static final Color GREY = new Color(0x5F6866);
    public static final Color RULE = new Color(0xDDD5C4);
    public static final Color SPRUCE = new Color(0x1F5C4D);
    public static final Color BRICK = new Color(0xB4472E);
    public static final Color WHITE = Color.WHITE;

    private static final Color OCHRE = new Color(0xB98217);
    private static final Color SLATE = new Color(0x3E5C86);
    private static final Color PLUM = new Color(0x7A4B6B);
    private static final Color MOSS = new Color(0x7F8F4E);
    private static final Color LIGHT_OCHRE = new Color(0xDBA544);
    private static final Color LIGHT_SLATE = new Color(0x8FA3C4);

    /** One after the other for lines. */
    public static final List<Color> LINES = List.of(SPRUCE, OCHRE, SLATE, BRICK, PLUM, MOSS);
    /** For the parts of a stack: the second and third lighter, so that neighbours differ without colour too. */
    public static final List<Color> STACK = List.of(SPRUCE, LIGHT_OCHRE, LIGHT_SLATE, BRICK, PLUM, MOSS);

    private HouseColours() {}

    /** As CSS writes it: {@code #1f5c4d}. */
    public static String css(Color colour) {
        return String.format("#%06x", colour.getRGB() & 0xffffff);
    }
}
