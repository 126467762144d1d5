package mailshelf.server.data;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.data.RowRule;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.library.Definitions;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.DueLoads;
import mailshelf.store.data.Load;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.data.LoadFiles;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.source.Source;
import mailshelf.store.source.SourceStore;
import org.springframework.stereotype.Component;

/** Reads data sets with their loads, rules and reports, for those who mind them. */
@Component
class ReadDataSets {
    private static final int LOADS_SHOWN = 20;

    private final Gate gate;
    private final Database database;
    private final DataSetStore dataSets;
    private final DueLoads dueLoads;
    private final SourceStore sources;
    private final FolderStore folders;
    private final PersonStore people;
    private final ReportStore reports;
    private final Definitions definitions;
    private final Tables tables;
    private final RuleRows ruleRows;
    private final LoadFiles files;
    private final BusinessClock clock;

    record LoadView(int no, long rows, Optional<LocalDate> figuresTo, Instant loadedAt, String sha256) {
        static LoadView of(Load load) {
            return new LoadView(load.no(), load.rows(), load.figuresTo(), load.loadedAt(), load.sha256());
        }
    }

    /**
     * A data set in the list.
     *
     * @param ruled the columns that row rules limit
     * @param ahead whether its rows reach to a day later than tomorrow
     * @param failure why the newest try to load it failed; "" where it did not
     */
    record DataSetLine(
            DataSetId id,
            FolderId folder,
            String folderName,
            String name,
            Optional<LoadView> newestLoad,
            List<String> ruled,
            boolean ahead,
            String failure,
            int reports) {}

    /**
     * A try to load it.
     *
     * @param by who asked for it; empty for one that came by itself
     * @param more rows more than in the load before it, or fewer
     * @param mayReturn whether its rows are kept still, and are not those in use
     */
    record AttemptView(
            Instant at,
            Optional<String> by,
            long millis,
            Optional<LoadView> load,
            Optional<Long> more,
            boolean mayReturn,
            String failure) {}

    record UsedBy(ReportId id, String title) {}

    /**
     * A data set, whole.
     *
     * @param source the name of the source that it comes from; "" where people send it
     * @param nextLoad when it falls due by its time, if it does
     */
    record DataSetView(
            DataSetLine line,
            String owner,
            boolean mayChange,
            List<Column> columns,
            Optional<String> dateColumn,
            LoadPlan plan,
            String source,
            Optional<Instant> nextLoad,
            List<AttemptView> attempts,
            List<RowRule> rules,
            boolean ownerView,
            List<String> personal,
            List<RuleRows.Fit> fits,
            List<UsedBy> usedBy) {}

    ReadDataSets(
            Gate gate,
            Database database,
            DataSetStore dataSets,
            DueLoads dueLoads,
            SourceStore sources,
            FolderStore folders,
            PersonStore people,
            ReportStore reports,
            Definitions definitions,
            Tables tables,
            RuleRows ruleRows,
            LoadFiles files,
            BusinessClock clock) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.dueLoads = dueLoads;
        this.sources = sources;
        this.folders = folders;
        this.people = people;
        this.reports = reports;
        this.definitions = definitions;
        this.tables = tables;
        this.ruleRows = ruleRows;
        this.files = files;
        this.clock = clock;
    }

    List<DataSetLine> list(Person who) {
        return database.inTransaction(tx -> {
            Map<DataSetId, List<UsedBy>> usedBy = usedBy(tx, who);
            return dataSets.all(tx).stream()
                    .filter(dataSet -> gate.mayMind(tx, who, dataSet))
                    .map(dataSet -> line(tx, dataSet, usedBy.getOrDefault(dataSet.id(), List.of())))
                    .toList();
        });
    }

    DataSetView one(Person who, DataSetId id) {
        return database.inTransaction(tx -> {
            DataSet dataSet = gate.mindable(tx, who, id);
            Optional<Tables.Loaded> loaded = dataSets.newestLoad(tx, id).map(load -> tables.of(dataSet, load));
            List<UsedBy> usedBy = usedBy(tx, who).getOrDefault(id, List.of());
            return new DataSetView(
                    line(tx, dataSet, usedBy),
                    people.find(tx, dataSet.owner()).orElseThrow().name(),
                    gate.access(tx, who).may(Verb.PUBLISH, dataSet.folder()),
                    dataSet.columns(),
                    dataSet.dateColumn(),
                    dataSet.plan(),
                    sourceName(tx, dataSet),
                    dueLoads.next(tx, id),
                    attempts(tx, id),
                    dataSets.rowRules(tx, id),
                    dataSet.ownerView(),
                    dataSet.personal(),
                    ruleRows.fits(tx, dataSet, loaded),
                    usedBy);
        });
    }

    private String sourceName(Tx tx, DataSet dataSet) {
        return dataSet.plan()
                .origin()
                .source()
                .flatMap(source -> sources.find(tx, source))
                .map(Source::name)
                .orElse("");
    }

    record NamedPerson(PersonId id, String name) {}

    /** Whose sight can be looked up. */
    List<NamedPerson> people(Person who, DataSetId id) {
        return database.inTransaction(tx -> {
            gate.mindable(tx, who, id);
            return people.all(tx).stream()
                    .filter(Person::active)
                    .map(person -> new NamedPerson(person.id(), person.name()))
                    .toList();
        });
    }

    /** @param usedBy the reports made of it that the asker may see */
    DataSetLine line(Tx tx, DataSet dataSet, List<UsedBy> usedBy) {
        Optional<Load> newest = dataSets.newestLoad(tx, dataSet.id());
        return new DataSetLine(
                dataSet.id(),
                dataSet.folder(),
                folders.find(tx, dataSet.folder()).orElseThrow().name(),
                dataSet.name(),
                newest.map(LoadView::of),
                dataSets.rowRules(tx, dataSet.id()).stream()
                        .map(RowRule::column)
                        .toList(),
                newest.flatMap(Load::figuresTo).filter(this::isAhead).isPresent(),
                dataSets.attempts(tx, dataSet.id(), 1).stream()
                        .map(LoadAttempt::failure)
                        .findFirst()
                        .orElse(""),
                usedBy.size());
    }

    /** A day that nobody can have figures of yet, wherever their clocks are. */
    private boolean isAhead(LocalDate day) {
        return day.isAfter(clock.instant().atZone(ZoneOffset.UTC).toLocalDate().plusDays(1));
    }

    private List<AttemptView> attempts(Tx tx, DataSetId id) {
        List<LoadAttempt> newestFirst = dataSets.attempts(tx, id, LOADS_SHOWN + 1);
        Optional<Load> inUse =
                newestFirst.stream().flatMap(attempt -> attempt.load().stream()).findFirst();
        List<AttemptView> views = new ArrayList<>();
        for (int i = 0; i < Math.min(LOADS_SHOWN, newestFirst.size()); i++) {
            LoadAttempt attempt = newestFirst.get(i);
            Optional<Load> before = newestFirst.subList(i + 1, newestFirst.size()).stream()
                    .flatMap(earlier -> earlier.load().stream())
                    .findFirst();
            views.add(new AttemptView(
                    attempt.at(),
                    attempt.by().flatMap(person -> people.find(tx, person)).map(Person::name),
                    attempt.millis(),
                    attempt.load().map(LoadView::of),
                    attempt.load().flatMap(load -> before.map(earlier -> load.rows() - earlier.rows())),
                    attempt.load()
                            .filter(load -> !inUse.equals(Optional.of(load)) && files.keeps(load))
                            .isPresent(),
                    attempt.failure()));
        }
        return views;
    }

    /** The reports that one may see, by the data set that they are made of. */
    private Map<DataSetId, List<UsedBy>> usedBy(Tx tx, Person who) {
        Gate.Access access = gate.access(tx, who);
        return reports.all(tx).stream()
                .filter(report -> access.may(Verb.SEE, report.folder()))
                .collect(Collectors.groupingBy(
                        report -> definitions.newest(tx, report).dataSet().id(),
                        Collectors.mapping(report -> new UsedBy(report.id(), report.title()), Collectors.toList())));
    }
}
