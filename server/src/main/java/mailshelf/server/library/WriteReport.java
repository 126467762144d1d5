package mailshelf.server.library;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Column;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Definition;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.FolderId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.subscription.Losses;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.time.Period;
import mailshelf.server.data.Viewers;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.library.Report;
import mailshelf.store.library.ReportStore;
import mailshelf.store.people.FolderStore;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** What a publisher needs while he writes: the text with its versions, the page as it would be, and what it would cost. */
@Component
class WriteReport {
    private final Gate gate;
    private final Database database;
    private final ReportStore reports;
    private final FolderStore folders;
    private final PersonStore people;
    private final DataSetStore dataSets;
    private final Definitions definitions;
    private final Viewers viewers;
    private final ReadReport read;
    private final PublishReport publish;
    private final AdaptSubscriptions adapt;
    private final Periods periods;

    record VersionLine(int no, String by, Instant at) {}

    /** A report's text as it stands. */
    record DefinitionView(FolderId folder, String folderName, String yaml, int version, List<VersionLine> versions) {}

    /**
     * A text at work: which page of it is to be seen, how.
     *
     * @param period empty for the report's own
     */
    record DraftWish(FolderId folder, String yaml, String page, Optional<Period> period, double chartWidth) {}

    /**
     * A page of it.
     *
     * @param page the id of the page that is shown
     * @param period what it shows
     */
    record DraftView(
            String title,
            String dataSet,
            List<ReadReport.PageName> pages,
            String page,
            Periods.PeriodView period,
            List<Periods.PeriodView> periods,
            ReadReport.PageView shown) {}

    record LostLine(Losses.Kind kind, String name) {}

    /** @param pauses whether it has to pause; it goes on with what is left otherwise */
    record LosingLine(SubscriptionId id, String name, String owner, List<LostLine> lost, boolean pauses) {}

    /** A data set that reports can be made of, by its columns. */
    record MadeOf(String name, List<Column> columns) {}

    WriteReport(
            Gate gate,
            Database database,
            ReportStore reports,
            FolderStore folders,
            PersonStore people,
            DataSetStore dataSets,
            Definitions definitions,
            Viewers viewers,
            ReadReport read,
            PublishReport publish,
            AdaptSubscriptions adapt,
            Periods periods) {
        this.gate = gate;
        this.database = database;
        this.reports = reports;
        this.folders = folders;
        this.people = people;
        this.dataSets = dataSets;
        this.definitions = definitions;
        this.viewers = viewers;
        this.read = read;
        this.publish = publish;
        this.adapt = adapt;
        this.periods = periods;
    }

    DefinitionView definition(Person who, ReportId id) {
        return database.inTransaction(tx -> {
            Report report = writable(tx, who, id);
            return new DefinitionView(
                    report.folder(),
                    folders.find(tx, report.folder()).orElseThrow().name(),
                    reports.yaml(tx, id, report.version()),
                    report.version(),
                    reports.versions(tx, id).stream()
                            .map(version -> new VersionLine(
                                    version.no(),
                                    people.find(tx, version.by()).orElseThrow().name(),
                                    version.at()))
                            .toList());
        });
    }

    /** The text of an earlier version. */
    String version(Person who, ReportId id, int no) {
        return database.inTransaction(tx -> {
            Report report = writable(tx, who, id);
            if (no < 1 || no > report.version()) {
                throw Problem.notFound();
            }
            return reports.yaml(tx, id, no);
        });
    }

    private Report writable(Tx tx, Person who, ReportId id) {
        Report report = gate.readable(tx, who, id);
        gate.requirePublish(tx, who, report.folder());
        return report;
    }

    /** A page of a text that is not published, with the figures that its writer may see. */
    DraftView draft(Person who, DraftWish wish) {
        record Found(Definitions.Published published, Viewer viewer) {}
        Found found = database.inTransaction(tx -> {
            gate.requirePublish(tx, who, wish.folder());
            Definitions.Published published = publish.publishable(tx, who, wish.yaml());
            return new Found(published, viewers.of(tx, who, published.dataSet()));
        });
        Definition definition = found.published().definition();
        // while a page is being renamed, the first is shown
        String page = definition.page(wish.page()).map(Definition.Page::id).orElse("");
        double width = Math.max(280, Math.min(2400, wish.chartWidth()));
        ReadReport.Wish asked = new ReadReport.Wish(page, wish.period(), Map.of(), width);
        PageModel model =
                read.asked(who, found.published(), found.viewer(), asked).model();
        return new DraftView(
                definition.title(),
                definition.dataSet(),
                definition.pages().stream()
                        .map(each -> new ReadReport.PageName(each.id(), each.title()))
                        .toList(),
                model.pageId(),
                periods.view(who, Periods.Calendar.of(who), asked.period(definition)),
                periods.common(
                        who,
                        Periods.Calendar.of(who),
                        found.published().dataSet().hasTimes()),
                read.view(who, model, width));
    }

    /** Which subscriptions would lose something if a text were published. */
    List<LosingLine> losing(Person who, ReportId id, String yaml) {
        return database.inTransaction(tx -> {
            Report report = writable(tx, who, id);
            Definition before = definitions.newest(tx, report).definition();
            Definition after = publish.publishable(tx, who, yaml).definition();
            return adapt.losing(tx, report, before, after).stream()
                    .map(each -> new LosingLine(
                            each.subscription().id(),
                            each.subscription().terms().name(),
                            people.find(tx, each.subscription().owner())
                                    .orElseThrow()
                                    .name(),
                            each.losses().lost().stream()
                                    .map(loss -> new LostLine(loss.kind(), loss.name()))
                                    .toList(),
                            each.pauses()))
                    .toList();
        });
    }

    /** What reports in a folder can be made of. */
    List<MadeOf> madeOf(Person who, FolderId folder) {
        return database.inTransaction(tx -> {
            gate.requirePublish(tx, who, folder);
            Gate.Access access = gate.access(tx, who);
            return dataSets.all(tx).stream()
                    .filter(dataSet -> dataSet.dateColumn().isPresent() && access.may(Verb.SEE, dataSet.folder()))
                    .map(dataSet -> new MadeOf(dataSet.name(), dataSet.columns()))
                    .toList();
        });
    }
}
