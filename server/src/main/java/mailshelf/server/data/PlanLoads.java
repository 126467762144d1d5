package mailshelf.server.data;

import java.util.Locale;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.data.DataSetId;
import mailshelf.core.data.LoadPlan;
import mailshelf.core.data.Origin;
import mailshelf.core.data.SourceId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.DueLoads;
import mailshelf.store.source.Source;
import mailshelf.store.source.SourceStore;
import org.springframework.stereotype.Component;

/** Says how a data set comes by its rows, and when. */
@Component
class PlanLoads {
    private final Gate gate;
    private final Database database;
    private final Durable durable;
    private final DataSetStore dataSets;
    private final DueLoads dueLoads;
    private final SourceStore sources;
    private final BusinessClock clock;
    private final AuditTrail audit;

    PlanLoads(
            Gate gate,
            Database database,
            Durable durable,
            DataSetStore dataSets,
            DueLoads dueLoads,
            SourceStore sources,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.durable = durable;
        this.dataSets = dataSets;
        this.dueLoads = dueLoads;
        this.sources = sources;
        this.clock = clock;
        this.audit = audit;
    }

    void change(Person who, DataSetId id, LoadPlan plan) {
        database.doInTransaction(tx -> {
            DataSet before = gate.publishable(tx, who, id);
            // what stands there already may stay with somebody who may not use its source
            if (!before.plan().origin().equals(plan.origin())) {
                require(tx, who, plan);
                dueLoads.forgetTaken(tx, id);
            }
            plan.requireWhole();
            dataSets.plan(tx, id, plan);
            keep(tx, id, plan);
            Thing thing = Thing.of(Thing.Kind.DATA_SET, id, before.name());
            audit.keep(tx, who, Act.LOAD_PLAN_CHANGED, thing, said(tx, before.plan()), said(tx, plan));
        });
        durable.await();
    }

    /** @throws Problem for a plan that is not whole, or a source that somebody may not use */
    void require(Tx tx, Person who, LoadPlan plan) {
        plan.requireWhole();
        plan.origin().source().ifPresent(id -> {
            Source source = usable(tx, who, id);
            boolean fits = plan.origin().kind() == Origin.Kind.QUERY
                    ? source.kind() == Source.Kind.DATABASE
                    : source.kind() == Source.Kind.FOLDER;
            if (!fits) {
                throw Problem.invalid("data.bad-plan");
            }
        });
    }

    /** Those who may publish in its folder may use a source; others do not learn of it. */
    Source usable(Tx tx, Person who, SourceId id) {
        return sources.find(tx, id)
                .filter(source -> gate.access(tx, who).may(Verb.PUBLISH, source.folder()))
                .orElseThrow(Problem::notFound);
    }

    /** Has the first load by time fall due. */
    void keep(Tx tx, DataSetId id, LoadPlan plan) {
        dueLoads.plan(tx, id, plan.times().nextAfter(clock.instant()));
    }

    /** As the audit trail keeps it. */
    private String said(Tx tx, LoadPlan plan) {
        Optional<Source> source = plan.origin().source().flatMap(id -> sources.find(tx, id));
        String from = source.map(
                        found -> " of " + found.name() + ": " + plan.origin().ask())
                .orElse("");
        return plan.origin().kind().name().toLowerCase(Locale.ROOT) + from + "; "
                + plan.times().kind().name().toLowerCase(Locale.ROOT)
                + plan.times().at().map(at -> " " + at).orElse("")
                + (plan.times().minutes() > 0 ? " " + plan.times().minutes() + " minutes" : "")
                + plan.mostLost()
                        .map(percent -> "; a load may lose " + percent + " % of the rows")
                        .orElse("");
    }
}
