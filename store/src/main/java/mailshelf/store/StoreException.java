package mailshelf.store;

import java.io.IOException;
import java.sql.SQLException;

/** The database or the disk failed: nobody's input is to blame, and trying again later may help. */
public final class StoreException extends RuntimeException {
    public StoreException(String what, Exception cause) {
        super(what, cause);
    }

    /** Whether the disk or the database is to blame for a failure, not what was being done. */
    public static boolean isDisk(Throwable failure) {
        for (Throwable at = failure; at != null; at = at.getCause()) {
            if (at instanceof StoreException store && store.isOfDisk()) {
                return true;
            }
        }
        return false;
    }

    /** Whether files could not be read or written, or the database has lost its own; not a statement that failed. */
    public boolean isOfDisk() {
        return getCause() instanceof IOException
                || getCause() instanceof SQLException e && H2.isOfDisk(e.getErrorCode());
    }
}
