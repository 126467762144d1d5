package mailshelf.store.library;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Sha256;
import mailshelf.core.wording.Alphabet;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.people.SupposedRights;

/** Reports and their versions. */
public final class ReportStore {
    private static final String REPORT = "SELECT id, folder, owner, title, version, removed_at FROM report";

    private static Report report(Tx tx, Row row) {
        ReportId id = new ReportId(row.number("id"));
        FolderId folder = new FolderId(row.number("folder"));
        return new Report(
                id,
                tx.supposed(SupposedRights.class)
                        .map(would -> would.folder(id, folder))
                        .orElse(folder),
                new PersonId(row.number("owner")),
                row.text("title"),
                row.integer("version"),
                row.optionalInstant("removed_at").isPresent());
    }

    /** Those that are offered. */
    public List<Report> all(Tx tx) {
        return Alphabet.sorted(tx.list(REPORT + " WHERE removed_at IS NULL", row -> report(tx, row)), Report::title);
    }

    public List<Report> removed(Tx tx) {
        return Alphabet.sorted(
                tx.list(REPORT + " WHERE removed_at IS NOT NULL", row -> report(tx, row)), Report::title);
    }

    /** Also one that is removed. */
    public Optional<Report> find(Tx tx, ReportId id) {
        return tx.one(REPORT + " WHERE id = ?", row -> report(tx, row), id);
    }

    public void move(Tx tx, ReportId id, FolderId folder) {
        tx.update("UPDATE report SET folder = ? WHERE id = ?", folder, id);
    }

    /** @param at empty to offer it again */
    public void remove(Tx tx, ReportId id, Optional<Instant> at) {
        tx.update("UPDATE report SET removed_at = ? WHERE id = ?", at, id);
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
