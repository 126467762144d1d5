package mailshelf.store.data;

import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.data.AttemptId;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.data.RowRule;
import mailshelf.core.data.SourceId;
import mailshelf.core.json.CoreJson;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Shortened;
import mailshelf.store.Row;
import mailshelf.store.Tx;
import mailshelf.store.Widths;

/** Data sets and the record of their loads; the rows themselves are files. */
public final class DataSetStore {
    private static final String DATA_SET =
            "SELECT id, folder, owner, name, columns, date_column, owner_view, personal, plan, removed_at FROM data_set";
    private static final String LOAD = "SELECT id, data_set, no, sha256, row_count, figures_to, loaded_at FROM load";

    private static final String ATTEMPT = """
            SELECT a.at, a.by_person, a.millis, a.load, a.failure,
                   l.data_set, l.no, l.sha256, l.row_count, l.figures_to, l.loaded_at
              FROM load_attempt a
              LEFT JOIN load l ON l.id = a.load
            """;

    private static DataSet dataSet(Row row) {
        return new DataSet(
                new DataSetId(row.number("id")),
                new FolderId(row.number("folder")),
                new PersonId(row.number("owner")),
                row.text("name"),
                List.of(CoreJson.read(row.text("columns"), Column[].class)),
                row.optionalText("date_column"),
                row.flag("owner_view"),
                List.of(CoreJson.read(row.text("personal"), String[].class)),
                CoreJson.read(row.text("plan"), LoadPlan.class),
                row.optionalInstant("removed_at").isPresent());
    }

    private static Load load(Row row) {
        return load(row, row.number("id"));
    }

    private static Load load(Row row, long id) {
        return new Load(
                new LoadId(id),
                new DataSetId(row.number("data_set")),
                row.integer("no"),
                row.text("sha256"),
                row.number("row_count"),
                row.optionalDay("figures_to"),
                row.instant("loaded_at"));
    }

    private static LoadAttempt attempt(Row row) {
        return new LoadAttempt(
                row.instant("at"),
                row.optionalNumber("by_person").map(PersonId::new),
                row.number("millis"),
                row.optionalNumber("load").map(id -> load(row, id)),
                row.text("failure"));
    }

    /** Those that are offered. */
    public List<DataSet> all(Tx tx) {
        return Alphabet.sorted(
                tx.listReadable(DATA_SET + " WHERE removed_at IS NULL", DataSetStore::dataSet), DataSet::name);
    }

    /** Those that come from a source. */
    public List<DataSet> fromSources(Tx tx) {
        return Alphabet.sorted(
                tx.listReadable(DATA_SET + " WHERE source IS NOT NULL AND removed_at IS NULL", DataSetStore::dataSet),
                DataSet::name);
    }

    /** Those that come from one. */
    public List<DataSet> of(Tx tx, SourceId source) {
        return Alphabet.sorted(
                tx.listReadable(DATA_SET + " WHERE source = ? AND removed_at IS NULL", DataSetStore::dataSet, source),
                DataSet::name);
    }

    public Optional<DataSet> find(Tx tx, DataSetId id) {
        return tx.one(DATA_SET + " WHERE id = ?", DataSetStore::dataSet, id);
    }

    /** By its name, or by one that it had before; also one that is removed. */
    public Optional<DataSet> byName(Tx tx, String name) {
        return tx.one(
                DATA_SET + " WHERE name = ? OR id = (SELECT data_set FROM former_name f WHERE f.name = ?)",
                DataSetStore::dataSet,
                name,
                name);
    }

    /** Its name from now on, by which it is found as by the one before; and the folder that it stands in. */
    public void place(Tx tx, DataSet before, String name, FolderId folder) {
        if (!name.equals(before.name())) {
            tx.update("DELETE FROM former_name WHERE name = ? AND data_set = ?", name, before.id());
            tx.update("INSERT INTO former_name (name, data_set) VALUES (?, ?)", before.name(), before.id());
        }
        tx.update("UPDATE data_set SET name = ?, folder = ? WHERE id = ?", name, folder, before.id());
    }

    /** It is offered and loaded no more; its loads stay for the issues that were made of them. */
    public void remove(Tx tx, DataSetId id, Instant at) {
        tx.update("UPDATE data_set SET removed_at = ?, source = NULL WHERE id = ?", at, id);
    }

    /** The data sets whose rules take a data set as their mapping table. */
    public List<DataSet> ruledBy(Tx tx, DataSetId mapping) {
        return Alphabet.sorted(
                tx.listReadable(
                        DATA_SET + " WHERE id IN (SELECT data_set FROM row_rule WHERE mapping = ?)",
                        DataSetStore::dataSet,
                        mapping),
                DataSet::name);
    }

    public DataSetId insert(
            Tx tx,
            FolderId folder,
            PersonId owner,
            String name,
            List<Column> columns,
            Optional<String> dateColumn,
            LoadPlan plan) {
        return new DataSetId(tx.insert(
                """
                INSERT INTO data_set (folder, owner, name, columns, date_column, plan, source)
                VALUES (?, ?, ?, ?, ?, ?, ?)""",
                folder,
                owner,
                name,
                CoreJson.write(columns),
                dateColumn,
                CoreJson.write(plan),
                plan.origin().source()));
    }

    public void plan(Tx tx, DataSetId id, LoadPlan plan) {
        tx.update(
                "UPDATE data_set SET plan = ?, source = ? WHERE id = ?",
                CoreJson.write(plan),
                plan.origin().source(),
                id);
    }

    /** Says which of its columns are personal. */
    public void personal(Tx tx, DataSetId id, List<String> columns) {
        tx.update("UPDATE data_set SET personal = ? WHERE id = ?", CoreJson.write(columns), id);
    }

    public List<RowRule> rowRules(Tx tx, DataSetId dataSet) {
        return tx.list(
                """
                SELECT column_name, mapping, who_column, values_column
                  FROM row_rule
                 WHERE data_set = ?
                 ORDER BY column_name""",
                row -> new RowRule(
                        row.text("column_name"),
                        new DataSetId(row.number("mapping")),
                        row.text("who_column"),
                        row.text("values_column")),
                dataSet);
    }

    /** Takes the place of all rules that there were. */
    public void rule(Tx tx, DataSetId dataSet, List<RowRule> rules, boolean ownerView) {
        tx.update("UPDATE data_set SET owner_view = ? WHERE id = ?", ownerView, dataSet);
        tx.update("DELETE FROM row_rule WHERE data_set = ?", dataSet);
        tx.updateEach(
                "INSERT INTO row_rule (data_set, column_name, mapping, who_column, values_column) VALUES (?, ?, ?, ?, ?)",
                rules.stream()
                        .map(rule -> new Object[] {dataSet, rule.column(), rule.mapping(), rule.who(), rule.values()})
                        .toList());
    }

    public Optional<Load> newestLoad(Tx tx, DataSetId dataSet) {
        return tx.one(
                LOAD + " WHERE data_set = ? ORDER BY no DESC FETCH FIRST 1 ROW ONLY", DataSetStore::load, dataSet);
    }

    /** When the rows of each were last loaded. */
    public Map<DataSetId, Instant> newestLoads(Tx tx) {
        Map<DataSetId, Instant> newest = new HashMap<>();
        tx.list(
                "SELECT data_set, MAX(loaded_at) AS at FROM load GROUP BY data_set",
                row -> newest.put(new DataSetId(row.number("data_set")), row.instant("at")));
        return newest;
    }

    /** Its last try to load, where that failed. */
    public Optional<LoadAttempt> failedLast(Tx tx, DataSetId dataSet) {
        return attempts(tx, dataSet, 1).stream().filter(LoadAttempt::hasFailed).findFirst();
    }

    /** The newest tries, newest first. */
    public List<LoadAttempt> attempts(Tx tx, DataSetId dataSet, int most) {
        return tx.list(
                ATTEMPT + " WHERE a.data_set = ? ORDER BY a.id DESC FETCH FIRST ? ROWS ONLY",
                DataSetStore::attempt,
                dataSet,
                most);
    }

    /** Its newest try, which later ones come after; empty where none was made. */
    public Optional<AttemptId> newestAttempt(Tx tx, DataSetId dataSet) {
        return tx.one(
                        "SELECT MAX(id) AS id FROM load_attempt WHERE data_set = ?",
                        row -> row.optionalNumber("id").map(AttemptId::new),
                        dataSet)
                .flatMap(id -> id);
    }

    public void insertAttempt(Tx tx, DataSetId dataSet, LoadAttempt attempt) {
        tx.insert(
                """
                INSERT INTO load_attempt (data_set, at, by_person, millis, load, failure)
                VALUES (?, ?, ?, ?, ?, ?)""",
                dataSet,
                attempt.at(),
                attempt.by(),
                attempt.millis(),
                attempt.load().map(Load::id),
                Shortened.to(Widths.REASON, attempt.failure()));
    }

    public Optional<Load> findLoad(Tx tx, DataSetId dataSet, int no) {
        return tx.one(LOAD + " WHERE data_set = ? AND no = ?", DataSetStore::load, dataSet, no);
    }

    public Optional<Load> findLoad(Tx tx, LoadId id) {
        return tx.one(LOAD + " WHERE id = ?", DataSetStore::load, id);
    }

    public LoadId insertLoad(
            Tx tx, DataSetId dataSet, int no, String sha256, long rows, Optional<LocalDate> figuresTo, Instant at) {
        return new LoadId(tx.insert("""
                INSERT INTO load (data_set, no, sha256, row_count, figures_to, loaded_at)
                VALUES (?, ?, ?, ?, ?, ?)""", dataSet, no, sha256, rows, figuresTo, at));
    }
}
