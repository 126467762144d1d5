package mailshelf.server.data;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.Column;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSetStore;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
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
    private final PlanLoads plans;
    private final RuleRows ruleRows;
    private final PlaceDataSet place;
    private final AuditTrail audit;

    /**
     * A data set to be made.
     *
     * @param dateColumn by which rows are sorted and periods cut; a mapping table needs none
     * @param plan how it comes by its rows; people send them where there is none
     */
    record DataSetWish(
            FolderId folder, String name, List<Column> columns, Optional<String> dateColumn, Optional<LoadPlan> plan) {}

    DataSetController(
            Gate gate,
            Database database,
            DataSetStore dataSets,
            ReadDataSets read,
            PlanLoads plans,
            RuleRows ruleRows,
            PlaceDataSet place,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.read = read;
        this.plans = plans;
        this.ruleRows = ruleRows;
        this.place = place;
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
            wish.plan().ifPresent(plan -> plans.require(tx, who, plan));
            if (dataSets.byName(tx, wish.name()).isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "data.name-taken", wish.name());
            }
            LoadPlan plan = wish.plan().orElse(LoadPlan.SENT);
            DataSetId id =
                    dataSets.insert(tx, wish.folder(), who.id(), wish.name(), wish.columns(), wish.dateColumn(), plan);
            plans.keep(tx, id, plan);
            audit.keep(tx, who, Act.DATA_SET_MADE, Thing.of(Thing.Kind.DATA_SET, id, wish.name()));
            return read.line(tx, dataSets.find(tx, id).orElseThrow(), List.of());
        });
    }

    private static void requireColumns(DataSetWish wish) {
        if (!OneLine.isName(wish.name())
                || !wish.columns().stream().map(Column::name).allMatch(OneLine::isName)) {
            throw Problem.invalid("data.bad-name", OneLine.LONGEST_NAME);
        }
        if (wish.columns().size() > Column.MOST_IN_A_ROW) {
            throw Problem.invalid("data.too-many-columns", wish.columns().size(), Column.MOST_IN_A_ROW);
        }
        Set<String> names = new HashSet<>();
        for (Column column : wish.columns()) {
            if (!names.add(column.name())) {
                throw Problem.invalid("data.column-twice", column.name());
            }
        }
        wish.dateColumn().ifPresent(name -> {
            boolean hasDays = wish.columns().stream()
                    .anyMatch(column -> column.hasDays() && column.name().equals(name));
            if (!hasDays) {
                throw Problem.invalid("data.no-date-column", name);
            }
        });
    }

    /** Another name, or another folder. */
    @PutMapping("/{id}/place")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void place(Person who, @PathVariable DataSetId id, @RequestBody PlaceDataSet.Place wish) {
        place.place(who, id, wish);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Person who, @PathVariable DataSetId id) {
        place.remove(who, id);
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
}
