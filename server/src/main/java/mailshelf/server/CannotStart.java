package mailshelf.server;

/** Something outside the program must be put right first; the message says what, in one sentence. */
final class CannotStart extends Exception {
    private static final long serialVersionUID = 1;

    CannotStart(String sentence) {
        super(sentence);
    }
}
