package mailshelf.store;

import java.io.IOException;
import java.sql.SQLException;

/** The database or the disk failed: nobody's input is to blame, and trying again later may help. */
public final class StoreException extends RuntimeException {
    public StoreException(String what, Exception cause) {
        super(what, cause);
    }

    /** Whether files could not be read or written, or the database has lost its own; not a statement that failed. */
    public boolean isOfDisk() {
        return getCause() instanceof IOException
                || getCause() instanceof SQLException e && H2.isOfDisk(e.getErrorCode());
    }
}
