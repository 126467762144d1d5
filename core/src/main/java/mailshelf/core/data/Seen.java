package mailshelf.core.data;

import java.util.List;

/**
 * What a copy shows of a data set.
 *
 * @param allowed what row rules let it show; none where all rows were
 * @param masked the personal columns whose values it does not show
 */
public record Seen(DataSetId dataSet, List<Allowed> allowed, List<String> masked) {
    public Seen {
        allowed = List.copyOf(allowed);
        masked = masked == null ? List.of() : List.copyOf(masked); // before columns could be personal
    }
}
