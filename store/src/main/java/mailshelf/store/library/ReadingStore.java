package mailshelf.store.library;

import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.PersonId;
import mailshelf.store.Tx;

/** What a person does with reports: marks them as favourites, and opens them. */
public final class ReadingStore {
    public Set<ReportId> favourites(Tx tx, PersonId person) {
        return new HashSet<>(tx.list(
                "SELECT report FROM favourite WHERE person = ?", row -> new ReportId(row.number("report")), person));
    }

    /** Done twice it is done once. */
    public void favour(Tx tx, PersonId person, ReportId report, boolean favourite) {
        tx.update("DELETE FROM favourite WHERE person = ? AND report = ?", person, report);
        if (favourite) {
            tx.update("INSERT INTO favourite (person, report) VALUES (?, ?)", person, report);
        }
    }

    /** When each report was last opened. */
    public Map<ReportId, Instant> opened(Tx tx, PersonId person) {
        Map<ReportId, Instant> opened = new HashMap<>();
        tx.list(
                "SELECT report, at FROM opened WHERE person = ?",
                row -> opened.put(new ReportId(row.number("report")), row.instant("at")),
                person);
        return opened;
    }

    /** Whether a report was opened since a moment; asked before it is written down, as reading goes on and on. */
    public boolean isOpenedSince(Tx tx, PersonId person, ReportId report, Instant since) {
        return tx.one(
                        "SELECT report FROM opened WHERE person = ? AND report = ? AND at >= ?",
                        row -> row.number("report"),
                        person,
                        report,
                        since)
                .isPresent();
    }

    public void open(Tx tx, PersonId person, ReportId report, Instant at) {
        tx.update("DELETE FROM opened WHERE person = ? AND report = ?", person, report);
        tx.update("INSERT INTO opened (person, report, at) VALUES (?, ?, ?)", person, report, at);
    }
}
