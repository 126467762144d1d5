package mailshelf.server.library;

import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.report.Definition;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.named.ResolveNamed;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import org.springframework.stereotype.Component;

/** Publishes a definition, as a new report or as the next version of one. */
@Component
class PublishReport {
    private final Gate gate;
    private final Database database;
    private final ReportStore reports;
    private final Definitions definitions;
    private final BusinessClock clock;
    private final AuditTrail audit;
    private final AdaptSubscriptions adapt;
    private final ResolveNamed named;

    PublishReport(
            Gate gate,
            Database database,
            ReportStore reports,
            Definitions definitions,
            BusinessClock clock,
            AuditTrail audit,
            AdaptSubscriptions adapt,
            ResolveNamed named) {
        this.gate = gate;
        this.database = database;
        this.reports = reports;
        this.definitions = definitions;
        this.clock = clock;
        this.audit = audit;
        this.adapt = adapt;
        this.named = named;
    }

    ReportId anew(Person who, FolderId folder, String yaml) {
        return database.inTransaction(tx -> {
            gate.requirePublish(tx, who, folder);
            String title = publishable(tx, who, yaml).definition().title();
            ReportId made = reports.insert(tx, folder, who.id(), title, yaml, clock.instant());
            audit.keep(tx, who, Act.REPORT_PUBLISHED, Thing.of(Thing.Kind.REPORT, made, title), "", "version 1");
            return made;
        });
    }

    /**
     * Subscriptions that lose something by it adapt or pause, and their owners are told.
     *
     * @param after the version that it was written from; somebody may have published another since
     */
    void nextVersion(Person who, ReportId id, String yaml, Optional<Integer> after) {
        database.doInTransaction(tx -> {
            Report report = gate.readable(tx, who, id);
            gate.requirePublish(tx, who, report.folder());
            Definition before = definitions.newest(tx, report).definition();
            Definition now = publishable(tx, who, yaml).definition();
            boolean isNext = after.map(no -> no == report.version()).orElse(true);
            if (!isNext || !reports.publish(tx, report, now.title(), yaml, who.id(), clock.instant())) {
                throw new Problem(Problem.Kind.STALE, "report.published-meanwhile", now.title());
            }
            Thing thing = Thing.of(Thing.Kind.REPORT, id, now.title());
            String was = "version " + report.version();
            audit.keep(tx, who, Act.REPORT_PUBLISHED, thing, was, "version " + (report.version() + 1));
            adapt.all(tx, who, report, before, now);
        });
    }

    /** Whoever may not see a data set learns nothing of it by naming it. */
    Definitions.Published publishable(Tx tx, Person who, String yaml) {
        Definitions.Published read = definitions.parse(
                tx, yaml, dataSet -> !dataSet.removed() && gate.access(tx, who).may(Verb.SEE, dataSet.folder()));
        named.requireThere(tx, who, read.definition());
        Periods.requireFits(read.definition().period(), read);
        return read;
    }
}
