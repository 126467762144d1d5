package mailshelf.server.data;

import mailshelf.core.data.TableBuilder;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadFiles;

/** Rows that were in use before, and are to be again. */
record EarlierRows(LoadFiles files, DataSet dataSet, Load load) implements Incoming {
    @Override
    public void addTo(TableBuilder into) {
        into.addAll(files.read(dataSet, load));
    }

    @Override
    public String asBefore() {
        return ", with the rows of load " + load.no();
    }
}
