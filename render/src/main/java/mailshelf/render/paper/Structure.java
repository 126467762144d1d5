package mailshelf.render.paper;

import java.awt.geom.Rectangle2D;

/**
 * Takes down what the marks on the sheets are, so that a document can be read aloud, searched and copied in order (PDF
 * 32000-1 §14.7 and §14.8). Elements stand within each other; what is drawn outside the innermost ones, as rules and
 * repeated heads are, is ornament.
 */
public interface Structure {
    /** What an element is. */
    enum Role {
        SECTION("Sect"),
        TITLE("H1"),
        HEADING("H2"),
        SUBHEADING("H3"),
        PARAGRAPH("P"),
        FIGURE("Figure"),
        TABLE("Table"),
        ROW("TR"),
        HEAD("TH"),
        CELL("TD");

        private final String type;

        Role(String type) {
            this.type = type;
        }

        /** The standard structure type (PDF 32000-1 §14.8.4). */
        public String type() {
            return type;
        }

        /** Whether it holds other elements, rather than marks. */
        public boolean isGroup() {
            return this == SECTION || this == TABLE || this == ROW;
        }

        public boolean isHeading() {
            return this == TITLE || this == HEADING || this == SUBHEADING;
        }
    }

    /** For drawings that are looked at alone. */
    Structure NONE = new Structure() {
        @Override
        public void open(Role role, String text) {
            // nobody reads it
        }

        @Override
        public void figure(Rectangle2D area, String alternative) {
            // nobody reads it
        }

        @Override
        public void close() {
            // nobody reads it
        }
    };

    /** @param text what the element says as a whole; "" for one that holds others */
    void open(Role role, String text);

    /** Opens a drawing. */
    void figure(Rectangle2D area, String alternative);

    /** Ends the innermost element. */
    void close();

    /** An element of what is drawn. */
    default void within(Role role, String text, Runnable draw) {
        open(role, text);
        draw.run();
        close();
    }
}
