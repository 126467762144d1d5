package mailshelf.store.data;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.report.PageModel;

/**
 * A version of a data set's rows.
 *
 * @param figuresTo the last day that has a row
 */
public record Load(
        LoadId id,
        DataSetId dataSet,
        int no,
        String sha256,
        long rows,
        Optional<LocalDate> figuresTo,
        Instant loadedAt) {

    public PageModel.Freshness freshness() {
        return new PageModel.Freshness(figuresTo, loadedAt, no);
    }
}
