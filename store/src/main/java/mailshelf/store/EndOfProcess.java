package mailshelf.store;

import java.sql.SQLException;
import org.h2.api.DatabaseEventListener;

/** Ends the process when the database that it keeps is broken by the disk. Made by H2, by its name. */
public final class EndOfProcess implements DatabaseEventListener {
    private static final int BROKEN = 74;

    @Override
    public void exceptionThrown(SQLException e, String sql) {
        if (H2.isOfDisk(e.getErrorCode())) {
            System.err.println("The database was closed by a fault of the disk (" + e.getMessage()
                    + "): see that there is room, and start it again.");
            Runtime.getRuntime().halt(BROKEN);
        }
    }
}
