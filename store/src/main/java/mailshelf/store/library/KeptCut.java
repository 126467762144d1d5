package mailshelf.store.library;

import java.time.Instant;
import mailshelf.core.report.Cut;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;

/**
 * A way of looking at a report that somebody keeps.
 *
 * @param shared with all who may read the report
 * @param version from 1, one more with each change
 */
public record KeptCut(
        CutId id,
        ReportId report,
        PersonId owner,
        String name,
        String about,
        boolean shared,
        Cut cut,
        int version,
        Instant changedAt) {
    public boolean isUsableBy(PersonId person) {
        return shared || owner.equals(person);
    }
}
