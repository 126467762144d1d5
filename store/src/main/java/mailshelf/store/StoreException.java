package mailshelf.store;

/** The database or the disk failed: nobody's input is to blame, and trying again later may help. */
public final class StoreException extends RuntimeException {
    public StoreException(String what, Exception cause) {
        super(what, cause);
    }
}
