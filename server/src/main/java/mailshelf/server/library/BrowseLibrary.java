package mailshelf.server.library;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import mailshelf.core.data.DataSetId;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Findable;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.Writing;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Words;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.StoreException;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.Load;
import mailshelf.store.library.ReadingStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.AccessRequest;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import mailshelf.store.people.RequestStore;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Lists what a person may read, folder by folder or as sorted; of the rest it does not even give a count. */
@Component
class BrowseLibrary {
    private static final Logger LOG = LoggerFactory.getLogger(BrowseLibrary.class);

    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final ReportStore reports;
    private final ReadingStore reading;
    private final FindReports find;
    private final Definitions definitions;
    private final SubscriptionStore subscriptions;
    private final IssueStore issues;
    private final DataSetStore dataSets;
    private final RequestStore requests;
    private final PersonStore people;

    /** In which order reports are listed. */
    enum Order {
        /** By folder, then by title; what is sought, by how well it answers. */
        FOLDER,
        /** What I opened last comes first; what I never opened is left out. */
        OPENED,
        /** What was loaded last comes first. */
        FRESH,
        /** My favourites alone, by title. */
        FAVOURITES
    }

    /**
     * What is asked for.
     *
     * @param folder only what stands in it or below
     * @param most how many entries are given
     */
    record Wish(Optional<FolderId> folder, String words, Order order, int most) {}

    /** @param entries how many reports stand in it or below */
    record FolderView(FolderId id, Optional<FolderId> parent, String name, int entries, boolean mayPublish) {}

    /**
     * A report that the reader knows of, and may not open.
     *
     * @param asked whether he waits for an answer to his asking for it
     */
    record KnownReport(ReportId id, String title, String about, FolderId folder, boolean asked) {}

    record MyCopy(SubscriptionId id, String name) {}

    /**
     * A report before it is opened.
     *
     * @param openedAt when I last opened it
     * @param mine subscriptions by which I get it
     */
    record Entry(
            ReportId id,
            String title,
            String about,
            Definition.Kind kind,
            FolderId folder,
            String owner,
            List<String> tags,
            int pages,
            int subscribers,
            String freshness,
            Optional<String> lastIssue,
            boolean favourite,
            Optional<Instant> openedAt,
            boolean maySubscribe,
            List<MyCopy> mine) {}

    /**
     * @param entries the first of them
     * @param count how many there are
     * @param known those that may be asked for; only where all is listed by folder
     * @param publishes whether the reader has data sets to mind, or may make some
     */
    record LibraryView(
            List<FolderView> folders, List<Entry> entries, int count, List<KnownReport> known, boolean publishes) {}

    BrowseLibrary(
            Gate gate,
            Database database,
            FolderStore folders,
            ReportStore reports,
            ReadingStore reading,
            FindReports find,
            Definitions definitions,
            SubscriptionStore subscriptions,
            IssueStore issues,
            DataSetStore dataSets,
            RequestStore requests,
            PersonStore people) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.reports = reports;
        this.reading = reading;
        this.find = find;
        this.definitions = definitions;
        this.subscriptions = subscriptions;
        this.issues = issues;
        this.dataSets = dataSets;
        this.requests = requests;
        this.people = people;
    }

    LibraryView run(Person who, Wish wish) {
        return database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            List<Folder> seen = folders.all(tx).stream()
                    .filter(folder -> access.may(Verb.KNOW, folder.id()))
                    .toList();
            FolderTree tree = new FolderTree(seen);
            Map<Boolean, List<Report>> all = reports.all(tx).stream()
                    .collect(Collectors.partitioningBy(report -> access.may(Verb.SEE, report.folder())));
            List<Report> visible = all.get(true);
            Predicate<FolderId> within =
                    at -> wish.folder().map(folder -> tree.isWithin(at, folder)).orElse(true);
            Mine mine = new Mine(reading.favourites(tx, who.id()), reading.opened(tx, who.id()));
            List<Report> chosen = ordered(
                    tx,
                    access,
                    wish,
                    mine,
                    tree,
                    visible.stream()
                            .filter(report -> within.test(report.folder()))
                            .toList());
            List<Report> hidden = all.get(false).stream()
                    .filter(report -> access.may(Verb.KNOW, report.folder()) && within.test(report.folder()))
                    .toList();
            Set<FolderId> publishable = seen.stream()
                    .map(Folder::id)
                    .filter(folder -> access.may(Verb.PUBLISH, folder))
                    .collect(Collectors.toSet());
            return new LibraryView(
                    seen.stream()
                            .map(folder -> new FolderView(
                                    folder.id(),
                                    tree.parent(folder),
                                    folder.name(),
                                    (int) visible.stream()
                                            .filter(report -> tree.isWithin(report.folder(), folder.id()))
                                            .count(),
                                    publishable.contains(folder.id())))
                            .toList(),
                    chosen.stream()
                            .limit(wish.most())
                            .flatMap(report -> readable(tx, who, access, mine, report).stream())
                            .toList(),
                    chosen.size(),
                    wish.order() == Order.FOLDER ? known(tx, who, hidden, wish) : List.of(),
                    gate.readsHouse(who) || !publishable.isEmpty());
        });
    }

    /** Of what one may not open, title and description are all that is told, and all that it is found by. */
    private List<KnownReport> known(Tx tx, Person who, List<Report> hidden, Wish wish) {
        List<String> question = Findable.question(wish.words());
        Set<ReportId> asked = requests.openOf(tx, who.id()).stream()
                .map(AccessRequest::report)
                .collect(Collectors.toSet());
        return hidden.stream()
                .map(report -> new KnownReport(
                        report.id(),
                        report.title(),
                        definitions.definition(tx, report).about(),
                        report.folder(),
                        asked.contains(report.id())))
                .filter(report -> Findable.answers(question, report.title() + " " + report.about()))
                .limit(wish.most())
                .toList();
    }

    /** What I do with reports. */
    private record Mine(Set<ReportId> favourites, Map<ReportId, Instant> opened) {}

    private List<Report> ordered(
            Tx tx, Gate.Access access, Wish wish, Mine mine, FolderTree tree, List<Report> reports) {
        List<Report> found = find.answering(tx, access, reports, wish.words());
        return switch (wish.order()) {
            case FOLDER ->
                wish.words().isBlank()
                        ? sorted(
                                found,
                                Comparator.comparing((Report report) -> tree.place(report.folder()), Alphabet.order())
                                        .thenComparing(Report::title, Alphabet.order()))
                        : found;
            case OPENED ->
                sorted(
                        found.stream()
                                .filter(report -> mine.opened().containsKey(report.id()))
                                .toList(),
                        Comparator.comparing((Report report) -> mine.opened().get(report.id()))
                                .reversed());
            case FRESH -> {
                Map<ReportId, Instant> loaded = loaded(tx, found);
                yield sorted(
                        found,
                        Comparator.comparing((Report report) -> loaded.getOrDefault(report.id(), Instant.MIN))
                                .reversed()
                                .thenComparing(Report::title, Alphabet.order()));
            }
            case FAVOURITES ->
                found.stream()
                        .filter(report -> mine.favourites().contains(report.id()))
                        .toList();
        };
    }

    private static List<Report> sorted(List<Report> reports, Comparator<Report> order) {
        List<Report> sorted = new ArrayList<>(reports);
        sorted.sort(order);
        return sorted;
    }

    /** When the rows of each were loaded. */
    private Map<ReportId, Instant> loaded(Tx tx, List<Report> reports) {
        Map<String, DataSetId> byName = new HashMap<>();
        dataSets.all(tx).forEach(dataSet -> byName.put(dataSet.name(), dataSet.id()));
        Map<DataSetId, Instant> newest = dataSets.newestLoads(tx);
        Map<ReportId, Instant> loaded = new HashMap<>();
        for (Report report : reports) {
            Instant at =
                    newest.get(byName.get(definitions.definition(tx, report).dataSet()));
            if (at != null) {
                loaded.put(report.id(), at);
            }
        }
        return loaded;
    }

    /** One whose stored text or data cannot be read is left out, and breaks no list. */
    private Optional<Entry> readable(Tx tx, Person who, Gate.Access access, Mine mine, Report report) {
        try {
            return Optional.of(entry(tx, who, access, mine, report));
        } catch (RuntimeException e) {
            if (StoreException.isDisk(e)) {
                throw e;
            }
            LOG.error("Report {} cannot be listed", report.id().value(), e);
            return Optional.empty();
        }
    }

    private Entry entry(Tx tx, Person who, Gate.Access access, Mine mine, Report report) {
        Definitions.Published published = definitions.newest(tx, report);
        Definition definition = published.definition();
        List<Subscription> active = subscriptions.ofReport(tx, report.id()).stream()
                .filter(subscription -> subscription.state() == State.ACTIVE)
                .toList();
        Map<SubscriptionId, List<PersonId>> sentTo = active.stream()
                .collect(Collectors.toMap(Subscription::id, subscription -> subscriptions.staying(tx, subscription)));
        Words words = Words.in(Languages.supported(who.locale()));
        return new Entry(
                report.id(),
                definition.title(),
                definition.about(),
                definition.kind(),
                report.folder(),
                people.find(tx, report.owner()).orElseThrow().name(),
                definition.tags(),
                definition.pages().size(),
                (int) sentTo.values().stream().flatMap(List::stream).distinct().count(),
                dataSets.newestLoad(tx, published.dataSet().id())
                        .map(Load::freshness)
                        .map(freshness -> Writing.freshness(freshness, words, who.zone()))
                        .orElse(""),
                lastIssue(tx, who, access, active, words),
                mine.favourites().contains(report.id()),
                Optional.ofNullable(mine.opened().get(report.id())),
                access.may(Verb.SUBSCRIBE_SELF, report.folder()),
                active.stream()
                        .filter(subscription -> sentTo.get(subscription.id()).contains(who.id()))
                        .map(subscription -> new MyCopy(
                                subscription.id(), subscription.terms().name()))
                        .toList());
    }

    private Optional<String> lastIssue(Tx tx, Person who, Gate.Access access, List<Subscription> active, Words words) {
        return active.stream()
                .filter(subscription -> gate.isVisible(tx, access, who, subscription))
                .flatMap(subscription -> issues.newest(tx, subscription.id(), 1).stream())
                .filter(issue -> issue.made())
                .max((a, b) -> a.madeAt().compareTo(b.madeAt()))
                .map(issue -> words.say(
                        "library.last-issue",
                        issue.number().orElseThrow(),
                        words.dates(who.zone()).moment(issue.dueAt())));
    }
}
