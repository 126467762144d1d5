package mailshelf.store.library;

import java.util.List;
import java.util.Optional;
import mailshelf.core.json.CoreJson;
import mailshelf.core.report.Cut;
import mailshelf.core.report.CutId;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Alphabet;
import mailshelf.store.Row;
import mailshelf.store.Tx;

/** Kept cuts of reports. */
public final class CutStore {
    private static final String CUT =
            "SELECT c.id, c.report, c.owner, c.name, c.about, c.shared, c.cut, c.version, c.changed_at FROM cut c";

    private static KeptCut cut(Row row) {
        return new KeptCut(
                new CutId(row.number("id")),
                new ReportId(row.number("report")),
                new PersonId(row.number("owner")),
                row.text("name"),
                row.text("about"),
                row.flag("shared"),
                CoreJson.read(row.text("cut"), Cut.class),
                row.integer("version"),
                row.instant("changed_at"));
    }

    public Optional<KeptCut> find(Tx tx, CutId id) {
        return tx.one(CUT + " WHERE c.id = ?", CutStore::cut, id);
    }

    public List<KeptCut> all(Tx tx) {
        return tx.listReadable(CUT, CutStore::cut);
    }

    /** A person's own and those that are shared, by name. */
    public List<KeptCut> ofReport(Tx tx, ReportId report, PersonId person) {
        return Alphabet.sorted(
                tx.listReadable(
                        CUT + " WHERE c.report = ? AND (c.shared OR c.owner = ?)", CutStore::cut, report, person),
                KeptCut::name);
    }

    /** Those of a name in a folder that a person knows of. */
    public List<KeptCut> named(Tx tx, FolderId folder, String name, PersonId person) {
        return tx.listReadable(CUT + """
                      JOIN report r ON r.id = c.report
                     WHERE r.folder = ? AND LOWER(c.name) = LOWER(?) AND (c.shared OR c.owner = ?)""", CutStore::cut, folder, name, person);
    }

    /** @param cut its id and version are not looked at */
    public CutId insert(Tx tx, KeptCut cut) {
        return new CutId(tx.insert(
                """
                INSERT INTO cut (report, owner, name, about, shared, cut, version, changed_at)
                VALUES (?, ?, ?, ?, ?, ?, 1, ?)""",
                cut.report(),
                cut.owner(),
                cut.name(),
                cut.about(),
                cut.shared(),
                CoreJson.write(cut.cut()),
                cut.changedAt()));
    }

    /** False when it has been changed since the version that this change was made from. */
    public boolean change(Tx tx, KeptCut cut) {
        return tx.update(
                        """
                        UPDATE cut SET name = ?, about = ?, shared = ?, cut = ?, version = version + 1, changed_at = ?
                         WHERE id = ? AND version = ?""",
                        cut.name(),
                        cut.about(),
                        cut.shared(),
                        CoreJson.write(cut.cut()),
                        cut.changedAt(),
                        cut.id(),
                        cut.version())
                == 1;
    }

    public void remove(Tx tx, CutId id) {
        tx.update("DELETE FROM cut WHERE id = ?", id);
    }
}
