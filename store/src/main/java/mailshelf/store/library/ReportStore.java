package mailshelf.store.library;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Sha256;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Reports and their versions. */
public final class ReportStore {
    private static final String REPORT = "SELECT id, folder, owner, title, version FROM report";

    private static Report report(Row row) {
        return new Report(
                new ReportId(row.number("id")),
                new FolderId(row.number("folder")),
                new PersonId(row.number("owner")),
                row.text("title"),
                row.integer("version"));
    }

    public List<Report> all(Tx tx) {
        return tx.list(REPORT + " ORDER BY title", ReportStore::report);
    }

    public Optional<Report> find(Tx tx, ReportId id) {
        return tx.one(REPORT + " WHERE id = ?", ReportStore::report, id);
    }

    /** The definition as text. */
    public String yaml(Tx tx, ReportId id, int version) {
        return tx.one(
                        "SELECT yaml FROM report_version WHERE report = ? AND no = ?",
                        row -> row.text("yaml"),
                        id,
                        version)
                .orElseThrow(() -> new IllegalStateException("Report " + id + " has no version " + version));
    }

    /** A version, without its text. */
    public record Version(int no, PersonId by, Instant at) {}

    /** Newest first. */
    public List<Version> versions(Tx tx, ReportId id) {
        return tx.list(
                "SELECT no, by_person, at FROM report_version WHERE report = ? ORDER BY no DESC",
                row -> new Version(row.integer("no"), new PersonId(row.number("by_person")), row.instant("at")),
                id);
    }

    public ReportId insert(Tx tx, FolderId folder, PersonId owner, String title, String yaml, Instant at) {
        ReportId id = new ReportId(tx.insert(
                "INSERT INTO report (folder, owner, title, version) VALUES (?, ?, ?, 1)", folder, owner, title));
        insertVersion(tx, id, 1, yaml, owner, at);
        return id;
    }

    /** False when somebody else has published in the meantime. */
    public boolean publish(Tx tx, Report report, String title, String yaml, PersonId by, Instant at) {
        int next = report.version() + 1;
        boolean mine = tx.update(
                        "UPDATE report SET title = ?, version = ? WHERE id = ? AND version = ?",
                        title,
                        next,
                        report.id(),
                        report.version())
                == 1;
        if (mine) {
            insertVersion(tx, report.id(), next, yaml, by, at);
        }
        return mine;
    }

    private static void insertVersion(Tx tx, ReportId id, int no, String yaml, PersonId by, Instant at) {
        tx.update("""
                INSERT INTO report_version (report, no, yaml, sha256, by_person, at)
                VALUES (?, ?, ?, ?, ?, ?)""", id, no, yaml, Sha256.of(yaml), by, at);
    }
}
