package mailshelf.server.delivery;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.json.CoreJson;
import mailshelf.core.rights.PersonId;
import mailshelf.server.HouseSettings;
import mailshelf.server.lease.LeaseKeeper;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Part;
import mailshelf.store.archive.Volume;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/**
 * Seals an issue in the archive, then records it with its number and deliveries in one transaction. What was archived
 * before a crash and recorded by nobody is thrown away by whoever makes the issue next.
 */
@Component
class SealIssue {
    private final Database database;
    private final LeaseKeeper lease;
    private final RunStore runs;
    private final SubscriptionStore subscriptions;
    private final IssueStore issues;
    private final DeliveryStore deliveries;
    private final Archive archive;
    private final HouseSettings settings;
    private final FaultPoint faultPoint;

    SealIssue(
            Database database,
            LeaseKeeper lease,
            RunStore runs,
            SubscriptionStore subscriptions,
            IssueStore issues,
            DeliveryStore deliveries,
            Archive archive,
            HouseSettings settings,
            FaultPoint faultPoint) {
        this.database = database;
        this.lease = lease;
        this.runs = runs;
        this.subscriptions = subscriptions;
        this.issues = issues;
        this.deliveries = deliveries;
        this.archive = archive;
        this.settings = settings;
        this.faultPoint = faultPoint;
    }

    /** Where the parts of an issue are put while it is made. */
    IssueVolume volume(Commission job) {
        Volume volume = Volume.of(
                job.run().subscription(),
                job.run().id(),
                job.number(),
                1,
                job.run().dueAt(),
                settings.server());
        return new IssueVolume(archive, volume, job.now());
    }

    /** @param volume holds the parts of all copies */
    void made(Commission job, IssueVolume volume, List<MadeCopy> copies) {
        String sealed = seal(job, volume, "made", "", copies);
        database.doInTransaction(tx -> {
            claimNumber(tx, job, sealed);
            issues.insertEntries(tx, job.run().id(), volume.entries());
            IssueId issue = issues.insert(tx, issue(job, true, "", commonHeadline(copies), sealed));
            List<DeliveryStore.Planned> mails = new ArrayList<>();
            Map<PersonId, CopyId> shelves = new LinkedHashMap<>();
            for (MadeCopy made : copies) {
                CopyId copy = issues.insertCopy(tx, issue, made.contentKey(), made.copy(), made.files());
                DeliveryState state = made.copy().isEmpty() ? DeliveryState.NO_ROWS : DeliveryState.WAITING;
                for (RunStore.Listed listed : made.view().recipients()) {
                    mails.add(new DeliveryStore.Planned(listed.id(), copy, state));
                    shelves.put(listed.recipient().person(), copy);
                }
            }
            deliveries.insert(tx, job.run().id(), mails, settings.mail().domain(), job.now());
            if (!job.run().trigger().isTrial()) {
                issues.putOnShelves(tx, issue, shelves);
            }
            move(tx, job, RunState.SENDING, RunOutcome.OPEN, "");
        });
    }

    /** For all who may see the report; where rows are ruled, each has the headline of his own copy alone. */
    private static String commonHeadline(List<MadeCopy> copies) {
        return copies.size() == 1 && copies.get(0).copy().showsAll()
                ? copies.get(0).copy().headline()
                : "";
    }

    /** Skipped, or failed for good: it has its number and its reason, and nothing is sent. */
    void notMade(Commission job, RunOutcome outcome, String reason) {
        IssueVolume volume = volume(job);
        if (job.run().trigger().isTrial()) {
            database.doInTransaction(tx -> move(tx, job, RunState.CLOSED, outcome, reason));
            return;
        }
        String sealed = seal(job, volume, outcome == RunOutcome.SKIPPED ? "skipped" : "failed", reason, List.of());
        database.doInTransaction(tx -> {
            claimNumber(tx, job, sealed);
            issues.insertEntries(tx, job.run().id(), volume.entries());
            issues.insert(tx, issue(job, false, reason, "", sealed));
            move(tx, job, RunState.CLOSED, outcome, reason);
        });
    }

    /** Gives the checksum of the manifest. */
    private String seal(Commission job, IssueVolume volume, String outcome, String reason, List<MadeCopy> copies) {
        Part sealed = Part.named(Part.MANIFEST, CoreJson.canonical(Sealed.manifest(job, outcome, reason, copies)));
        volume.add(List.of(sealed));
        faultPoint.behind(Arrow.ISSUE_ARCHIVED);
        return sealed.sha256();
    }

    /** Draws the number that the manifest was sealed with; if another run drew it meanwhile, this one is made anew. */
    private void claimNumber(Tx tx, Commission job, String chainHead) {
        if (job.run().trigger().isTrial()) {
            return;
        }
        SubscriptionStore.Numbering now =
                subscriptions.lockNumbering(tx, job.run().subscription());
        if (!now.equals(job.numbering())) {
            throw new IllegalStateException("Number " + job.numbering().nextNumber() + " was drawn by another run");
        }
        subscriptions.numbered(tx, job.run().subscription(), now.nextNumber(), chainHead);
        runs.sealed(tx, job.run().subscription(), job.closed(), now.nextNumber());
    }

    private void move(Tx tx, Commission job, RunState to, RunOutcome outcome, String reason) {
        if (!runs.move(tx, job.run(), lease.owner(), to, outcome, reason, job.now())) {
            throw new IllegalStateException("The lease of run " + job.run().id().value() + " was lost");
        }
    }

    private static Issue issue(Commission job, boolean made, String reason, String headline, String manifestSha) {
        return new Issue(
                new IssueId(0),
                job.run().id(),
                job.run().subscription(),
                job.run().subscriptionVersion(),
                job.number(),
                1,
                made,
                reason,
                job.terms().name(),
                headline,
                job.terms().periodAt(job.run().dueAt()).code(),
                job.window(),
                job.since(),
                job.run().dueAt(),
                job.now(),
                manifestSha,
                job.number().flatMap(n -> job.numbering().chainHead()),
                RunState.DUE,
                RunOutcome.OPEN);
    }
}
