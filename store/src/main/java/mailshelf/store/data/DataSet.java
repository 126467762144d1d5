package mailshelf.store.data;

import java.util.List;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;

/** Typed columns under a name; its rows come by loads. */
public record DataSet(DataSetId id, String name, List<Column> columns, String dateColumn) {}
