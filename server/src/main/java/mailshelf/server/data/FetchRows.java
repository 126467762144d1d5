package mailshelf.server.data;

import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.time.InstantSource;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.data.BadValue;
import mailshelf.core.data.Column;
import mailshelf.core.data.LoadMode;
import mailshelf.core.data.TableBuilder;
import mailshelf.core.data.csv.CsvTable;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DueLoads;
import mailshelf.store.source.Databases;
import mailshelf.store.source.Query;
import mailshelf.store.source.Source;
import mailshelf.store.source.SourceRoots;
import mailshelf.store.source.SourceStore;
import mailshelf.store.source.WatchedFolder;
import org.springframework.stereotype.Component;

/** Gets the rows of data sets from where their plans say. */
@Component
class FetchRows {
    private static final int MOST_FAULTS_TOLD = 20;

    private final Database database;
    private final SourceStore sources;
    private final DueLoads dueLoads;
    private final Databases databases;
    private final SourceRoots roots;
    private final LoadSize size;
    private final InstantSource machineClock;

    FetchRows(
            Database database,
            SourceStore sources,
            DueLoads dueLoads,
            Databases databases,
            SourceRoots roots,
            LoadSize size,
            InstantSource machineClock) {
        this.database = database;
        this.sources = sources;
        this.dueLoads = dueLoads;
        this.databases = databases;
        this.roots = roots;
        this.size = size;
        this.machineClock = machineClock;
    }

    /** All that its source has for it at this moment. */
    Incoming all(DataSet dataSet) {
        return switch (dataSet.plan().origin().kind()) {
            case SENT -> throw new Problem(Problem.Kind.CONFLICT, "data.sent-by-people", dataSet.name());
            case QUERY -> rows -> addQuery(dataSet, rows);
            case FOLDER -> newestFile(dataSet);
        };
    }

    private void addQuery(DataSet dataSet, TableBuilder rows) {
        List<Column> columns = dataSet.columns();
        List<Problem.Fault> faults = new ArrayList<>();
        long bytes = 0;
        try (Query query =
                databases.ask(source(dataSet), dataSet.plan().origin().ask())) {
            int[] positions = positions(query.names(), columns);
            for (int row = 1; query.next() && faults.size() < MOST_FAULTS_TOLD; row++) {
                List<String> values = IntStream.range(0, positions.length)
                        .mapToObj(i -> query.value(positions[i], columns.get(i)))
                        .toList();
                bytes += values.stream().mapToLong(String::length).sum();
                size.require(bytes);
                int bad = rows.add(values);
                if (bad >= 0) {
                    faults.add(BadValue.fault("row " + row, columns.get(bad), values.get(bad)));
                }
            }
        }
        if (!faults.isEmpty()) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "source.bad-rows",
                    faults,
                    faults.get(0).message());
        }
    }

    private static int[] positions(List<String> names, List<Column> columns) {
        int[] positions = columns.stream()
                .mapToInt(column -> names.indexOf(column.name()))
                .toArray();
        for (int i = 0; i < positions.length; i++) {
            if (positions[i] < 0) {
                throw Problem.invalid("source.no-column", columns.get(i).name(), String.join(", ", names));
            }
        }
        return positions;
    }

    Source source(DataSet dataSet) {
        return database.inTransaction(tx ->
                sources.find(tx, dataSet.plan().origin().source().orElseThrow()).orElseThrow());
    }

    /** Looked for when it is wanted, so that its absence is the failure of a load. */
    private Incoming newestFile(DataSet dataSet) {
        return new Incoming() {
            private Optional<Incoming> file = Optional.empty();

            @Override
            public void addTo(TableBuilder rows) throws IOException {
                WatchedFolder.Found newest = newest(dataSet);
                requireStill(newest);
                requireNew(dataSet, newest);
                file = Optional.of(file(dataSet, newest));
                file.get().addTo(rows);
            }

            @Override
            public void recorded(Tx tx, Outcome outcome) {
                file.ifPresent(found -> found.recorded(tx, outcome));
            }
        };
    }

    private WatchedFolder.Found newest(DataSet dataSet) {
        Source source = source(dataSet);
        String names = dataSet.plan().origin().ask();
        List<WatchedFolder.Found> found = new WatchedFolder(source, roots).files(names);
        if (found.isEmpty()) {
            throw Problem.invalid("source.no-file", names, source.name());
        }
        return found.get(found.size() - 1);
    }

    /** Somebody may be at it still; by its time stamp, as nobody looked at it before. */
    private void requireStill(WatchedFolder.Found file) {
        Duration old = Duration.between(file.state().modifiedAt(), machineClock.instant());
        if (!old.isNegative() && old.compareTo(WatchedFolder.SETTLING) < 0) {
            throw stillWritten(file);
        }
    }

    /** Rows that are added must not be added twice. */
    private void requireNew(DataSet dataSet, WatchedFolder.Found file) {
        boolean adds = dataSet.plan().mode() == LoadMode.APPEND;
        if (adds && database.inTransaction(tx -> dueLoads.isLoaded(tx, dataSet.id(), file.state()))) {
            throw new Problem(
                    Problem.Kind.CONFLICT, "source.nothing-new", file.state().name(), dataSet.name());
        }
    }

    private static Problem stillWritten(WatchedFolder.Found file) {
        return new Problem(
                Problem.Kind.CONFLICT, "source.still-written", file.state().name(), WatchedFolder.SETTLING.toSeconds());
    }

    /** A file that is whole, and is kept as taken with its load. */
    Incoming file(DataSet dataSet, WatchedFolder.Found file) {
        return new Incoming() {
            @Override
            public void addTo(TableBuilder rows) throws IOException {
                size.require(file.state().sizeBytes());
                try (InputStream in = WatchedFolder.open(file.path())) {
                    IncomingCsv csv =
                            new IncomingCsv(in, ZoneOffset.UTC, dataSet.plan().meant());
                    CsvTable.read(csv.reader(), csv.form(dataSet.columns()), dataSet.columns(), rows);
                }
                if (!WatchedFolder.found(file.path()).equals(Optional.of(file))) {
                    throw stillWritten(file);
                }
            }

            @Override
            public void recorded(Tx tx, Outcome outcome) {
                if (outcome != Outcome.BLOCKED) {
                    dueLoads.take(tx, dataSet.id(), file.state(), outcome == Outcome.LOADED);
                }
            }
        };
    }

    /** The files that arrived and have not been taken as they are; of several, the last alone where it replaces all. */
    List<WatchedFolder.Found> arrived(DataSet dataSet) {
        List<WatchedFolder.Found> files = new WatchedFolder(source(dataSet), roots)
                .files(dataSet.plan().origin().ask());
        var taken = database.inTransaction(tx -> dueLoads.taken(tx, dataSet.id()));
        if (dataSet.plan().mode() == LoadMode.REPLACE && !files.isEmpty()) {
            files = files.subList(files.size() - 1, files.size());
        }
        return files.stream().filter(file -> !taken.contains(file.state())).toList();
    }
}
