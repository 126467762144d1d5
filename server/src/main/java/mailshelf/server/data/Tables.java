package mailshelf.server.data;

import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import mailshelf.core.Problem;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.Table;
import mailshelf.store.Database;
import mailshelf.store.Tx;
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

    /** Rows and which load they are. */
    public record Loaded(Load load, Table table) {}

    Tables(Database database, DataSetStore dataSets, LoadFiles files) {
        this.database = database;
        this.dataSets = dataSets;
        this.files = files;
    }

    /** @throws Problem {@code data.none-loaded} before the first load */
    public Loaded newest(DataSet dataSet) {
        Load load = newestLoad(dataSet).orElseThrow(() -> Problem.invalid("data.none-loaded", dataSet.name()));
        Loaded known = newest.get(dataSet.id());
        if (known != null && known.load().id().equals(load.id())) {
            return known;
        }
        return newest.compute(
                dataSet.id(),
                (id, other) -> other != null && other.load().no() >= load.no()
                        ? other
                        : new Loaded(load, files.read(dataSet, load.no())));
    }

    /** The rows of one load, be it the newest or not. */
    public Loaded of(LoadId id) {
        Load load = database.inTransaction(tx -> dataSets.findLoad(tx, id)).orElseThrow();
        DataSet dataSet =
                database.inTransaction(tx -> dataSets.find(tx, load.dataSet())).orElseThrow();
        Loaded known = newest(dataSet);
        return known.load().id().equals(id) ? known : new Loaded(load, files.read(dataSet, load.no()));
    }

    void put(DataSet dataSet, Loaded loaded) {
        newest.put(dataSet.id(), loaded);
    }

    private Optional<Load> newestLoad(DataSet dataSet) {
        return database.inTransaction((Tx tx) -> dataSets.newestLoad(tx, dataSet.id()));
    }
}
