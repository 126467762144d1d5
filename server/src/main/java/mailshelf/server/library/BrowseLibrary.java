package mailshelf.server.library;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Folder;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.State;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.time.CalendarPeriod;
import mailshelf.core.wording.Folded;
import mailshelf.core.wording.Words;
import mailshelf.render.chart.ChartSvg;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.shelf.IssueStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Lists what a person may read, folder by folder; of the rest it does not even give a count. */
@Component
class BrowseLibrary {
    private static final double THUMBNAIL_WIDTH = 300;

    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final ReportStore reports;
    private final Definitions definitions;
    private final SubscriptionStore subscriptions;
    private final IssueStore issues;
    private final Tables tables;
    private final Viewers viewers;
    private final BusinessClock clock;

    record FolderView(FolderId id, Optional<FolderId> parent, String name, int entries, boolean mayPublish) {}

    record MyCopy(SubscriptionId id, String name) {}

    /**
     * A report before it is opened.
     *
     * @param drawing the first chart of its first page from real figures; empty where it has none
     * @param mine subscriptions by which I get it
     */
    record Entry(
            ReportId id,
            String title,
            String about,
            FolderId folder,
            int pages,
            int subscribers,
            String freshness,
            Optional<String> lastIssue,
            Optional<ChartSvg> drawing,
            boolean maySubscribe,
            List<MyCopy> mine) {}

    /** @param publishes whether the reader has data sets to mind, or may make some */
    record LibraryView(List<FolderView> folders, List<Entry> entries, boolean publishes) {}

    private record Read(List<Folder> folders, List<Found> found, Set<FolderId> publishable, boolean readsHouse) {}

    private record Found(
            Report report,
            Definitions.Published published,
            boolean maySubscribe,
            Viewer viewer,
            List<Subscription> active,
            Optional<String> lastIssue) {}

    BrowseLibrary(
            Gate gate,
            Database database,
            FolderStore folders,
            ReportStore reports,
            Definitions definitions,
            SubscriptionStore subscriptions,
            IssueStore issues,
            Tables tables,
            Viewers viewers,
            BusinessClock clock) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.reports = reports;
        this.definitions = definitions;
        this.subscriptions = subscriptions;
        this.issues = issues;
        this.tables = tables;
        this.viewers = viewers;
        this.clock = clock;
    }

    LibraryView run(Person who, String words) {
        Read read = database.inTransaction(tx -> {
            Gate.Access access = gate.access(tx, who);
            List<Folder> visible = folders.all(tx).stream()
                    .filter(f -> access.may(Verb.SEE, f.id()))
                    .toList();
            List<Found> found = reports.all(tx).stream()
                    .filter(report -> access.may(Verb.SEE, report.folder()))
                    .map(report -> find(tx, who, access, report))
                    .filter(entry -> matches(entry, words))
                    .toList();
            Set<FolderId> publishable = visible.stream()
                    .map(Folder::id)
                    .filter(folder -> access.may(Verb.PUBLISH, folder))
                    .collect(Collectors.toSet());
            return new Read(visible, found, publishable, gate.readsHouse(who));
        });
        List<Entry> entries =
                read.found().stream().map(found -> entry(who, found)).toList();
        return new LibraryView(
                read.folders().stream()
                        .map(folder -> folderView(folder, read, entries))
                        .toList(),
                entries,
                read.readsHouse() || !read.publishable().isEmpty());
    }

    private Found find(Tx tx, Person who, Gate.Access access, Report report) {
        Definitions.Published published = definitions.newest(tx, report);
        List<Subscription> active = subscriptions.ofReport(tx, report.id()).stream()
                .filter(subscription -> subscription.state() == State.ACTIVE)
                .toList();
        Words words = Words.in(Languages.supported(who.locale()));
        Optional<String> last = active.stream()
                .filter(subscription -> gate.isVisible(tx, access, who, subscription))
                .flatMap(subscription -> issues.newest(tx, subscription.id(), 1).stream())
                .filter(issue -> issue.made())
                .max((a, b) -> a.madeAt().compareTo(b.madeAt()))
                .map(issue -> words.say(
                        "library.last-issue",
                        issue.number().orElseThrow(),
                        words.dates(who.zone()).moment(issue.dueAt())));
        boolean maySubscribe = access.may(Verb.SUBSCRIBE_SELF, report.folder());
        Viewer viewer = viewers.of(tx, who, published.dataSet());
        return new Found(report, published, maySubscribe, viewer, active, last);
    }

    /** Every word of the question must begin a word of title, description, tags, pages or columns. */
    private static boolean matches(Found found, String question) {
        Definition definition = found.published().definition();
        List<String> texts = new ArrayList<>(List.of(definition.title(), definition.about()));
        texts.addAll(definition.tags());
        definition.pages().forEach(page -> texts.add(page.title()));
        texts.addAll(definition.columnTitles().values());
        Set<String> known = Set.copyOf(Folded.words(String.join(" ", texts)).toList());
        return Folded.words(question).allMatch(asked -> known.stream().anyMatch(word -> word.startsWith(asked)));
    }

    private Entry entry(Person who, Found found) {
        Definition definition = found.published().definition();
        Words words = Words.in(Languages.supported(who.locale()));
        Tables.Loaded loaded = tables.newest(found.published().dataSet());
        LocalDate today = clock.instant().atZone(who.zone()).toLocalDate();
        Evaluation.Question question = Evaluation.Question.of(
                CalendarPeriod.LAST_WEEK, today, who.firstDayOfWeek(), List.of(), loaded.freshness());
        PageModel first =
                Evaluation.page(definition, definition.pages().get(0), loaded.seenBy(found.viewer()), question);
        Written.Page written = Writing.page(first, words, who.zone());
        List<MyCopy> mine = found.active().stream()
                .filter(subscription -> subscription.terms().recipients().contains(who.id()))
                .map(subscription ->
                        new MyCopy(subscription.id(), subscription.terms().name()))
                .toList();
        long subscribers = found.active().stream()
                .flatMap(subscription -> subscription.terms().recipients().stream())
                .distinct()
                .count();
        return new Entry(
                found.report().id(),
                definition.title(),
                definition.about(),
                found.report().folder(),
                definition.pages().size(),
                (int) subscribers,
                written.freshness(),
                found.lastIssue(),
                written.charts().stream().findFirst().map(chart -> ChartSvg.of(chart, THUMBNAIL_WIDTH)),
                found.maySubscribe(),
                mine);
    }

    private static FolderView folderView(Folder folder, Read read, List<Entry> entries) {
        List<Folder> visible = read.folders();
        boolean parentVisible = folder.parent()
                .filter(parent -> visible.stream().anyMatch(f -> f.id().equals(parent)))
                .isPresent();
        int count = (int) entries.stream()
                .filter(entry -> isWithin(entry.folder(), folder.id(), visible))
                .count();
        return new FolderView(
                folder.id(),
                parentVisible ? folder.parent() : Optional.empty(),
                folder.name(),
                count,
                read.publishable().contains(folder.id()));
    }

    private static boolean isWithin(FolderId folder, FolderId ancestor, List<Folder> folders) {
        Optional<FolderId> at = Optional.of(folder);
        while (at.isPresent() && !at.get().equals(ancestor)) {
            FolderId current = at.get();
            at = folders.stream()
                    .filter(f -> f.id().equals(current))
                    .findFirst()
                    .flatMap(Folder::parent);
        }
        return at.isPresent();
    }
}
