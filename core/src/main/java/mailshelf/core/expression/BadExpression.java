package mailshelf.core.expression;

/** What is wrong with an expression, and where in its text. */
public final class BadExpression extends Exception {
    private final int position;
    private final String unknown;

    /** @param position from 0, in the text */
    public BadExpression(int position, String message) {
        this(position, message, "");
    }

    /** @param unknown the name that stands for nothing */
    BadExpression(int position, String message, String unknown) {
        super(message);
        this.position = position;
        this.unknown = unknown;
    }

    /** The name that it takes for a column's and that is none; "" where something else is wrong. */
    public String unknown() {
        return unknown;
    }

    /** From 0. */
    public int position() {
        return position;
    }
}
