package mailshelf.server.data;

import java.io.IOException;
import mailshelf.core.data.TableBuilder;
import mailshelf.store.Tx;

/** Rows on their way into a data set. */
interface Incoming {
    /** Adds them all; if it throws, those that it added are thrown away. */
    void addTo(TableBuilder rows) throws IOException;

    /** What the audit trail adds where they are those of an earlier load. */
    default String asBefore() {
        return "";
    }

    /**
     * Keeps what goes with the record of the load.
     *
     * @param outcome what came of it
     */
    default void recorded(Tx tx, Outcome outcome) {}

    /** What came of a load. */
    enum Outcome {
        LOADED,
        FAILED,

        /** The disk or the database could not be written to: the rows are not to blame, and are taken again. */
        BLOCKED
    }
}
