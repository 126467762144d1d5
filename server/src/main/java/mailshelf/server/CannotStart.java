package mailshelf.server;

/** Something outside the program must be put right first; the message says what, in one sentence. */
public final class CannotStart extends Exception {
    private static final long serialVersionUID = 1;

    public CannotStart(String sentence) {
        super(sentence);
    }
}
