package mailshelf.server.data;

import java.io.IOException;
import mailshelf.core.data.TableBuilder;
import mailshelf.store.Tx;

/** Rows on their way into a data set. */
interface Incoming {
    /** Adds them all; if it throws, those that it added are thrown away. */
    void addTo(TableBuilder rows) throws IOException;

    /**
     * Keeps what goes with the record of the load.
     *
     * @param loaded false where it failed
     */
    default void recorded(Tx tx, boolean loaded) {}
}
