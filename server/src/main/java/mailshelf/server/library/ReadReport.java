package mailshelf.server.library;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Viewer;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.time.MovingPeriod;
import mailshelf.core.time.Period;
import mailshelf.core.wording.Words;
import mailshelf.render.chart.ChartSvg;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.http.Languages;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.library.Report;
import mailshelf.store.people.FolderStore;
import org.springframework.stereotype.Component;

/** Reads one page of a report: figures filled in for the reader, in words, with its charts drawn. */
@Component
public class ReadReport {
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final Definitions definitions;
    private final Tables tables;
    private final Viewers viewers;
    private final DataSetStore dataSets;
    private final BusinessClock clock;

    /** What is asked for; an empty page means the first. */
    public record Wish(String page, Period period, List<String> filters, double chartWidth) {}

    /** A page as the browser shows it: texts, and a drawing for each chart and each figure's trend by its id. */
    public record PageView(Written.Page page, Map<String, ChartSvg> drawings) {
        public static PageView of(Written.Page page, double chartWidth) {
            Map<String, ChartSvg> drawings = new HashMap<>();
            page.charts().forEach(chart -> drawings.put(chart.id(), ChartSvg.of(chart, chartWidth)));
            page.figures().forEach(figure -> drawings.put(figure.id(), ChartSvg.ofTrend(figure)));
            return new PageView(page, drawings);
        }
    }

    public record PageName(String id, String title) {}

    /** A period to choose, with the days that it means today. */
    public record PeriodView(String code, String words, String days) {}

    /** A column to narrow by, with its values. */
    public record FilterChoice(String column, String title, List<String> values, List<String> chosen) {}

    /**
     * A report to be read.
     *
     * @param ruled titles of the columns by which row rules limit what people see
     * @param limits what row rules limit the page to for this reader, in words
     * @param warning what the reader must know of the data before he trusts the figures; "" for nothing
     * @param ownerView whether issues may show all what their owner may see
     */
    public record ReaderView(
            ReportId report,
            String title,
            String about,
            String folder,
            List<PageName> pages,
            PeriodView period,
            List<PeriodView> periods,
            List<FilterChoice> filters,
            boolean maySubscribe,
            boolean mayPublish,
            List<String> ruled,
            boolean ownerView,
            List<String> limits,
            String warning,
            PageView shown) {}

    ReadReport(
            Gate gate,
            Database database,
            FolderStore folders,
            Definitions definitions,
            Tables tables,
            Viewers viewers,
            DataSetStore dataSets,
            BusinessClock clock) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.definitions = definitions;
        this.tables = tables;
        this.viewers = viewers;
        this.dataSets = dataSets;
        this.clock = clock;
    }

    ReaderView run(Person who, ReportId id, Wish wish) {
        record Found(
                String folder,
                Definitions.Published published,
                boolean maySubscribe,
                boolean mayPublish,
                Viewer viewer,
                List<String> ruled,
                Optional<LoadAttempt> failed) {}
        Found found = database.inTransaction(tx -> {
            Report report = gate.readable(tx, who, id);
            Gate.Access access = gate.access(tx, who);
            boolean maySubscribe = access.may(Verb.SUBSCRIBE_SELF, report.folder());
            boolean mayPublish = access.may(Verb.PUBLISH, report.folder());
            String folder = folders.find(tx, report.folder()).orElseThrow().name();
            Definitions.Published published = definitions.newest(tx, report);
            List<Viewers.InForce> rules = viewers.inForce(tx, published.dataSet());
            return new Found(
                    folder,
                    published,
                    maySubscribe,
                    mayPublish,
                    viewers.of(tx, List.of(who), rules).get(who.id()),
                    rules.stream()
                            .map(each -> published
                                    .definition()
                                    .columnTitle(each.rule().column()))
                            .toList(),
                    dataSets.attempts(tx, published.dataSet().id(), 1).stream()
                            .filter(attempt -> attempt.load().isEmpty())
                            .findFirst());
        });
        Definition definition = found.published().definition();
        Shown shown = show(who, found.published(), found.viewer(), wish);
        Words words = Words.in(Languages.supported(who.locale()));
        return new ReaderView(
                id,
                definition.title(),
                definition.about(),
                found.folder(),
                definition.pages().stream()
                        .map(p -> new PageName(p.id(), p.title()))
                        .toList(),
                periodView(who, wish.period(), words),
                periods(who, words),
                definition.filters().stream()
                        .map(column -> choice(definition, column, shown))
                        .toList(),
                found.maySubscribe(),
                found.mayPublish(),
                found.ruled(),
                found.published().dataSet().ownerView(),
                Writing.limits(shown.model(), words),
                found.failed()
                        .map(attempt -> words.say(
                                "reader.load-failed", words.dates(who.zone()).moment(attempt.at()), attempt.failure()))
                        .orElse(""),
                shown.view());
    }

    /** A page of a published report as somebody sees it. */
    Shown shown(Person who, ReportId id, Wish wish) {
        record Found(Definitions.Published published, Viewer viewer) {}
        Found found = database.inTransaction(tx -> {
            Definitions.Published published = definitions.newest(tx, gate.readable(tx, who, id));
            return new Found(published, viewers.of(tx, who, published.dataSet()));
        });
        return show(who, found.published(), found.viewer(), wish);
    }

    /** A page with its figures as somebody sees it, and the rows that they are of. */
    record Shown(PageModel model, Slice slice, List<Filter> filters, PageView view) {}

    /** @throws Problem for a page or filter that the definition does not have, or data that were never loaded */
    Shown show(Person who, Definitions.Published published, Viewer viewer, Wish wish) {
        Definition definition = published.definition();
        List<Filter> filters = Filters.parse(wish.filters(), definition);
        Tables.Loaded loaded = tables.newest(published.dataSet());
        Slice slice = loaded.seenBy(viewer);
        Definition.Page page = wish.page().isEmpty()
                ? definition.pages().get(0)
                : definition.page(wish.page()).orElseThrow(Problem::notFound);
        PageModel model =
                Evaluation.page(definition, page, slice, question(who, wish.period(), filters, loaded, today(who)));
        Written.Page written = Writing.page(model, Words.in(Languages.supported(who.locale())), who.zone());
        return new Shown(model, slice, filters, PageView.of(written, wish.chartWidth()));
    }

    List<PeriodView> periods(Person who, Words words) {
        return Arrays.stream(MovingPeriod.values())
                .map(period -> periodView(who, period, words))
                .toList();
    }

    private LocalDate today(Person who) {
        return clock.instant().atZone(who.zone()).toLocalDate();
    }

    private PeriodView periodView(Person who, Period period, Words words) {
        String days = words.dates(who.zone()).fullWindow(period.on(today(who), who.firstDayOfWeek()));
        String named = words.say(period.wordsKey());
        return new PeriodView(period.code(), named.isEmpty() ? days : named, days);
    }

    private static FilterChoice choice(Definition definition, String column, Shown shown) {
        List<String> chosen = shown.filters().stream()
                .filter(filter -> filter.column().equals(column))
                .flatMap(filter -> filter.anyOf().stream())
                .toList();
        return new FilterChoice(
                column,
                definition.columnTitle(column),
                definition.over(shown.slice()).values(column),
                chosen);
    }

    private static Evaluation.Question question(
            Person who, Period period, List<Filter> filters, Tables.Loaded loaded, LocalDate today) {
        return new Evaluation.Question(
                period.code(),
                period.on(today, who.firstDayOfWeek()),
                period.beforeThat(today, who.firstDayOfWeek()),
                who.firstDayOfWeek(),
                filters,
                loaded.freshness());
    }
}
