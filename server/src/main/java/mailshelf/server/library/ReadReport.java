package mailshelf.server.library;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.ColumnType;
import mailshelf.core.data.Filter;
import mailshelf.core.data.Slice;
import mailshelf.core.data.Viewer;
import mailshelf.core.named.InText;
import mailshelf.core.named.References;
import mailshelf.core.report.Definition;
import mailshelf.core.report.Evaluation;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.report.ReportQuestion;
import mailshelf.core.report.Writing;
import mailshelf.core.report.Written;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.Verb;
import mailshelf.core.time.Period;
import mailshelf.core.wording.Alphabet;
import mailshelf.core.wording.Words;
import mailshelf.render.chart.ChartSvg;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.http.Languages;
import mailshelf.server.named.ResolveNamed;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.Tx;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.library.ReadingStore;
import mailshelf.store.library.Report;
import mailshelf.store.people.FolderStore;
import org.springframework.stereotype.Component;

/** Reads one page of a report: figures filled in for the reader, in words, with its charts drawn. */
@Component
public class ReadReport {
    private static final Duration OPENING = Duration.ofMinutes(10);
    private final Gate gate;
    private final Database database;
    private final FolderStore folders;
    private final Definitions definitions;
    private final Tables tables;
    private final Viewers viewers;
    private final ResolveNamed named;
    private final DataSetStore dataSets;
    private final ReadingStore reading;
    private final BusinessClock clock;
    private final Periods periods;

    /**
     * What is asked for.
     *
     * @param page empty for the first
     * @param period empty for the report's own
     * @param address whose {@link Filters} narrow it
     */
    public record Wish(String page, Optional<Period> period, Map<String, String[]> address, double chartWidth) {
        Period period(Definition definition) {
            return period.orElse(definition.period());
        }
    }

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

    /**
     * A column to narrow by.
     *
     * @param first whether the publisher offers it before the others
     */
    public record Narrowable(String column, String title, ColumnType type, boolean first) {}

    /** A measure, to ask for the values that have the most of it. */
    public record MeasureName(String id, String title) {}

    /**
     * A report to be read.
     *
     * @param byTime whether periods may begin and end within a day
     * @param showsRows whether the rows behind a figure can be looked at
     * @param limits what row rules limit the page to for this reader, in words
     * @param warning what the reader must know of the data before he trusts the figures; "" for nothing
     * @param page the id of the page that is asked for
     * @param questions what it asks before it shows anything
     * @param shown the page; empty while a question is open
     */
    public record ReaderView(
            ReportId report,
            String title,
            String about,
            String folder,
            List<PageName> pages,
            Periods.PeriodView period,
            List<Periods.PeriodView> periods,
            boolean byTime,
            List<Narrowable> narrowable,
            List<MeasureName> measures,
            boolean showsRows,
            boolean favourite,
            boolean maySubscribe,
            boolean mayPublish,
            List<String> limits,
            String warning,
            String page,
            String freshness,
            List<Questions.QuestionView> questions,
            Optional<PageView> shown) {}

    ReadReport(
            Gate gate,
            Database database,
            FolderStore folders,
            Definitions definitions,
            Tables tables,
            Viewers viewers,
            ResolveNamed named,
            DataSetStore dataSets,
            ReadingStore reading,
            BusinessClock clock,
            Periods periods) {
        this.gate = gate;
        this.database = database;
        this.folders = folders;
        this.definitions = definitions;
        this.tables = tables;
        this.viewers = viewers;
        this.named = named;
        this.dataSets = dataSets;
        this.reading = reading;
        this.clock = clock;
        this.periods = periods;
    }

    ReaderView run(Person who, ReportId id, Wish wish) {
        record Found(
                String folder,
                Definitions.Published published,
                boolean maySubscribe,
                boolean mayPublish,
                boolean favourite,
                Viewer viewer) {}
        Found found = database.inTransaction(tx -> {
            Report report = gate.readable(tx, who, id);
            Gate.Access access = gate.access(tx, who);
            boolean maySubscribe = access.may(Verb.SUBSCRIBE_SELF, report.folder());
            boolean mayPublish = access.may(Verb.PUBLISH, report.folder());
            String folder = folders.find(tx, report.folder()).orElseThrow().name();
            Definitions.Published published = definitions.newest(tx, report);
            noteOpening(tx, who, id);
            return new Found(
                    folder,
                    published,
                    maySubscribe,
                    mayPublish,
                    reading.favourites(tx, who.id()).contains(id),
                    viewers.of(tx, who, published.dataSet()));
        });
        Definition definition = found.published().definition();
        Asked asked = asked(who, found.published(), found.viewer(), wish);
        Words words = Words.in(Languages.supported(who.locale()));
        return new ReaderView(
                id,
                definition.title(),
                definition.about(),
                found.folder(),
                definition.pages().stream()
                        .map(p -> new PageName(p.id(), p.title()))
                        .toList(),
                periods.view(who, Periods.Calendar.of(who), wish.period(definition)),
                periods.common(
                        who,
                        Periods.Calendar.of(who),
                        found.published().dataSet().hasTimes()),
                found.published().dataSet().hasTimes(),
                narrowable(definition),
                definition.measures().entrySet().stream()
                        .map(named ->
                                new MeasureName(named.getKey(), named.getValue().title()))
                        .sorted(Comparator.comparing(MeasureName::title, Alphabet.order()))
                        .toList(),
                !definition.rows().isEmpty(),
                found.favourite(),
                found.maySubscribe(),
                found.mayPublish(),
                Writing.limits(asked.slice().allowed(), words),
                asked.failed().map(attempt -> loadFailed(attempt, who, words)).orElse(""),
                asked.page().id(),
                // that a load failed is said beside it, with the reason
                Writing.freshness(asked.question().freshness().failing(Optional.empty()), words, who.zone()),
                Questions.of(definition),
                asked.open().isEmpty() ? Optional.of(view(who, asked.model(), wish.chartWidth())) : Optional.empty());
    }

    /** Once in a while, as one who reads on asks for the same again and again. */
    private void noteOpening(Tx tx, Person who, ReportId id) {
        Instant now = clock.instant();
        if (!reading.isOpenedSince(tx, who.id(), id, now.minus(OPENING))) {
            reading.open(tx, who.id(), id, now);
        }
    }

    void favour(Person who, ReportId id, boolean favourite) {
        database.doInTransaction(tx -> {
            gate.readable(tx, who, id);
            reading.favour(tx, who.id(), id, favourite);
        });
    }

    /** A page of a published report as somebody asks for it. */
    Asked asked(Person who, ReportId id, Wish wish) {
        record Found(Definitions.Published published, Viewer viewer) {}
        Found found = database.inTransaction(tx -> {
            Definitions.Published published = definitions.newest(tx, gate.readable(tx, who, id));
            return new Found(published, viewers.of(tx, who, published.dataSet()));
        });
        return asked(who, found.published(), found.viewer(), wish);
    }

    /**
     * A page, and what its figures are made from.
     *
     * @param definition as it computes with the answers that were given
     * @param failed the load after that of its figures, where it failed
     */
    record Asked(
            Definition definition,
            Definition.Page page,
            Slice slice,
            Evaluation.Question question,
            Optional<LoadAttempt> failed) {
        List<ReportQuestion> open() {
            return definition.unanswered(question.filters());
        }

        /** @throws Problem while the report asks something that is not answered */
        Asked answered() {
            Questions.requireAnswered(definition, question.filters());
            return this;
        }

        PageModel model() {
            return of(page);
        }

        /** @param part some blocks of the page as a page of their own */
        PageModel of(Definition.Page part) {
            return Evaluation.page(definition, part, slice, question);
        }
    }

    /** With its reason, which quotes rows, for those alone who may load the data. */
    private Optional<LoadAttempt> failedLast(Tx tx, Person who, DataSet dataSet) {
        return dataSets.failedLast(tx, dataSet.id())
                .map(attempt -> gate.mayMind(tx, who, dataSet) ? attempt : attempt.withoutReason());
    }

    private static String loadFailed(LoadAttempt attempt, Person who, Words words) {
        String said = words.say("reader.load-failed", words.dates(who.zone()).moment(attempt.at()));
        return attempt.failure().isEmpty() ? said : said + " " + attempt.failure();
    }

    /** @throws Problem for a page or filter that the definition does not have, or data that were never loaded */
    Asked asked(Person who, Definitions.Published published, Viewer viewer, Wish wish) {
        List<Filter> filters = Filters.parse(wish.address(), published.definition());
        return asked(who, published, viewer, wish.page(), wish.period(published.definition()), filters);
    }

    /** @param wanted that the definition takes; named values come to what they do for who asks, today */
    Asked asked(
            Person who, Definitions.Published published, Viewer viewer, String id, Period period, List<Filter> wanted) {
        Periods.requireFits(period, published);
        ZonedDateTime now = periods.now(who);
        List<Filter> filters = References.in(wanted).isEmpty()
                ? wanted
                : database.inTransaction(tx -> {
                    named.requireUsable(tx, who, wanted);
                    return named.in(tx, who, now.toLocalDate(), wanted, published.definition());
                });
        Definition definition = published.definition().answered(filters);
        Tables.Loaded loaded = tables.newest(published.dataSet());
        Slice slice = loaded.seenBy(viewer);
        Definition.Page page =
                id.isEmpty() ? definition.pages().get(0) : definition.page(id).orElseThrow(Problem::notFound);
        record Told(Optional<LoadAttempt> failed, List<InText> texts) {}
        Told told = database.inTransaction(tx -> new Told(
                failedLast(tx, who, published.dataSet()),
                named.inTexts(tx, who, now.toLocalDate(), page.namedValues())));
        Evaluation.Question question = Evaluation.Question.of(
                        period,
                        now,
                        who.firstDayOfWeek(),
                        filters,
                        loaded.freshness().failing(told.failed().map(LoadAttempt::at)))
                .naming(told.texts());
        return new Asked(definition, page, slice, question, told.failed());
    }

    /** On the screen, where the rows of long tables come when they are come to. */
    PageView view(Person who, PageModel model, double chartWidth) {
        Words words = Words.in(Languages.supported(who.locale()));
        return PageView.of(Writing.page(model.shortened(ReadRows.AT_ONCE), words, who.zone()), chartWidth);
    }

    private static List<Narrowable> narrowable(Definition definition) {
        return definition.narrowable().stream()
                .map(column -> new Narrowable(
                        column.name(),
                        definition.columnTitle(column.name()),
                        column.type(),
                        definition.filters().contains(column.name())
                                || definition.questions().stream()
                                        .anyMatch(question -> question.name().equals(column.name()))))
                .toList();
    }
}
