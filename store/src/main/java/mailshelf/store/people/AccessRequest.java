package mailshelf.store.people;

import java.time.Instant;
import java.util.Optional;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.RequestId;
import mailshelf.core.rights.Verb;

/**
 * Somebody's wish to be allowed more with a report that he knows of.
 *
 * @param wants the right that he lacks
 * @param because in his words; may be ""
 * @param reply by whoever answered it; "" until then
 */
public record AccessRequest(
        RequestId id,
        ReportId report,
        PersonId person,
        Verb wants,
        String because,
        Instant at,
        State state,
        Optional<PersonId> answeredBy,
        String reply) {
    /** Where a request stands. */
    public enum State {
        OPEN,
        GRANTED,
        DECLINED
    }
}
