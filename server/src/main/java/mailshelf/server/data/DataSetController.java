package mailshelf.server.data;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Inspection;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.OneLine;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Data sets and their loads, for those who publish in their folders. */
@RestController
@RequestMapping("/api/v1/data-sets")
class DataSetController {
    private final Gate gate;
    private final Database database;
    private final DataSetStore dataSets;
    private final LoadRows loadRows;
    private final RuleRows ruleRows;

    /** @param dateColumn by which rows are sorted and periods cut; a mapping table needs none */
    record DataSetWish(FolderId folder, String name, List<Column> columns, Optional<String> dateColumn) {}

    record LoadView(int no, long rows, Optional<LocalDate> figuresTo, Instant loadedAt, String sha256) {
        static LoadView of(Load load) {
            return new LoadView(load.no(), load.rows(), load.figuresTo(), load.loadedAt(), load.sha256());
        }
    }

    record DataSetView(
            DataSetId id,
            FolderId folder,
            String name,
            List<Column> columns,
            Optional<String> dateColumn,
            Optional<LoadView> newestLoad) {}

    record ColumnFound(Column column, List<DateForm> dateForms, long empty) {
        static ColumnFound of(Inspection.Found found) {
            return new ColumnFound(found.column(), found.dateForms(), found.empty());
        }
    }

    /** @param firstRows as typed: plain decimals, ISO dates, texts */
    record InspectionView(
            String charset,
            String separator,
            DecimalMark decimalMark,
            List<ColumnFound> columns,
            long rowsSeen,
            List<List<String>> firstRows) {
        static InspectionView of(IncomingCsv csv) {
            Inspection seen = csv.inspection();
            return new InspectionView(
                    csv.charset().name(),
                    String.valueOf(seen.form().separator()),
                    seen.form().decimalMark(),
                    seen.columns().stream().map(ColumnFound::of).toList(),
                    seen.rows(),
                    seen.firstRows());
        }
    }

    DataSetController(Gate gate, Database database, DataSetStore dataSets, LoadRows loadRows, RuleRows ruleRows) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.loadRows = loadRows;
        this.ruleRows = ruleRows;
    }

    @GetMapping
    List<DataSetView> list(Person who) {
        return database.inTransaction(tx -> dataSets.all(tx).stream()
                .filter(dataSet -> gate.mayMind(tx, who, dataSet))
                .map(dataSet -> view(dataSet, dataSets.newestLoad(tx, dataSet.id())))
                .toList());
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    DataSetView post(Person who, @RequestBody DataSetWish wish) {
        database.doInTransaction(tx -> gate.requirePublish(tx, who, wish.folder()));
        if (!OneLine.isName(wish.name())
                || !wish.columns().stream().map(Column::name).allMatch(OneLine::isName)) {
            throw Problem.invalid("data.bad-name", OneLine.LONGEST_NAME);
        }
        wish.dateColumn().ifPresent(name -> {
            if (wish.columns().stream()
                    .noneMatch(column ->
                            column.type() == ColumnType.DATE && column.name().equals(name))) {
                throw Problem.invalid("data.no-date-column", name);
            }
        });
        return database.inTransaction(tx -> {
            if (dataSets.byName(tx, wish.name()).isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "data.name-taken", wish.name());
            }
            DataSetId id = dataSets.insert(tx, wish.folder(), wish.name(), wish.columns(), wish.dateColumn());
            return view(dataSets.find(tx, id).orElseThrow(), Optional.empty());
        });
    }

    /**
     * The body is CSV with a line of names; how it is written is found out.
     *
     * @param dates which form days are in that fit several
     */
    @PostMapping("/{id}/loads")
    @ResponseStatus(HttpStatus.CREATED)
    LoadView load(
            Person who,
            @PathVariable DataSetId id,
            @RequestParam(defaultValue = "REPLACE") LoadRows.Mode mode,
            @RequestParam Optional<DateForm> dates,
            HttpServletRequest request)
            throws IOException {
        return LoadView.of(loadRows.run(who, id, mode, dates, request.getInputStream()));
    }

    @PutMapping("/{id}/row-rules")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rule(Person who, @PathVariable DataSetId id, @RequestBody RuleRows.Wish wish) {
        ruleRows.put(who, id, wish);
    }

    /** What the row rules let one person see. */
    @GetMapping("/{id}/sights/{person}")
    RuleRows.Sight sight(Person who, @PathVariable DataSetId id, @PathVariable PersonId person) {
        return ruleRows.sight(who, id, person);
    }

    /** What a CSV file, sent as the body, looks like; nothing is kept of it. */
    @PostMapping("/inspections")
    InspectionView inspect(Person who, @RequestParam FolderId folder, HttpServletRequest request) throws IOException {
        database.doInTransaction(tx -> gate.requirePublish(tx, who, folder));
        return InspectionView.of(new IncomingCsv(request.getInputStream()));
    }

    private static DataSetView view(DataSet dataSet, Optional<Load> load) {
        return new DataSetView(
                dataSet.id(),
                dataSet.folder(),
                dataSet.name(),
                dataSet.columns(),
                dataSet.dateColumn(),
                load.map(LoadView::of));
    }
}
