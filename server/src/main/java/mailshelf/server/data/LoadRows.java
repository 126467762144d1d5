package mailshelf.server.data;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadChange;
import mailshelf.core.data.LoadId;
import mailshelf.core.data.LoadMode;
import mailshelf.core.data.Slicing;
import mailshelf.core.data.Table;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.rights.Person;
import mailshelf.core.wording.Shortened;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.Alarm;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.http.Languages;
import mailshelf.server.notice.Notices;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.Widths;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.data.LoadFiles;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.people.PersonStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Loads rows as a new version of a data set, whole or not at all. Few at a time, as each holds its rows in memory; whoever
 * calls has claimed the data set ({@link LoadClaims}).
 */
@Component
class LoadRows {
    private static final Logger LOG = LoggerFactory.getLogger(LoadRows.class);
    private final Words house = Words.in(Locale.ENGLISH);
    private static final int MOST_FAULTS_TOLD = 3;
    private static final int AT_ONCE = 2;

    private final Database database;
    private final DataSetStore dataSets;
    private final LoadFiles files;
    private final RunStore runs;
    private final PersonStore people;
    private final Notices notices;
    private final HouseSettings settings;
    private final Tables tables;
    private final BusinessClock clock;
    private final AfterLoads afterLoads;
    private final Alarm alarm;
    private final AuditTrail audit;
    private final Semaphore room = new Semaphore(AT_ONCE, true);

    LoadRows(
            Database database,
            DataSetStore dataSets,
            LoadFiles files,
            RunStore runs,
            PersonStore people,
            Notices notices,
            HouseSettings settings,
            Tables tables,
            BusinessClock clock,
            AfterLoads afterLoads,
            Alarm alarm,
            AuditTrail audit) {
        this.database = database;
        this.dataSets = dataSets;
        this.files = files;
        this.runs = runs;
        this.people = people;
        this.notices = notices;
        this.settings = settings;
        this.tables = tables;
        this.clock = clock;
        this.afterLoads = afterLoads;
        this.alarm = alarm;
        this.audit = audit;
    }

    /**
     * A load that fails leaves the one before it in use, and is told where its figures are read.
     *
     * @param who asks for it; empty for one that comes by itself
     * @param confirmed whether somebody has said that it may lose most rows, or repeat some
     */
    Load run(Optional<Person> who, DataSet dataSet, LoadMode mode, boolean confirmed, Incoming incoming)
            throws IOException {
        room.acquireUninterruptibly();
        long begun = System.nanoTime();
        try {
            return load(who, dataSet, mode, confirmed, incoming, begun);
        } catch (RuntimeException | IOException | StackOverflowError | LinkageError e) {
            if (!(e instanceof Problem)) {
                LOG.error("A load of {} failed", dataSet.id(), e);
            }
            LoadAttempt failed =
                    new LoadAttempt(clock.instant(), who.map(Person::id), millis(begun), Optional.empty(), failure(e));
            boolean blocked = StoreException.isDisk(e);
            database.doInTransaction(tx -> {
                boolean isNews = isNews(tx, dataSet, failed);
                if (isNews) {
                    tellOwner(tx, who, dataSet, failed);
                }
                if (isNews || !blocked) { // what is blocked is tried again every few seconds
                    dataSets.insertAttempt(tx, dataSet.id(), failed);
                }
                incoming.recorded(tx, blocked ? Incoming.Outcome.BLOCKED : Incoming.Outcome.FAILED);
            });
            alarm.ring();
            throw e;
        } finally {
            room.release();
        }
    }

    private Load load(
            Optional<Person> who, DataSet dataSet, LoadMode mode, boolean confirmed, Incoming incoming, long begun)
            throws IOException {
        DataSetId id = dataSet.id();
        Optional<Load> before = database.inTransaction(tx -> dataSets.newestLoad(tx, id));
        TableBuilder rows = new TableBuilder(dataSet.columns(), dataSet.dateColumn());
        incoming.addTo(rows);
        Table table = mode == LoadMode.APPEND && before.isPresent()
                ? added(tables.newest(dataSet).slicing().table(), rows.build(), confirmed)
                : rows.build();
        if (!confirmed && mode == LoadMode.REPLACE) {
            LoadChange.requireReplaces(
                    before.map(Load::rows).orElse(0L),
                    table.rows(),
                    dataSet.plan().mostLost());
        }
        int no = before.map(Load::no).orElse(0) + 1;
        String sha256 = files.write(id, no, table);
        Instant now = clock.instant();
        Load load = database.inTransaction(tx -> {
            LoadId made = dataSets.insertLoad(tx, id, no, sha256, table.rows(), table.lastDay(), now);
            keepInTrail(tx, who, dataSet, before, table.rows() + " rows, load " + no + incoming.asBefore());
            Load kept = dataSets.findLoad(tx, made).orElseThrow();
            dataSets.insertAttempt(
                    tx, id, new LoadAttempt(now, who.map(Person::id), millis(begun), Optional.of(kept), ""));
            incoming.recorded(tx, Incoming.Outcome.LOADED);
            afterLoads.loaded(tx, dataSet.id(), now);
            return kept;
        });
        alarm.ring();
        tables.put(dataSet, new Tables.Loaded(load, new Slicing(table)));
        files.removeOlderThan(id, no, database.inTransaction(tx -> runs.loadsToBeMadeFrom(tx, id)));
        return load;
    }

    /**
     * Puts the rows of an earlier load in use again, as a load of their own.
     *
     * @throws Problem {@code data.load-in-use} for the newest one, {@code data.load-missing} for one that is kept no more
     */
    Load again(Person who, DataSet dataSet, int no) throws IOException {
        Load earlier = database.inTransaction(tx -> {
            if (dataSets.newestLoad(tx, dataSet.id())
                    .filter(load -> load.no() == no)
                    .isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "data.load-in-use", Integer.toString(no), dataSet.name());
            }
            return dataSets.findLoad(tx, dataSet.id(), no).orElseThrow(Problem::notFound);
        });
        files.requireKept(dataSet, earlier);
        return run(Optional.of(who), dataSet, LoadMode.REPLACE, true, new EarlierRows(files, dataSet, earlier));
    }

    private static Table added(Table before, Table more, boolean confirmed) {
        if (!confirmed) {
            LoadChange.requireAdds(before, more);
        }
        TableBuilder all = TableBuilder.from(before);
        all.addAll(more);
        return all.build();
    }

    private void keepInTrail(Tx tx, Optional<Person> who, DataSet dataSet, Optional<Load> before, String after) {
        Thing thing = Thing.of(Thing.Kind.DATA_SET, dataSet.id(), dataSet.name());
        String rowsBefore = before.map(load -> load.rows() + " rows").orElse("");
        if (who.isPresent()) {
            audit.keep(tx, who.get(), Act.DATA_LOADED, thing, rowsBefore, after);
        } else {
            audit.keepOfNobody(tx, house.say("audit.house"), Act.DATA_LOADED, thing, rowsBefore, after);
        }
    }

    private static long millis(long begun) {
        return Duration.ofNanos(System.nanoTime() - begun).toMillis();
    }

    /** What failed in the same way before has been told. */
    private boolean isNews(Tx tx, DataSet dataSet, LoadAttempt failed) {
        return dataSets.attempts(tx, dataSet.id(), 1).stream()
                .noneMatch(last -> last.failure().equals(failed.failure()));
    }

    /** Unless he loads himself, by hand: then he is told at once. */
    private void tellOwner(Tx tx, Optional<Person> who, DataSet dataSet, LoadAttempt attempt) {
        if (who.map(Person::id).equals(Optional.of(dataSet.owner()))) {
            return;
        }
        Person owner = people.find(tx, dataSet.owner()).orElseThrow();
        Words words = Words.in(Languages.supported(owner.locale()));
        String link = settings.baseUrl() + "/data/" + dataSet.id().value();
        String by = who.map(Person::name).orElseGet(() -> words.say("load.by-itself"));
        notices.tell(
                tx,
                owner.id(),
                words.say("notice.load-failed.subject", dataSet.name()),
                words.say("notice.load-failed.body", by, dataSet.name(), attempt.failure(), link));
    }

    /** In the language of the house, as everybody reads it who reads the figures. */
    private String failure(Throwable e) {
        if (StoreException.isDisk(e)) {
            return house.say("load.blocked");
        }
        if (!(e instanceof Problem problem)) {
            return house.say("load.failed");
        }
        String faults = problem.faults().stream()
                .limit(MOST_FAULTS_TOLD)
                .map(Problem.Fault::message)
                .collect(Collectors.joining("; "));
        String said = problem.sentences(house).get(0);
        String whole = faults.isEmpty() || said.contains(faults) ? said : said + " " + faults;
        return Shortened.to(Widths.REASON, whole);
    }
}
