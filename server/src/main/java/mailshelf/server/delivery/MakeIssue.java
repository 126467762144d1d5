package mailshelf.server.delivery;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.audience.Recipient;
import mailshelf.core.condition.Sending;
import mailshelf.core.data.Viewer;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunOutcome;
import mailshelf.core.delivery.RunState;
import mailshelf.core.json.CoreJson;
import mailshelf.core.report.PageModel;
import mailshelf.core.shelf.Manifest;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Window;
import mailshelf.core.wording.Words;
import mailshelf.server.HouseSettings;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.store.Database;
import mailshelf.store.Durable;
import mailshelf.store.Tx;
import mailshelf.store.archive.Archive;
import mailshelf.store.archive.Entry;
import mailshelf.store.archive.Part;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Second step: makes the issue of a run, seals it in the archive, and records it with its number and deliveries in one
 * transaction. What is archived before a crash and recorded after it is simply made again over the same place.
 */
@Component
class MakeIssue {
    private static final Logger LOG = LoggerFactory.getLogger(MakeIssue.class);
    private static final int AT_ONCE = 4;
    private static final int MOST_ATTEMPTS = 3;

    private final Database database;
    private final Durable durable;
    private final BusinessClock clock;
    private final LeaseKeeper lease;
    private final RunStore runs;
    private final SubscriptionStore subscriptions;
    private final IssueStore issues;
    private final DeliveryStore deliveries;
    private final Definitions definitions;
    private final Tables tables;
    private final MakeEdition makeEdition;
    private final Archive archive;
    private final HouseSettings settings;

    /** A run with all that its issue is made from. */
    private record Job(
            Run run,
            Subscription subscription,
            Terms terms,
            Definitions.Published published,
            Tables.Loaded loaded,
            List<RunStore.Listed> recipients,
            SubscriptionStore.Numbering numbering,
            Instant now) {
        Optional<Integer> number() {
            return run.trigger().isTrial() ? Optional.empty() : Optional.of(numbering.nextNumber());
        }

        long included() {
            return recipients.stream()
                    .filter(listed -> listed.recipient().inclusion() == Recipient.Inclusion.INCLUDED)
                    .count();
        }
    }

    MakeIssue(
            Database database,
            Durable durable,
            BusinessClock clock,
            LeaseKeeper lease,
            RunStore runs,
            SubscriptionStore subscriptions,
            IssueStore issues,
            DeliveryStore deliveries,
            Definitions definitions,
            Tables tables,
            MakeEdition makeEdition,
            Archive archive,
            HouseSettings settings) {
        this.database = database;
        this.durable = durable;
        this.clock = clock;
        this.lease = lease;
        this.runs = runs;
        this.subscriptions = subscriptions;
        this.issues = issues;
        this.deliveries = deliveries;
        this.definitions = definitions;
        this.tables = tables;
        this.makeEdition = makeEdition;
        this.archive = archive;
        this.settings = settings;
    }

    /** Makes what is booked; true if there was anything. */
    boolean step() {
        List<Run> claimed = database.inTransaction(
                tx -> runs.claim(tx, RunState.DUE, lease.owner(), lease.now(), lease.until(), AT_ONCE));
        claimed.forEach(this::make);
        if (!claimed.isEmpty()) {
            durable.await();
        }
        return !claimed.isEmpty();
    }

    private void make(Run run) {
        try {
            Job job = job(run);
            List<PageModel> models = makeEdition.evaluate(order(job));
            Sending sending = Sending.decide(models, job.included());
            if (sending == Sending.SEND) {
                seal(job, makeEdition.withFiles(order(job), models));
            } else {
                recordNotMade(job, RunOutcome.SKIPPED, words(job).say(sending.wordsKey()));
            }
        } catch (RuntimeException e) {
            LOG.error(
                    "Making the issue of run {} failed in attempt {}", run.id().value(), run.attempt(), e);
            afterFailure(run);
        }
    }

    /** A few tries, since a disk or a database may come back; then it is recorded as failed, and said so. */
    private void afterFailure(Run run) {
        if (run.attempt() < MOST_ATTEMPTS) {
            database.doInTransaction(
                    tx -> runs.release(tx, run, lease.owner(), lease.now().plusSeconds(run.attempt() * 5L)));
            return;
        }
        Job job = job(run);
        recordNotMade(job, RunOutcome.FAILED, words(job).say("failed.making", run.attempt()));
    }

    private Job job(Run run) {
        Tables.Loaded loaded = tables.of(run.load());
        return database.inTransaction(tx -> {
            Subscription subscription =
                    subscriptions.find(tx, run.subscription()).orElseThrow();
            Terms terms = subscriptions
                    .version(tx, run.subscription(), run.subscriptionVersion())
                    .terms();
            return new Job(
                    run,
                    subscription,
                    terms,
                    definitions.version(tx, terms.report(), run.reportVersion()),
                    loaded,
                    runs.recipients(tx, run.id()),
                    subscriptions.numbering(tx, run.subscription()),
                    clock.instant());
        });
    }

    private static MakeEdition.Order order(Job job) {
        return new MakeEdition.Order(
                job.terms(),
                job.published().definition(),
                job.loaded(),
                new Viewer(job.subscription().owner(), List.of()),
                job.run().dueAt(),
                job.now(),
                job.number());
    }

    private static Words words(Job job) {
        return Words.in(Languages.supported(job.terms().locale()));
    }

    private void seal(Job job, Edition edition) {
        List<Part> parts = new ArrayList<>();
        List<IssueStore.CopyFile> files = new ArrayList<>();
        Part figures = Part.of("figures", "json", CoreJson.canonical(edition.models()));
        add(parts, files, "figures", "figures.json", figures);
        edition.pdf().ifPresent(pdf -> add(parts, files, "pdf", fileName(job, "pdf"), Part.of("files", "pdf", pdf)));
        edition.picture()
                .ifPresent(png -> add(parts, files, "picture", fileName(job, "png"), Part.of("files", "png", png)));
        Manifest manifest = manifest(job, "made", "", files);
        Part sealed = Part.named(Part.MANIFEST, CoreJson.canonical(manifest));
        parts.add(sealed);
        List<Entry> entries = archive.append(volume(job), List.of(), distinct(parts), job.now());
        database.doInTransaction(tx -> {
            claimNumber(tx, job, sealed.sha256());
            issues.insertEntries(tx, job.run().id(), entries);
            IssueId issue = issues.insert(tx, issue(job, true, "", edition.headline(), sealed.sha256()));
            CopyId copy = issues.insertCopy(tx, issue, figures.sha256(), files);
            for (RunStore.Listed listed : job.recipients()) {
                if (listed.recipient().inclusion() == Recipient.Inclusion.INCLUDED) {
                    deliveries.insert(tx, job.run().id(), listed.id(), copy, settings.mailDomain(), job.now());
                    if (!job.run().trigger().isTrial()) {
                        issues.putOnShelf(tx, listed.recipient().person(), issue, copy);
                    }
                }
            }
            move(tx, job, RunState.SENDING, RunOutcome.OPEN, "");
        });
    }

    private void recordNotMade(Job job, RunOutcome outcome, String reason) {
        if (job.run().trigger().isTrial()) {
            database.doInTransaction(tx -> move(tx, job, RunState.CLOSED, outcome, reason));
            return;
        }
        String said = outcome == RunOutcome.SKIPPED ? "skipped" : "failed";
        Part sealed = Part.named(Part.MANIFEST, CoreJson.canonical(manifest(job, said, reason, List.of())));
        List<Entry> entries = archive.append(volume(job), List.of(), List.of(sealed), job.now());
        database.doInTransaction(tx -> {
            claimNumber(tx, job, sealed.sha256());
            issues.insertEntries(tx, job.run().id(), entries);
            issues.insert(tx, issue(job, false, reason, "", sealed.sha256()));
            move(tx, job, RunState.CLOSED, outcome, reason);
        });
    }

    /** Draws the number that the manifest was sealed with; if another run drew it meanwhile, this one is made anew. */
    private void claimNumber(Tx tx, Job job, String chainHead) {
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

    private void move(Tx tx, Job job, RunState to, RunOutcome outcome, String reason) {
        if (!runs.move(tx, job.run(), lease.owner(), to, outcome, reason, job.now())) {
            throw new IllegalStateException("The lease of run " + job.run().id().value() + " was lost");
        }
    }

    private String volume(Job job) {
        return Archive.volume(
                job.now(),
                job.run().subscription(),
                job.number(),
                1,
                job.run().id().value(),
                settings.server());
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

    /** A name that any file system takes: "Cancelled sailings 16–22 Nov 2026.pdf". */
    private static String fileName(Job job, String extension) {
        Words words = words(job);
        String days = words.dates(job.terms().schedule().zone())
                .fullWindow(job.terms().windowAt(job.run().dueAt()));
        String plain =
                job.terms().name().replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]", " ").strip();
        return plain + " " + days + "." + extension;
    }

    private static Manifest manifest(Job job, String outcome, String reason, List<IssueStore.CopyFile> files) {
        Run run = job.run();
        Window window = job.terms().windowAt(run.dueAt());
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
                window.fromInclusive().toString(),
                window.toInclusive().toString(),
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

    private static Issue issue(Job job, boolean made, String reason, String headline, String manifestSha) {
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
                job.terms().windowAt(job.run().dueAt()),
                job.run().dueAt(),
                job.now(),
                manifestSha,
                job.number().flatMap(n -> job.numbering().chainHead()),
                RunState.DUE,
                RunOutcome.OPEN);
    }
}
