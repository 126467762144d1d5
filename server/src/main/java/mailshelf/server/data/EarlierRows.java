package mailshelf.server.data;

import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;

/** Rows that were in use before, and are to be again. */
record EarlierRows(Table rows, int load) implements Incoming {
    @Override
    public void addTo(TableBuilder into) {
        into.addAll(rows);
    }

    @Override
    public String asBefore() {
        return ", with the rows of load " + load;
    }
}
