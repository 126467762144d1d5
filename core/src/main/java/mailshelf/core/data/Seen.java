package mailshelf.core.data;

import java.util.List;

/**
 * What a copy shows of a data set.
 *
 * @param allowed what row rules let it show; none where all rows were
 */
public record Seen(DataSetId dataSet, List<Allowed> allowed) {
    public Seen {
        allowed = List.copyOf(allowed);
    }
}
