package mailshelf.server.delivery;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.json.CoreJson;
import mailshelf.core.rights.PersonId;
import mailshelf.core.shelf.Manifest;
import mailshelf.server.HouseSettings;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.Part;
import mailshelf.store.archive.Volume;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.Run;
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

    void made(Commission job, Edition edition) {
        List<Part> parts = new ArrayList<>();
        List<IssueStore.CopyFile> files = new ArrayList<>();
        Part figures = Part.of("figures", "json", CoreJson.canonical(edition.models()));
        add(parts, files, "figures", "figures.json", figures);
        edition.pdf().ifPresent(pdf -> add(parts, files, "pdf", job.fileName("pdf"), Part.of("files", "pdf", pdf)));
        edition.picture()
                .ifPresent(png -> add(parts, files, "picture", job.fileName("png"), Part.of("files", "png", png)));
        Part sealed = Part.named(Part.MANIFEST, CoreJson.canonical(manifest(job, "made", "", files)));
        parts.add(sealed);
        List<Entry> entries = archived(job, distinct(parts));
        database.doInTransaction(tx -> {
            claimNumber(tx, job, sealed.sha256());
            issues.insertEntries(tx, job.run().id(), entries);
            IssueId issue = issues.insert(tx, issue(job, true, "", edition.headline(), sealed.sha256()));
            CopyId copy = issues.insertCopy(tx, issue, figures.sha256(), files);
            deliveries.insert(
                    tx,
                    job.run().id(),
                    job.included().stream().map(RunStore.Listed::id).toList(),
                    copy,
                    settings.mailDomain(),
                    job.now());
            if (!job.run().trigger().isTrial()) {
                List<PersonId> people = job.included().stream()
                        .map(listed -> listed.recipient().person())
                        .toList();
                issues.putOnShelves(tx, people, issue, copy);
            }
            move(tx, job, RunState.SENDING, RunOutcome.OPEN, "");
        });
    }

    /** Skipped, or failed for good: it has its number and its reason, and nothing is sent. */
    void notMade(Commission job, RunOutcome outcome, String reason) {
        if (job.run().trigger().isTrial()) {
            database.doInTransaction(tx -> move(tx, job, RunState.CLOSED, outcome, reason));
            return;
        }
        String said = outcome == RunOutcome.SKIPPED ? "skipped" : "failed";
        Part sealed = Part.named(Part.MANIFEST, CoreJson.canonical(manifest(job, said, reason, List.of())));
        List<Entry> entries = archived(job, List.of(sealed));
        database.doInTransaction(tx -> {
            claimNumber(tx, job, sealed.sha256());
            issues.insertEntries(tx, job.run().id(), entries);
            issues.insert(tx, issue(job, false, reason, "", sealed.sha256()));
            move(tx, job, RunState.CLOSED, outcome, reason);
        });
    }

    private List<Entry> archived(Commission job, List<Part> parts) {
        Volume volume =
                Volume.of(job.run().subscription(), job.run().id(), job.number(), 1, job.now(), settings.server());
        archive.discardAttempts(volume);
        List<Entry> entries = archive.append(volume.path(), 0, parts, job.now());
        faultPoint.behind(Arrow.ISSUE_ARCHIVED);
        return entries;
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
    }

    private void move(Tx tx, Commission job, RunState to, RunOutcome outcome, String reason) {
        if (!runs.move(tx, job.run(), lease.owner(), to, outcome, reason, job.now())) {
            throw new IllegalStateException("The lease of run " + job.run().id().value() + " was lost");
        }
    }

    private static void add(List<Part> parts, List<IssueStore.CopyFile> files, String role, String name, Part part) {
        parts.add(part);
        files.add(new IssueStore.CopyFile(role, name, part.sha256(), part.content().length));
    }

    private static List<Part> distinct(List<Part> parts) {
        Map<String, Part> bySha = new HashMap<>();
        parts.forEach(part -> bySha.putIfAbsent(part.sha256(), part));
        return parts.stream().filter(part -> bySha.get(part.sha256()) == part).toList();
    }

    private static Manifest manifest(Commission job, String outcome, String reason, List<IssueStore.CopyFile> files) {
        Run run = job.run();
        var sources = new Manifest.Sources(
                job.published().dataSet().name(),
                job.loaded().load().no(),
                job.published().definition().title(),
                run.reportVersion(),
                run.subscriptionVersion());
        return new Manifest(
                Manifest.SCHEMA,
                run.subscription().value(),
                job.terms().name(),
                job.number().orElse(0),
                1,
                outcome,
                reason,
                run.dueAt(),
                job.now(),
                job.terms().period().code(),
                job.window().fromInclusive().toString(),
                job.window().toInclusive().toString(),
                job.terms().filters(),
                sources,
                files.stream()
                        .map(file -> new Manifest.Part(file.role(), file.name(), file.sha256(), file.sizeBytes()))
                        .toList(),
                job.recipients().stream()
                        .map(RunStore.Listed::recipient)
                        .map(r -> new Manifest.Addressee(
                                r.name(), r.address(), r.inclusion().name()))
                        .toList(),
                job.number().flatMap(n -> job.numbering().chainHead()));
    }

    private static Issue issue(Commission job, boolean made, String reason, String headline, String manifestSha) {
        return new Issue(
                new IssueId(0),
                job.run().id(),
                job.run().subscription(),
                job.number(),
                1,
                made,
                reason,
                job.terms().name(),
                headline,
                job.terms().period().code(),
                job.window(),
                job.run().dueAt(),
                job.now(),
                manifestSha,
                job.number().flatMap(n -> job.numbering().chainHead()),
                RunState.DUE,
                RunOutcome.OPEN);
    }
}
