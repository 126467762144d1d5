package mailshelf.store.data;

import java.util.List;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.rights.FolderId;

/**
 * Typed columns under a name; its rows come by loads.
 *
 * @param folder who may publish there may load it, who may see that may make reports of it
 */
public record DataSet(DataSetId id, FolderId folder, String name, List<Column> columns, String dateColumn) {}
