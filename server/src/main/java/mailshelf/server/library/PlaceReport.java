package mailshelf.server.library;

import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.people.GrantEffect;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.SupposedRights;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Moves reports to other folders, takes them out of the library, and puts them back. */
@Component
class PlaceReport {
    private final Gate gate;
    private final Database database;
    private final ReportStore reports;
    private final FolderStore folders;
    private final SubscriptionStore subscriptions;
    private final GrantEffect effect;
    private final PauseSubscriptions pause;
    private final BusinessClock clock;
    private final AuditTrail audit;

    /** @param pausing the names of subscriptions that would pause */
    record Removal(List<String> pausing) {}

    record RemovedReport(ReportId id, String title, FolderId folder) {}

    PlaceReport(
            Gate gate,
            Database database,
            ReportStore reports,
            FolderStore folders,
            SubscriptionStore subscriptions,
            GrantEffect effect,
            PauseSubscriptions pause,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.reports = reports;
        this.folders = folders;
        this.subscriptions = subscriptions;
        this.effect = effect;
        this.pause = pause;
        this.clock = clock;
        this.audit = audit;
    }

    /** What moving it would do, as other people may see what stands in the other folder. */
    GrantEffect.Effect effect(Person who, ReportId id, FolderId folder) {
        database.doInTransaction(tx -> {
            publishable(tx, who, id);
            gate.requirePublish(tx, who, folder);
        });
        return effect.of(who, new SupposedRights.OfReport(id, folder));
    }

    void move(Person who, ReportId id, FolderId folder) {
        database.doInTransaction(tx -> {
            Report report = publishable(tx, who, id);
            gate.requirePublish(tx, who, folder);
            reports.move(tx, id, folder);
            audit.keep(tx, who, Act.REPORT_MOVED, thing(report), name(tx, report.folder()), name(tx, folder));
        });
    }

    Removal removal(Person who, ReportId id) {
        return database.inTransaction(tx -> new Removal(active(tx, publishable(tx, who, id)).stream()
                .map(subscription -> subscription.terms().name())
                .toList()));
    }

    /** Its issues stay on their shelves, and subscriptions to it pause. */
    void remove(Person who, ReportId id) {
        database.doInTransaction(tx -> {
            Report report = publishable(tx, who, id);
            List<Subscription> active = active(tx, report);
            reports.remove(tx, id, Optional.of(clock.instant()));
            active.forEach(subscription -> pause.asReportIsRemoved(tx, who, subscription, report.title()));
            audit.keep(tx, who, Act.REPORT_REMOVED, thing(report));
        });
    }

    /** Those that somebody may put back. */
    List<RemovedReport> removed(Person who) {
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            return reports.removed(tx).stream()
                    .filter(report -> access.may(Verb.PUBLISH, report.folder()))
                    .map(report -> new RemovedReport(report.id(), report.title(), report.folder()))
                    .toList();
        });
    }

    /** Offers it again; subscriptions that paused are resumed by their owners. */
    void restore(Person who, ReportId id) {
        database.doInTransaction(tx -> {
            Report report = reports.find(tx, id)
                    .filter(found -> found.removed() && gate.access(tx, who).may(Verb.PUBLISH, found.folder()))
                    .orElseThrow(Problem::notFound);
            reports.remove(tx, id, Optional.empty());
            audit.keep(tx, who, Act.REPORT_RESTORED, thing(report));
        });
    }

    private Report publishable(Tx tx, Person who, ReportId id) {
        Report report = gate.readable(tx, who, id);
        gate.requirePublish(tx, who, report.folder());
        return report;
    }

    private List<Subscription> active(Tx tx, Report report) {
        return subscriptions.ofReport(tx, report.id()).stream()
                .filter(subscription -> subscription.state() == State.ACTIVE)
                .toList();
    }

    private String name(Tx tx, FolderId folder) {
        return folders.find(tx, folder).map(Folder::name).orElseThrow();
    }

    private static Thing thing(Report report) {
        return Thing.of(Thing.Kind.REPORT, report.id(), report.title());
    }
}
