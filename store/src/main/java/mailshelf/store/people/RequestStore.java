package mailshelf.store.people;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.RequestId;
import mailshelf.core.rights.Verb;
import mailshelf.store.Among;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Requests for rights, and how they were answered. */
public final class RequestStore {
    private static final String REQUEST =
            "SELECT q.id, q.report, q.person, q.wants, q.because, q.at, q.state, q.answered_by, q.reply"
                    + " FROM access_request q";
    private static final String NEWEST =
            " ORDER BY CASE q.state WHEN 'OPEN' THEN q.id END NULLS LAST, q.answered_at DESC FETCH FIRST ? ROWS ONLY";

    private static AccessRequest request(Row row) {
        return new AccessRequest(
                new RequestId(row.number("id")),
                new ReportId(row.number("report")),
                new PersonId(row.number("person")),
                row.choice("wants", Verb.class),
                row.text("because"),
                row.instant("at"),
                row.choice("state", AccessRequest.State.class),
                row.optionalNumber("answered_by").map(PersonId::new),
                row.text("reply"));
    }

    public RequestId insert(Tx tx, ReportId report, PersonId person, Verb wants, String because, Instant now) {
        return new RequestId(tx.insert("""
                INSERT INTO access_request (report, person, wants, because, at, state, reply)
                VALUES (?, ?, ?, ?, ?, 'OPEN', '')""", report, person, wants, because, now));
    }

    public Optional<AccessRequest> find(Tx tx, RequestId id) {
        return tx.one(REQUEST + " WHERE id = ?", RequestStore::request, id);
    }

    /** Open ones first, the oldest of them at the top; then those that were answered last. */
    public List<AccessRequest> newest(Tx tx, int most) {
        return tx.list(REQUEST + NEWEST, RequestStore::request, most);
    }

    /** The same of the reports of some folders. */
    public List<AccessRequest> newestIn(Tx tx, Set<FolderId> folders, int most) {
        return tx.list(
                REQUEST + " JOIN report r ON r.id = q.report" + Among.ids("r.folder") + NEWEST,
                RequestStore::request,
                folders,
                most);
    }

    public List<AccessRequest> openOf(Tx tx, PersonId person) {
        return tx.list(REQUEST + " WHERE person = ? AND state = 'OPEN'", RequestStore::request, person);
    }

    /** False when somebody has answered it already. */
    public boolean answer(Tx tx, RequestId id, AccessRequest.State state, PersonId by, String reply, Instant now) {
        return tx.update("""
                        UPDATE access_request SET state = ?, answered_by = ?, reply = ?, answered_at = ?
                         WHERE id = ? AND state = 'OPEN'""", state, by, reply, now, id) == 1;
    }
}
