package mailshelf.server.data;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mailshelf.core.data.Allowed;
import mailshelf.core.data.Slice;

/** The slices of a table that were looked at last: together no more rows than the table has itself. */
final class KeptSlices extends LinkedHashMap<List<Allowed>, Slice> {
    private static final long serialVersionUID = 1;

    private final int mostRows;

    KeptSlices(int mostRows) {
        super(16, 0.75f, true);
        this.mostRows = mostRows;
    }

    @Override
    protected boolean removeEldestEntry(Map.Entry<List<Allowed>, Slice> eldest) {
        long rows = values().stream()
                .filter(slice -> !slice.allowed().isEmpty())
                .mapToLong(slice -> slice.table().rows())
                .sum();
        return rows > mostRows && size() > 1;
    }
}
