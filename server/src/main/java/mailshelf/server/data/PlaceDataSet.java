package mailshelf.server.data;

import java.util.List;
import java.util.stream.Stream;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.wording.OneLine;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.library.Definitions;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.named.NamedStore;
import mailshelf.store.people.FolderStore;
import org.springframework.stereotype.Component;

/** Gives data sets other names and folders, and removes those that nothing is made of. */
@Component
class PlaceDataSet {
    private final Gate gate;
    private final Database database;
    private final DataSetStore dataSets;
    private final FolderStore folders;
    private final ReportStore reports;
    private final NamedStore named;
    private final Definitions definitions;
    private final PlanLoads plans;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /** A name and a place. */
    record Place(String name, FolderId folder) {}

    PlaceDataSet(
            Gate gate,
            Database database,
            DataSetStore dataSets,
            FolderStore folders,
            ReportStore reports,
            NamedStore named,
            Definitions definitions,
            PlanLoads plans,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.dataSets = dataSets;
        this.folders = folders;
        this.reports = reports;
        this.named = named;
        this.definitions = definitions;
        this.plans = plans;
        this.clock = clock;
        this.audit = audit;
    }

    /** Reports go on: the name that they know it by stays one of its own. */
    void place(Person who, DataSetId id, Place wish) {
        if (!OneLine.isName(wish.name())) {
            throw Problem.invalid("data.bad-name", OneLine.LONGEST_NAME);
        }
        database.doInTransaction(tx -> {
            DataSet before = gate.publishable(tx, who, id);
            gate.requirePublish(tx, who, wish.folder());
            String name = wish.name().strip();
            if (dataSets.byName(tx, name)
                    .filter(found -> !found.id().equals(id))
                    .isPresent()) {
                throw new Problem(Problem.Kind.CONFLICT, "data.name-taken", name);
            }
            dataSets.place(tx, before, name, wish.folder());
            Thing thing = Thing.of(Thing.Kind.DATA_SET, id, name);
            String was = said(tx, before.folder(), before.name());
            audit.keep(tx, who, Act.DATA_SET_PLACED, thing, was, said(tx, wish.folder(), name));
        });
    }

    private String said(Tx tx, FolderId folder, String name) {
        return folders.find(tx, folder).map(Folder::name).orElseThrow() + " / " + name;
    }

    /** @throws Problem {@code data.used} that names what is made of it */
    void remove(Person who, DataSetId id) {
        database.doInTransaction(tx -> {
            DataSet dataSet = gate.publishable(tx, who, id);
            List<String> users = users(tx, who, id);
            if (!users.isEmpty()) {
                throw new Problem(Problem.Kind.CONFLICT, "data.used", dataSet.name(), String.join(", ", users));
            }
            plans.keep(tx, id, LoadPlan.SENT);
            dataSets.remove(tx, id, clock.instant());
            audit.keep(tx, who, Act.DATA_SET_REMOVED, Thing.of(Thing.Kind.DATA_SET, id, dataSet.name()));
        });
    }

    /** What is made of it, by name as far as somebody may know it. */
    private List<String> users(Tx tx, Person who, DataSetId id) {
        Gate.Access access = gate.access(tx, who);
        Stream<String> made = definitions.over(tx, id).stream().map(report -> title(tx, access, report));
        // one that is put back must find its rows
        Stream<String> removed = definitions.removedOver(tx, id).stream()
                .map(report -> title(tx, access, report) + " (removed from the library, and could be put back)");
        Stream<String> valued = named.all(tx).stream()
                .filter(kept -> kept.named().dataSet().filter(id::equals).isPresent())
                .map(kept -> access.may(Verb.SEE, kept.folder())
                        ? "{" + kept.named().name() + "}"
                        : "a named value that you may not see");
        Stream<String> ruled = dataSets.ruledBy(tx, id).stream()
                .map(each -> gate.mayMind(tx, who, each)
                        ? "the row rules of " + each.name()
                        : "row rules of a data set that you may not see");
        return Stream.of(made, removed, valued, ruled)
                .flatMap(each -> each)
                .distinct()
                .toList();
    }

    private String title(Tx tx, Gate.Access access, ReportId id) {
        Report report = reports.find(tx, id).orElseThrow();
        return access.may(Verb.SEE, report.folder()) ? "“" + report.title() + "”" : "a report that you may not see";
    }
}
