package mailshelf.server.data;

import java.time.Instant;
import mailshelf.core.data.DataSetId;
import mailshelf.store.Tx;

/** Who is to know of loads that succeeded. */
public interface AfterLoads {
    /** Called in the transaction that records the load, so that neither is kept without the other. */
    void loaded(Tx tx, DataSetId dataSet, Instant now);
}
