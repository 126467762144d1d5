package mailshelf.server.data;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import mailshelf.core.Problem;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.PageModel;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadFiles;
import org.springframework.stereotype.Component;

/** The rows of loads: the newest of each data set stays in memory, older ones are read when a run is pinned to them. */
@Component
public class Tables {
    private final Database database;
    private final DataSetStore dataSets;
    private final LoadFiles files;
    private final ConcurrentMap<DataSetId, Loaded> newest = new ConcurrentHashMap<>();

    /** Rows, to be cut for those who read them, and which load they are. */
    public static final class Loaded {
        private final Load load;
        private final Slicing slicing;
        private final Map<List<Allowed>, Slice> kept;

        Loaded(Load load, Slicing slicing) {
            this.load = load;
            this.slicing = slicing;
            this.kept = new KeptSlices(slicing.table().rows());
        }

        public Load load() {
            return load;
        }

        public PageModel.Freshness freshness() {
            return load.freshness();
        }

        public Slicing slicing() {
            return slicing;
        }

        /** What somebody sees who may look again soon; for many people at once there is {@link #slicing}. */
        public Slice seenBy(Viewer viewer) {
            synchronized (kept) {
                return kept.computeIfAbsent(viewer.allowed(), allowed -> slicing.of(viewer.without(List.of())))
                        .without(viewer.masked());
            }
        }
    }

    Tables(Database database, DataSetStore dataSets, LoadFiles files) {
        this.database = database;
        this.dataSets = dataSets;
        this.files = files;
    }

    /** @throws Problem {@code data.none-loaded} before the first load */
    public Loaded newest(DataSet dataSet) {
        Load load = database.inTransaction(tx -> dataSets.newestLoad(tx, dataSet.id()))
                .orElseThrow(() -> Problem.invalid("data.none-loaded", dataSet.name()));
        return of(dataSet, load);
    }

    /** The rows of one load, be it the newest or not. */
    public Loaded of(LoadId id) {
        Load load = database.inTransaction(tx -> dataSets.findLoad(tx, id)).orElseThrow();
        DataSet dataSet =
                database.inTransaction(tx -> dataSets.find(tx, load.dataSet())).orElseThrow();
        Loaded known = newest(dataSet);
        return known.load().id().equals(id) ? known : read(dataSet, load);
    }

    /** @param load the newest that the caller knows of; if there is a newer one in memory, it is given */
    public Loaded of(DataSet dataSet, Load load) {
        Loaded known = newest.get(dataSet.id());
        if (known != null && known.load().id().equals(load.id())) {
            return known;
        }
        return newest.compute(
                dataSet.id(),
                (id, other) -> other != null && other.load().no() >= load.no() ? other : read(dataSet, load));
    }

    private Loaded read(DataSet dataSet, Load load) {
        return new Loaded(load, new Slicing(files.read(dataSet, load)));
    }

    void put(DataSet dataSet, Loaded loaded) {
        newest.put(dataSet.id(), loaded);
    }
}
