package mailshelf.store;

import java.sql.SQLException;
import org.h2.api.DatabaseEventListener;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Ends the process when the database that it keeps is broken by the disk. Made by H2, by its name. */
public final class EndOfProcess implements DatabaseEventListener {
    private static final Logger LOG = LoggerFactory.getLogger(EndOfProcess.class);
    private static final int BROKEN = 74;

    @Override
    public void exceptionThrown(SQLException e, String sql) {
        if (H2.isOfDisk(e.getErrorCode())) {
            LOG.error("The database was closed by a fault of the disk: see that there is room, and start it again", e);
            Runtime.getRuntime().halt(BROKEN);
        }
    }
}
