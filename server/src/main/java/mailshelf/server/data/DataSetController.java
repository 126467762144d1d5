package mailshelf.server.data;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.Column;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.csv.DateForm;
import mailshelf.core.data.csv.DecimalMark;
import mailshelf.core.data.csv.Inspection;
import mailshelf.core.json.CoreJson;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSetStore;
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
    private final ReadDataSets read;
    private final LoadRows loadRows;
    private final RuleRows ruleRows;
    private final AuditTrail audit;

    /** @param dateColumn by which rows are sorted and periods cut; a mapping table needs none */
    record DataSetWish(FolderId folder, String name, List<Column> columns, Optional<String> dateColumn) {}

    record ColumnFound(Column column, List<DateForm> dateForms, long empty) {
        static ColumnFound of(Inspection.Found found) {
            return new ColumnFound(found.column(), found.dateForms(), found.empty());
        }
    }

    /** @param firstRows as they would be kept */
    record InspectionView(
            String charset,
            String separator,
            DecimalMark decimalMark,
            List<ColumnFound> columns,
            long rowsSeen,
            List<List<Inspection.TypedValue>> firstRows) {
        static InspectionView of(IncomingCsv csv, Optional<List<Column>> types, Optional<DateForm> dates) {
            Inspection seen = csv.inspection();
            List<Column> found =
                    seen.columns().stream().map(Inspection.Found::column).toList();
            return new InspectionView(
                    csv.charset().name(),
                    String.valueOf(seen.form().separator()),
                    seen.form().decimalMark(),
                    seen.columns().stream().map(ColumnFound::of).toList(),
                    seen.rows(),
                    seen.typed(types.filter(some -> some.size() == found.size()).orElse(found), dates));
        }
    }

    DataSetController(
            Gate gate,
            Database database,
            DataSetStore dataSets,
            ReadDataSets read,
            LoadRows loadRows,
            RuleRows ruleRows,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.read = read;
        this.loadRows = loadRows;
        this.ruleRows = ruleRows;
        this.audit = audit;
    }

    @GetMapping
    List<ReadDataSets.DataSetLine> list(Person who) {
        return read.list(who);
    }

    @GetMapping("/{id}")
    ReadDataSets.DataSetView one(Person who, @PathVariable DataSetId id) {
        return read.one(who, id);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    ReadDataSets.DataSetLine post(Person who, @RequestBody DataSetWish wish) {
        database.doInTransaction(tx -> gate.requirePublish(tx, who, wish.folder()));
        requireColumns(wish);
        return database.inTransaction(tx -> {
            if (dataSets.byName(tx, wish.name()).isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "data.name-taken", wish.name());
            }
            DataSetId id = dataSets.insert(tx, wish.folder(), who.id(), wish.name(), wish.columns(), wish.dateColumn());
            audit.keep(tx, who, Act.DATA_SET_MADE, Thing.of(Thing.Kind.DATA_SET, id, wish.name()));
            return read.line(tx, dataSets.find(tx, id).orElseThrow(), List.of());
        });
    }

    private static void requireColumns(DataSetWish wish) {
        if (!OneLine.isName(wish.name())
                || !wish.columns().stream().map(Column::name).allMatch(OneLine::isName)) {
            throw Problem.invalid("data.bad-name", OneLine.LONGEST_NAME);
        }
        Set<String> names = new HashSet<>();
        for (Column column : wish.columns()) {
            if (!names.add(column.name())) {
                throw Problem.invalid("data.column-twice", column.name());
            }
        }
        wish.dateColumn().ifPresent(name -> {
            boolean isDate = wish.columns().stream()
                    .anyMatch(column ->
                            column.type() == ColumnType.DATE && column.name().equals(name));
            if (!isDate) {
                throw Problem.invalid("data.no-date-column", name);
            }
        });
    }

    /**
     * The body is CSV with a line of names; how it is written is found out.
     *
     * @param dates which form days are in that fit several
     */
    @PostMapping("/{id}/loads")
    @ResponseStatus(HttpStatus.CREATED)
    ReadDataSets.LoadView load(
            Person who,
            @PathVariable DataSetId id,
            @RequestParam(defaultValue = "REPLACE") LoadRows.Mode mode,
            @RequestParam Optional<DateForm> dates,
            HttpServletRequest request)
            throws IOException {
        return ReadDataSets.LoadView.of(loadRows.run(who, id, mode, dates, request.getInputStream()));
    }

    @PutMapping("/{id}/row-rules")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rule(Person who, @PathVariable DataSetId id, @RequestBody RuleRows.RowRulesWish wish) {
        ruleRows.put(who, id, wish);
    }

    @GetMapping("/{id}/people")
    List<ReadDataSets.NamedPerson> people(Person who, @PathVariable DataSetId id) {
        return read.people(who, id);
    }

    /** What the row rules let one person see. */
    @GetMapping("/{id}/sights/{person}")
    RuleRows.Sight sight(Person who, @PathVariable DataSetId id, @PathVariable PersonId person) {
        return ruleRows.sight(who, id, person);
    }

    /**
     * What a CSV file, sent as the body, looks like; nothing is kept of it.
     *
     * @param columns types to read its columns by instead of those that are found, as a JSON list of columns
     * @param dates which form days are in that fit several
     */
    @PostMapping("/inspections")
    InspectionView inspect(
            Person who,
            @RequestParam FolderId folder,
            @RequestParam Optional<String> columns,
            @RequestParam Optional<DateForm> dates,
            HttpServletRequest request)
            throws IOException {
        database.doInTransaction(tx -> gate.requirePublish(tx, who, folder));
        return InspectionView.of(
                new IncomingCsv(request.getInputStream()), columns.map(DataSetController::columns), dates);
    }

    private static List<Column> columns(String json) {
        try {
            return List.of(CoreJson.read(json, Column[].class));
        } catch (RuntimeException e) {
            throw Problem.invalid("request.bad-parameter", "columns", json);
        }
    }
}
