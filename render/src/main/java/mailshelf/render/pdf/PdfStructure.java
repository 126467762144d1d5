package mailshelf.render.pdf;

import java.awt.geom.Rectangle2D;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import mailshelf.render.paper.Structure;

/** The elements of a document as they are set, and which of them is being drawn. */
final class PdfStructure implements Structure {
    private final List<Element> roots = new ArrayList<>();
    private final Deque<Element> open = new ArrayDeque<>();

    /** A part of a sheet that is of an element. */
    record Mark(PdfSink sheet, int number) {}

    /**
     * An element: what it says as a whole, and what it is made of, other elements or marks.
     *
     * @param area of a drawing
     */
    record Element(Role role, String text, Optional<Rectangle2D> area, List<Element> elements, List<Mark> marks) {
        void mark(PdfSink sheet, int number) {
            marks.add(new Mark(sheet, number));
        }

        @Override
        public boolean equals(Object other) {
            return this == other;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(this);
        }
    }

    @Override
    public void open(Role role, String text) {
        open(new Element(role, text, Optional.empty(), new ArrayList<>(), new ArrayList<>()));
    }

    @Override
    public void figure(Rectangle2D area, String alternative) {
        open(new Element(Role.FIGURE, alternative, Optional.of(area), new ArrayList<>(), new ArrayList<>()));
    }

    private void open(Element element) {
        (open.isEmpty() ? roots : open.peek().elements()).add(element);
        open.push(element);
    }

    @Override
    public void close() {
        open.pop();
    }

    /** Those that stand within no other, in reading order. */
    List<Element> roots() {
        return roots;
    }

    /** The element that text is of; empty for what only repeats, as running heads do. */
    Optional<Element> writing() {
        return Optional.ofNullable(open.peek())
                .filter(element -> !element.role().isGroup());
    }

    /** The element that shapes are of; empty for rules and other ornaments. */
    Optional<Element> drawing() {
        return Optional.ofNullable(open.peek()).filter(element -> element.role() == Role.FIGURE);
    }
}
