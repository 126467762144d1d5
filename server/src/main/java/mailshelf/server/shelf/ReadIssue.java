package mailshelf.server.shelf;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import mailshelf.core.Problem;
import mailshelf.core.audit.Act;
import mailshelf.core.audit.Thing;
import mailshelf.core.delivery.CopyId;
import mailshelf.core.delivery.DeliveryState;
import mailshelf.core.delivery.IssueId;
import mailshelf.core.delivery.RunId;
import mailshelf.core.json.CoreJson;
import mailshelf.core.report.PageModel;
import mailshelf.core.rights.Person;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.wording.Words;
import mailshelf.server.audit.AuditTrail;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.delivery.IssuePages;
import mailshelf.server.delivery.ReadArchive;
import mailshelf.server.http.Languages;
import mailshelf.server.library.Definitions;
import mailshelf.server.library.ReadReport;
import mailshelf.server.mail.ReadMail;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.delivery.Delivery;
import mailshelf.store.delivery.DeliveryStore;
import mailshelf.store.delivery.Run;
import mailshelf.store.delivery.RunStore;
import mailshelf.store.shelf.Copy;
import mailshelf.store.shelf.Issue;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Reads an issue as it was sent: pages from the kept figures, never from live data; its files, and the exact mail. */
@Component
class ReadIssue {
    private static final int NEIGHBOURS = 8;
    private static final int NEIGHBOURS_AFTER = 3;

    private final Gate gate;
    private final Database database;
    private final IssueStore issues;
    private final RunStore runs;
    private final DeliveryStore deliveries;
    private final SubscriptionStore subscriptions;
    private final Definitions definitions;
    private final DataSetStore dataSets;
    private final ReadArchive readArchive;
    private final OpenCopies openCopies;
    private final Spines spines;
    private final BusinessClock clock;
    private final AuditTrail audit;

    record FileView(String role, String name, String sha256, String size) {}

    /** What became of the reader's own copy; empty text where he was not sent one. */
    record Receipt(String words, boolean hasMail) {}

    /**
     * An issue to read.
     *
     * @param reason why there is nothing to read: it was not made, or made without a copy that the reader may open; ""
     *     otherwise
     * @param copy the one that is shown
     * @param neighbours spines around it, oldest first
     * @param pages names of its pages; {@code shown} is one of them
     * @param run for those who may see the subscription
     */
    record IssueView(
            IssueId id,
            SubscriptionId subscription,
            boolean mayOpenSubscription,
            String name,
            String title,
            boolean trial,
            boolean made,
            String reason,
            Optional<CopyId> copy,
            List<Spine> neighbours,
            Optional<IssueId> previous,
            Optional<IssueId> next,
            List<ReadReport.PageName> pages,
            Optional<ReadReport.PageView> shown,
            List<Colophon.Fact> colophon,
            List<FileView> files,
            Optional<Receipt> yours,
            Optional<RunId> run) {}

    private record Found(
            Issue issue,
            Run run,
            Subscription subscription,
            Terms terms,
            Colophon.MadeFrom made,
            Optional<Issue> chainedTo,
            Optional<Copy> copy,
            List<IssueStore.CopyFile> files,
            List<Delivery> deliveries,
            boolean mayOpenSubscription,
            Place place,
            List<Spine> neighbours,
            Optional<IssueId> previous,
            Optional<IssueId> next) {}

    /** Where the reader stood when an issue was sent. */
    private enum Place {
        SENT_TO,
        NOT_SENT_TO,
        HAD_LEFT
    }

    ReadIssue(
            Gate gate,
            Database database,
            IssueStore issues,
            RunStore runs,
            DeliveryStore deliveries,
            SubscriptionStore subscriptions,
            Definitions definitions,
            DataSetStore dataSets,
            ReadArchive readArchive,
            OpenCopies openCopies,
            Spines spines,
            BusinessClock clock,
            AuditTrail audit) {
        this.gate = gate;
        this.database = database;
        this.issues = issues;
        this.runs = runs;
        this.deliveries = deliveries;
        this.subscriptions = subscriptions;
        this.definitions = definitions;
        this.dataSets = dataSets;
        this.readArchive = readArchive;
        this.openCopies = openCopies;
        this.spines = spines;
        this.clock = clock;
        this.audit = audit;
    }

    /**
     * @param copy the one to show; empty for the reader's own, or the first that he may open
     * @param page position of the page to show, from 0
     */
    IssueView run(Person who, IssueId id, Optional<CopyId> copy, int page, double chartWidth) {
        Found found = find(who, id, copy);
        Words words = Words.in(Languages.supported(who.locale()));
        List<PageModel> models = models(found);
        IssuePages pages = new IssuePages(found.terms(), models, words);
        Optional<ReadReport.PageView> shown = models.isEmpty()
                ? Optional.empty()
                : Optional.of(ReadReport.PageView.of(
                        pages.page(Math.max(0, Math.min(page, pages.count() - 1))), chartWidth));
        Issue issue = found.issue();
        String days = words.dates(who.zone()).fullWindow(issue.window());
        String number = issue.number().map(n -> words.say("issue.number", n)).orElseGet(() -> words.say("issue.trial"));
        return new IssueView(
                id,
                issue.subscription(),
                found.mayOpenSubscription(),
                issue.name(),
                number + ", " + days,
                issue.number().isEmpty(),
                issue.made(),
                reason(found, words),
                found.copy().map(Copy::id),
                found.neighbours(),
                found.previous(),
                found.next(),
                models.isEmpty() ? List.of() : names(pages),
                shown,
                Colophon.of(
                        found.issue(),
                        found.made(),
                        found.chainedTo(),
                        accepted(found.deliveries()),
                        (int) found.deliveries().stream()
                                .filter(delivery -> delivery.state().hasMail())
                                .count(),
                        words,
                        who.zone()),
                found.files().stream()
                        .filter(IssueStore.CopyFile::isForPeople)
                        .map(file -> new FileView(
                                file.role(),
                                file.name(),
                                file.sha256(),
                                words.figures().size(file.sizeBytes())))
                        .toList(),
                yours(who, found, words),
                found.mayOpenSubscription() ? Optional.of(issue.run()) : Optional.empty());
    }

    private static List<ReadReport.PageName> names(IssuePages pages) {
        return IntStream.range(0, pages.count())
                .mapToObj(place -> new ReadReport.PageName(pages.id(place), pages.title(place)))
                .toList();
    }

    private static String reason(Found found, Words words) {
        if (!found.issue().made()) {
            return found.issue().reason();
        }
        return found.copy()
                .map(copy -> copy.isEmpty() ? words.say("copy.no-rows") : "")
                .orElseGet(() -> words.say("copy." + found.place().name()));
    }

    private Place place(Tx tx, Person who, Issue issue) {
        if (issues.shelfEntry(tx, who.id(), issue.id()).isPresent()) {
            return Place.SENT_TO;
        }
        boolean hadLeft = subscriptions
                .leftAt(tx, issue.subscription(), who.id())
                .filter(left -> left.isBefore(issue.madeAt()))
                .isPresent();
        return hadLeft ? Place.HAD_LEFT : Place.NOT_SENT_TO;
    }

    /** The issue whose manifest this one's names. */
    private Optional<Issue> chainedTo(Tx tx, Issue issue) {
        return issue.number()
                .flatMap(number -> issues.neighbour(tx, issue.subscription(), number, -1))
                .filter(before ->
                        issue.previousSha().filter(before.manifestSha()::equals).isPresent());
    }

    /** Some after it, if there are, and the others before it. */
    private List<Issue> neighbours(Tx tx, Issue issue) {
        int last = issue.number()
                .map(number -> Math.max(number + NEIGHBOURS_AFTER, NEIGHBOURS))
                .orElse(Integer.MAX_VALUE);
        return issues.upTo(tx, issue.subscription(), last, NEIGHBOURS);
    }

    private Found find(Person who, IssueId id, Optional<CopyId> wished) {
        return database.inTransaction(tx -> {
            Issue issue = gate.openable(tx, who, id);
            Gate.Access access = gate.access(tx, who);
            Run run = runs.find(tx, issue.run()).orElseThrow();
            Subscription subscription =
                    subscriptions.find(tx, issue.subscription()).orElseThrow();
            Terms terms = subscriptions
                    .version(tx, issue.subscription(), run.subscriptionVersion())
                    .terms()
                    .continuing(issue.since());
            Optional<Copy> copy = openCopies.of(tx, who).one(issue, wished);
            Place place = place(tx, who, issue);
            if (place != Place.SENT_TO && !subscription.owner().equals(who.id())) {
                String named =
                        issue.name() + issue.number().map(n -> ", No. " + n).orElse("");
                audit.keepOfSitting(tx, who, Act.OTHERS_ISSUE_OPENED, Thing.of(Thing.Kind.ISSUE, id, named));
            }
            List<Spine> neighbours = new ArrayList<>(spines.of(tx, who, access, neighbours(tx, issue)));
            Collections.reverse(neighbours);
            return new Found(
                    issue,
                    run,
                    subscription,
                    terms,
                    madeFrom(tx, run, terms, gate.readsRecipients(who, subscription)),
                    chainedTo(tx, issue),
                    copy,
                    copy.map(c -> issues.files(tx, c.id())).orElse(List.of()),
                    deliveries.ofRun(tx, issue.run()),
                    gate.isVisible(tx, access, who, subscription),
                    place,
                    neighbours,
                    neighbour(tx, who, issue, -1),
                    neighbour(tx, who, issue, 1));
        });
    }

    /** @param whole whether the reader may know all that it is filtered by */
    private Colophon.MadeFrom madeFrom(Tx tx, Run run, Terms terms, boolean whole) {
        List<Colophon.Source> sources = runs.sources(tx, run.id()).stream()
                .map(source -> {
                    Definitions.Published published = definitions.version(tx, source.report(), source.version());
                    boolean ruled =
                            !dataSets.rowRules(tx, published.dataSet().id()).isEmpty();
                    return new Colophon.Source(
                            source.report(),
                            source.version(),
                            published.definition(),
                            dataSets.findLoad(tx, source.load()).orElseThrow(),
                            ruled && !whole);
                })
                .toList();
        return new Colophon.MadeFrom(run, terms, sources);
    }

    private static long accepted(List<Delivery> deliveries) {
        return deliveries.stream()
                .filter(delivery -> delivery.state() == DeliveryState.ACCEPTED)
                .count();
    }

    private Optional<IssueId> neighbour(Tx tx, Person who, Issue issue, int step) {
        return issue.number()
                .flatMap(number -> issues.neighbour(tx, issue.subscription(), number, step))
                .filter(found -> gate.maySee(tx, who, found))
                .map(Issue::id);
    }

    private List<PageModel> models(Found found) {
        return found.files().stream()
                .filter(file -> file.role().equals("figures"))
                .findFirst()
                .map(file ->
                        List.of(CoreJson.read(readArchive.part(found.issue().run(), file.sha256()), PageModel[].class)))
                .orElse(List.of());
    }

    private Optional<Receipt> yours(Person who, Found found, Words words) {
        return found.deliveries().stream()
                .filter(delivery -> delivery.person().equals(who.id()))
                .findFirst()
                .map(delivery -> {
                    List<DeliveryStore.Attempt> attempts =
                            database.inTransaction(tx -> deliveries.attempts(tx, delivery.id()));
                    String last = attempts.isEmpty()
                            ? words.say("delivery." + delivery.state().name())
                            : words.say(
                                    "receipt." + delivery.state().name(),
                                    words.dates(who.zone())
                                            .moment(attempts.get(attempts.size() - 1)
                                                    .at()),
                                    attempts.get(attempts.size() - 1).reply());
                    boolean hasMail = delivery.mail().isPresent()
                            && found.copy()
                                    .filter(copy -> copy.id().equals(delivery.copy()))
                                    .isPresent();
                    return new Receipt(last, hasMail);
                });
    }

    /** A file of the copy that the person may see. */
    record File(String name, String role, byte[] content) {}

    File file(Person who, IssueId id, Optional<CopyId> copy, String sha256) {
        Found found = find(who, id, copy);
        IssueStore.CopyFile file = found.files().stream()
                .filter(f -> f.isForPeople() && f.sha256().equals(sha256))
                .findFirst()
                .orElseThrow(Problem::notFound);
        return new File(file.name(), file.role(), readArchive.part(found.issue().run(), sha256));
    }

    /** The reader's own mail, byte for byte; as long as he may open the copy that it brought. */
    byte[] mail(Person who, IssueId id) {
        Found found = find(who, id, Optional.empty());
        String mail = found.deliveries().stream()
                .filter(delivery -> delivery.person().equals(who.id()))
                .filter(delivery -> found.copy()
                        .filter(copy -> copy.id().equals(delivery.copy()))
                        .isPresent())
                .findFirst()
                .flatMap(Delivery::mail)
                .orElseThrow(Problem::notFound);
        return readArchive.mail(found.issue().run(), mail);
    }

    ReadMail.MailView mailView(Person who, IssueId id) {
        return ReadMail.read(mail(who, id));
    }

    void setRead(Person who, IssueId id, boolean read) {
        Instant now = clock.instant();
        database.doInTransaction(tx -> {
            gate.openable(tx, who, id);
            issues.setRead(tx, who.id(), id, read ? Optional.of(now) : Optional.empty());
        });
    }
}
