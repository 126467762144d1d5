package mailshelf.core.expression;

/** What is wrong with an expression, and where in its text. */
public final class BadExpression extends Exception {
    private final int position;

    BadExpression(int position, String message) {
        super(message);
        this.position = position;
    }

    /** From 0. */
    public int position() {
        return position;
    }
}
