package mailshelf.server.delivery;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.delivery.DeliveryId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.RunId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.json.CoreJson;
import mailshelf.core.shelf.Receipts;
import mailshelf.core.wording.Words;
import mailshelf.core.work.WorkKind;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.server.work.WorkIsolation;
import mailshelf.store.Database;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.Part;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Last step: seals the receipts of a run whose deliveries have all come to an end, and closes it. */
@Component
class CloseRuns {
    private static final Logger LOG = LoggerFactory.getLogger(CloseRuns.class);
    private final Words house = Words.in(Locale.ENGLISH);
    private static final int AT_ONCE = 20;

    private final Database database;
    private final BusinessClock clock;
    private final RunStore runs;
    private final IssueStore issues;
    private final DeliveryStore deliveries;
    private final ReadArchive readArchive;
    private final GiveBack giveBack;
    private final Archive archive;
    private final LeaseKeeper lease;
    private final Hindrance hindrance;
    private final FaultPoint faultPoint;
    private final AuditTrail audit;
    private final WorkIsolation isolation;

    CloseRuns(
            Database database,
            BusinessClock clock,
            RunStore runs,
            IssueStore issues,
            DeliveryStore deliveries,
            ReadArchive readArchive,
            GiveBack giveBack,
            Archive archive,
            LeaseKeeper lease,
            Hindrance hindrance,
            FaultPoint faultPoint,
            AuditTrail audit,
            WorkIsolation isolation) {
        this.database = database;
        this.clock = clock;
        this.runs = runs;
        this.issues = issues;
        this.deliveries = deliveries;
        this.readArchive = readArchive;
        this.giveBack = giveBack;
        this.archive = archive;
        this.lease = lease;
        this.hindrance = hindrance;
        this.faultPoint = faultPoint;
        this.audit = audit;
        this.isolation = isolation;
    }

    /** Closes what is done; true if there was anything. */
    boolean step() {
        List<RunId> ready =
                database.inTransaction(tx -> runs.claimReadyToClose(tx, lease.lease(), lease.now(), AT_ONCE));
        if (!ready.isEmpty()) {
            faultPoint.behind(Arrow.CLOSING_CLAIMED);
        }
        ready.forEach(this::tryToClose);
        return !ready.isEmpty();
    }

    private void tryToClose(RunId id) {
        try {
            WorkIsolation.Outcome outcome = isolation.attempt(WorkKind.CLOSE, id, () -> {
                close(database.inTransaction(tx -> runs.find(tx, id)).orElseThrow());
                hindrance.isGone(Optional.of(id));
            });
            if (outcome != WorkIsolation.Outcome.DONE) {
                giveBack.now(id);
            }
        } catch (RuntimeException e) {
            giveBack.afterFault(id, e);
        }
    }

    private void close(Run run) {
        Instant now = clock.instant();
        Issue issue = database.inTransaction(tx -> issues.ofRun(tx, run.id())).orElseThrow();
        String volume = readArchive.ownVolume(issue);
        record Facts(RunOutcome outcome, Part receipts, long end, long accepted, int all) {}
        Facts facts = database.inTransaction(tx -> {
            List<Delivery> all = deliveries.ofRun(tx, run.id());
            RunOutcome outcome = RunOutcome.of(all.stream().map(Delivery::state).toList());
            Map<DeliveryId, List<DeliveryStore.Attempt>> attempts = deliveries.attemptsOfRun(tx, run.id());
            long end = issues.end(tx, run.id(), volume);
            Receipts receipts = new Receipts(
                    Receipts.SCHEMA,
                    issue.manifestSha(),
                    issue.number().orElse(0),
                    issue.revision(),
                    outcome.name(),
                    now,
                    all.stream()
                            .map(delivery -> receipt(delivery, attempts.getOrDefault(delivery.id(), List.of())))
                            .toList());
            long accepted = all.stream()
                    .filter(d -> d.state() == DeliveryState.ACCEPTED)
                    .count();
            Part part = Part.receipts(end, CoreJson.canonical(receipts));
            int brought = (int) all.stream().filter(d -> d.state().hasMail()).count();
            return new Facts(outcome, part, end, accepted, brought);
        });
        List<Entry> entries = archive.append(volume, facts.end(), List.of(facts.receipts()), now);
        faultPoint.behind(Arrow.RECEIPTS_ARCHIVED);
        database.doInTransaction(tx -> {
            if (runs.move(tx, run, lease.owner(), RunState.CLOSED, facts.outcome(), "", now)) {
                issues.insertEntries(tx, run.id(), entries);
                runs.receipts(tx, run.id(), facts.receipts().sha256());
                String no = issue.number().map(n -> "No. " + n).orElse("trial");
                Thing thing = Thing.of(Thing.Kind.RUN, run.id(), issue.name() + ", " + no);
                audit.keepOfNobody(
                        tx,
                        house.say("audit.house"),
                        Act.SEND_CLOSED,
                        thing,
                        "",
                        house.say("audit.sent", facts.accepted(), facts.all()));
            }
        });
        faultPoint.behind(Arrow.CLOSED);
    }

    private static Receipts.Receipt receipt(Delivery delivery, List<DeliveryStore.Attempt> attempts) {
        List<Receipts.Try> tries = attempts.stream()
                .map(attempt -> new Receipts.Try(attempt.no(), attempt.at(), attempt.answer(), attempt.reply()))
                .toList();
        return new Receipts.Receipt(
                delivery.address(),
                delivery.messageId(),
                delivery.state().name().toLowerCase(Locale.ROOT),
                delivery.mail().orElse(""),
                tries);
    }
}
