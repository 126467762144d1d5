package mailshelf.store.data;

import java.util.List;
import java.util.Optional;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;

/**
 * Typed columns under a name; its rows come by loads.
 *
 * @param owner who made it, and is told when a load of it fails
 * @param folder who may publish there may load it, who may see that may make reports of it
 * @param dateColumn by which its rows are sorted and periods are cut; mapping tables have none
 * @param ownerView whether issues may show everybody on a list what their owner may see
 * @param personal the columns whose values say something of a person
 * @param plan how it comes by its rows
 * @param removed whether it is offered no more, and there for the issues that were made of it alone
 */
public record DataSet(
        DataSetId id,
        FolderId folder,
        PersonId owner,
        String name,
        List<Column> columns,
        Optional<String> dateColumn,
        boolean ownerView,
        List<String> personal,
        LoadPlan plan,
        boolean removed) {
    /** Whether its rows are sorted by times, so that periods may begin and end within a day. */
    public boolean hasTimes() {
        return columns.stream()
                .anyMatch(column -> column.type() == ColumnType.TIME
                        && dateColumn.filter(column.name()::equals).isPresent());
    }
}
