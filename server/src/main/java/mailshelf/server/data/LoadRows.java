package mailshelf.server.data;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
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
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.data.LoadFiles;
import mailshelf.store.people.NoticeStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Loads rows from CSV as a new version of a data set, whole or not at all. One load at a time. */
@Component
class LoadRows {
    private static final Words HOUSE = Words.in(Locale.ENGLISH);
    private static final int MOST_FAULTS_TOLD = 3;
    private static final int LONGEST_FAILURE = 2000;

    private final Gate gate;
    private final Database database;
    private final DataSetStore dataSets;
    private final LoadFiles files;
    private final PersonStore people;
    private final NoticeStore notices;
    private final HouseSettings settings;
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
            PersonStore people,
            NoticeStore notices,
            HouseSettings settings,
            Tables tables,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.files = files;
        this.people = people;
        this.notices = notices;
        this.settings = settings;
        this.tables = tables;
        this.clock = clock;
        this.audit = audit;
    }

    /**
     * A load that fails leaves the one before it in use, and is told where its figures are read.
     *
     * @param meant which form days are in that fit several
     */
    synchronized Load run(Person who, DataSetId id, Mode mode, Optional<DateForm> meant, InputStream body)
            throws IOException {
        DataSet dataSet = database.inTransaction(tx -> gate.publishable(tx, who, id));
        long begun = System.nanoTime();
        try {
            return load(who, dataSet, mode, meant, body, begun);
        } catch (RuntimeException | IOException e) {
            LoadAttempt failed =
                    new LoadAttempt(clock.instant(), who.id(), millis(begun), Optional.empty(), failure(e));
            database.doInTransaction(tx -> {
                dataSets.insertAttempt(tx, id, failed);
                tellOwner(tx, who, dataSet, failed);
            });
            throw e;
        }
    }

    private Load load(Person who, DataSet dataSet, Mode mode, Optional<DateForm> meant, InputStream body, long begun)
            throws IOException {
        DataSetId id = dataSet.id();
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
            Load kept = dataSets.findLoad(tx, made).orElseThrow();
            dataSets.insertAttempt(tx, id, new LoadAttempt(now, who.id(), millis(begun), Optional.of(kept), ""));
            return kept;
        });
        tables.put(dataSet, new Tables.Loaded(load, new Slicing(table)));
        files.removeOlderThan(id, no);
        return load;
    }

    private static long millis(long begun) {
        return Duration.ofNanos(System.nanoTime() - begun).toMillis();
    }

    /** Unless he loads himself, by hand: then he is told at once. */
    private void tellOwner(Tx tx, Person who, DataSet dataSet, LoadAttempt attempt) {
        if (dataSet.owner().equals(who.id())) {
            return;
        }
        Person owner = people.find(tx, dataSet.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String link = settings.baseUrl() + "/data/" + dataSet.id().value();
        notices.insert(
                tx,
                owner.id(),
                words.say("notice.load-failed.subject", dataSet.name()),
                words.say("notice.load-failed.body", who.name(), dataSet.name(), attempt.failure(), link),
                attempt.at());
    }

    /** In the language of the house, as everybody reads it who reads the figures. */
    private static String failure(Exception e) {
        if (!(e instanceof Problem problem)) {
            return HOUSE.say("load.failed");
        }
        String faults = problem.faults().stream()
                .limit(MOST_FAULTS_TOLD)
                .map(Problem.Fault::message)
                .collect(Collectors.joining("; "));
        String said = problem.sentences(HOUSE).get(0);
        String whole = faults.isEmpty() || said.contains(faults) ? said : said + " " + faults;
        return whole.length() > LONGEST_FAILURE ? whole.substring(0, LONGEST_FAILURE) : whole;
    }
}
