package mailshelf.core.expression;

/** What is wrong with an expression, and where in its text. */
public final class BadExpression extends Exception {
    private final int position;

    /** @param position from 0, in the text */
    public BadExpression(int position, String message) {
        super(message);
        this.position = position;
    }

    /** From 0. */
    public int position() {
        return position;
    }
}
