package mailshelf.server.delivery;

import java.util.List;
import mailshelf.core.data.Slicing;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.library.Definitions;
import mailshelf.store.delivery.RunStore;

/**
 * A report that an issue is made from, as it stood when the run was pinned.
 *
 * @param pinned which version of which report, and which load
 * @param slicing cuts the load's rows for the views
 * @param rules the row rules in force on its data set
 */
record Source(
        RunStore.Source pinned,
        Definitions.Published published,
        Tables.Loaded loaded,
        Slicing slicing,
        List<Viewers.InForce> rules) {}
