package mailshelf.render.paper;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.geom.Line2D;
import java.util.ArrayList;
import java.util.List;
import mailshelf.core.report.Written;
import mailshelf.render.HouseColours;
import mailshelf.render.type.HouseFont;

/** Writes lines of text and rules on one sheet. */
final class Pen {
    private final Graphics2D graphics;

    Pen(Graphics2D graphics) {
        this.graphics = graphics;
    }

    Graphics2D graphics() {
        return graphics;
    }

    void left(String text, double x, double baseline, HouseFont face, float size, Color colour) {
        HouseFont able = face.ableFor(text);
        graphics.setFont(able.at(size));
        graphics.setPaint(colour);
        graphics.drawString(able.spelled(text), (float) x, (float) baseline);
    }

    void right(String text, double x, double baseline, HouseFont face, float size, Color colour) {
        left(text, x - face.width(text, size), baseline, face, size, colour);
    }

    void rule(double x1, double x2, double y, Color colour, float width) {
        graphics.setPaint(colour);
        graphics.setStroke(new BasicStroke(width));
        graphics.draw(new Line2D.Double(x1, y, x2, y));
    }

    /** The change against the period before, its verdict in words and colour. */
    void change(Written.Figure figure, String change, double x, double baseline, float size) {
        String words = figure.verdictWords().isEmpty() ? change : change + ", ";
        left(words, x, baseline, HouseFont.SANS, size, HouseColours.GREY);
        left(
                figure.verdictWords(),
                x + HouseFont.SANS.width(words, size),
                baseline,
                HouseFont.SANS,
                size,
                colour(figure.verdict(), HouseColours.GREY));
    }

    static Color colour(Written.Verdict verdict, Color otherwise) {
        return switch (verdict) {
            case BETTER -> HouseColours.SPRUCE;
            case WORSE -> HouseColours.BRICK;
            case NEITHER -> otherwise;
        };
    }

    /** A text in lines that are no wider than allowed; a word that is wider is broken. */
    static List<String> wrap(String text, HouseFont face, float size, double width) {
        if (face.width(text, size) <= width) {
            return text.isBlank() ? List.of() : List.of(text.strip());
        }
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : text.strip().split("\\s+")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && face.width(longer, size) > width) {
                lines.add(line.toString());
                longer = word;
            }
            line.setLength(0);
            line.append(lastLine(longer, face, size, width, lines));
        }
        if (!line.isEmpty()) {
            lines.add(line.toString());
        }
        return lines;
    }

    /** Adds the lines that a word fills, and gives what is left of it. */
    private static String lastLine(String text, HouseFont face, float size, double width, List<String> lines) {
        String rest = text;
        while (face.width(rest, size) > width) {
            int end = Math.max(1, face.fitting(rest, size, (float) width));
            lines.add(rest.substring(0, end));
            rest = rest.substring(end);
        }
        return rest;
    }

    /** The same in so many lines at most, the last one cut. */
    static List<String> wrap(String text, HouseFont face, float size, double width, int most) {
        List<String> lines = wrap(text, face, size, width);
        if (lines.size() <= most) {
            return lines;
        }
        List<String> first = new ArrayList<>(lines.subList(0, most - 1));
        first.add(face.fit(String.join(" ", lines.subList(most - 1, lines.size())), size, (float) width));
        return first;
    }
}
