package mailshelf.server.data;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.Optional;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.rights.Person;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadFiles;
import org.springframework.stereotype.Component;

/** Loads rows from CSV as a new version of a data set, whole or not at all. One load at a time. */
@Component
class LoadRows {
    private final Gate gate;
    private final Database database;
    private final DataSetStore dataSets;
    private final LoadFiles files;
    private final Tables tables;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /** Whether the rows take the place of those before or are added to them. */
    enum Mode {
        REPLACE,
        APPEND
    }

    LoadRows(
            Gate gate,
            Database database,
            DataSetStore dataSets,
            LoadFiles files,
            Tables tables,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.files = files;
        this.tables = tables;
        this.clock = clock;
        this.audit = audit;
    }

    /** @param meant which form days are in that fit several */
    synchronized Load run(Person who, DataSetId id, Mode mode, Optional<DateForm> meant, InputStream body)
            throws IOException {
        DataSet dataSet = database.inTransaction(tx -> gate.publishable(tx, who, id));
        Optional<Load> before = database.inTransaction(tx -> dataSets.newestLoad(tx, id));
        TableBuilder rows = mode == Mode.APPEND && before.isPresent()
                ? TableBuilder.from(tables.newest(dataSet).slicing().table())
                : new TableBuilder(dataSet.columns(), dataSet.dateColumn());
        IncomingCsv csv = new IncomingCsv(body);
        CsvTable.read(csv.reader(), csv.form(dataSet.columns(), meant), dataSet.columns(), rows);
        Table table = rows.build();
        int no = before.map(Load::no).orElse(0) + 1;
        String sha256 = files.write(id, no, table);
        Instant now = clock.instant();
        Load load = database.inTransaction(tx -> {
            LoadId made = dataSets.insertLoad(tx, id, no, sha256, table.rows(), table.lastDay(), now);
            Thing thing = Thing.of(Thing.Kind.DATA_SET, id, dataSet.name());
            String rowsBefore = before.map(b -> b.rows() + " rows").orElse("");
            audit.keep(tx, who, Act.DATA_LOADED, thing, rowsBefore, table.rows() + " rows, load " + no);
            return dataSets.findLoad(tx, made).orElseThrow();
        });
        tables.put(dataSet, new Tables.Loaded(load, new Slicing(table)));
        files.removeOlderThan(id, no);
        return load;
    }
}
