package mailshelf.server.subscription;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import mailshelf.core.Problem;
import mailshelf.core.data.Seen;
import mailshelf.core.data.Viewer;
import mailshelf.core.named.InText;
import mailshelf.core.report.Block;
import mailshelf.core.report.Definition;
import mailshelf.core.report.PageModel;
import mailshelf.core.report.ReportId;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Content;
import mailshelf.core.subscription.Part;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Sentence;
import mailshelf.core.subscription.Subscription;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Occurrence;
import mailshelf.core.time.Recurrence;
import mailshelf.core.wording.Words;
import mailshelf.render.paper.SheetSvgs;
import mailshelf.server.HouseSettings;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.delivery.ContinuedTerms;
import mailshelf.server.delivery.Edition;
import mailshelf.server.delivery.IssuePages;
import mailshelf.server.delivery.MakeEdition;
import mailshelf.server.library.Definitions;
import mailshelf.server.library.FollowedTerms;
import mailshelf.server.mail.LetterWriter;
import mailshelf.server.named.ResolveNamed;
import mailshelf.server.personal.Approvals;
import mailshelf.server.personal.OwnerView;
import mailshelf.server.personal.PersonalColumns;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.data.DataSet;
import mailshelf.store.data.DataSetStore;
import mailshelf.store.data.LoadAttempt;
import mailshelf.store.people.PersonStore;
import mailshelf.store.subscription.SubscriptionStore;
import org.springframework.stereotype.Component;

/** Shows what terms mean while they are being written: sentence, next sends, and the mail and file of a recipient. */
@Component
class Compose {
    private static final int SENDS_SHOWN = 12;

    private final Gate gate;
    private final Database database;
    private final PersonStore people;
    private final SubscriptionStore subscriptions;
    private final Definitions definitions;
    private final Tables tables;
    private final Viewers viewers;
    private final DataSetStore dataSets;
    private final FollowedTerms followed;
    private final ContinuedTerms continued;
    private final ResolveNamed named;
    private final PersonalColumns personal;
    private final OwnerView ownerView;
    private final Approvals approvals;
    private final MakeEdition makeEdition;
    private final PreviewMail previewMail;
    private final Describe describe;
    private final CheckTerms check;
    private final NoteTerms notes;
    private final NextSends nextSends;
    private final OfferFields fields;
    private final BusinessClock clock;
    private final HouseSettings settings;

    /**
     * Terms as they stand on the screen.
     *
     * @param as the recipient whose copy is shown; empty for the first
     * @param own the subscription being changed, if it is kept already
     */
    record Draft(Terms terms, Optional<PersonId> as, Optional<SubscriptionId> own) {}

    /** @param sheets each a drawing of one sheet */
    record FilePreview(List<String> sheets, int sizeBytes, String size) {}

    /**
     * What is sent of one report, as the report calls it.
     *
     * @param parts titles of the chosen pages, or blocks
     * @param shows its period and filters in words
     */
    record ContentView(ReportId report, String title, List<String> parts, String shows) {}

    /**
     * What terms mean.
     *
     * @param terms as they would be kept: those that follow a cut or a clipping are as it is now
     * @param ruled the columns that row rules limit
     * @param ownerView whether its data let all be shown as their owner may see it
     * @param waits whether it would wait for somebody to approve it
     * @param withheld why the recipient's copy is not shown to the composer; "" where it is
     */
    record Composed(
            Terms terms,
            List<Sentence.Phrase> sentence,
            List<Part> missing,
            List<NoteTerms.Note> notes,
            Recurrence.Kind recurs,
            List<NextSends.Send> sends,
            String daysNow,
            long rows,
            List<ContentView> content,
            List<String> ruled,
            boolean ownerView,
            boolean waits,
            String withheld,
            PreviewMail.LetterView letter,
            Optional<PreviewMail.MailPreview> mail,
            Optional<FilePreview> pdf) {}

    /**
     * @param terms as they are kept: of one that follows a cut, as that is now
     * @param shown the same as they are now for him whose mail is shown: going on from where the last issue ended, with what
     *     named values come to
     * @param texts the named values in the texts of its reports, and in its letter
     * @param offered the fields that its letter may have
     * @param as whose mail is shown
     * @param listedBy who put or would put that person on the list
     * @param number of the next issue
     * @param from the reports of its content
     * @param open whether it leaves a question of one unanswered
     * @param waits whether it would wait for somebody to approve it
     * @param withheld why it is not shown: those are more than the composer himself may see
     */
    private record Found(
            Terms terms,
            Terms shown,
            List<InText> texts,
            List<String> offered,
            Person as,
            Person owner,
            Person listedBy,
            int number,
            List<From> from,
            boolean open,
            List<String> ruled,
            boolean ownerView,
            boolean waits,
            String withheld,
            List<Sentence.Phrase> sentence,
            List<NoteTerms.Note> notes,
            List<Occurrence> sends) {}

    Compose(
            Gate gate,
            Database database,
            PersonStore people,
            SubscriptionStore subscriptions,
            Definitions definitions,
            Tables tables,
            Viewers viewers,
            DataSetStore dataSets,
            FollowedTerms followed,
            ContinuedTerms continued,
            ResolveNamed named,
            PersonalColumns personal,
            OwnerView ownerView,
            Approvals approvals,
            MakeEdition makeEdition,
            PreviewMail previewMail,
            Describe describe,
            CheckTerms check,
            NoteTerms notes,
            NextSends nextSends,
            OfferFields fields,
            BusinessClock clock,
            HouseSettings settings) {
        this.gate = gate;
        this.database = database;
        this.people = people;
        this.subscriptions = subscriptions;
        this.definitions = definitions;
        this.tables = tables;
        this.viewers = viewers;
        this.dataSets = dataSets;
        this.followed = followed;
        this.continued = continued;
        this.named = named;
        this.personal = personal;
        this.ownerView = ownerView;
        this.approvals = approvals;
        this.makeEdition = makeEdition;
        this.previewMail = previewMail;
        this.describe = describe;
        this.check = check;
        this.notes = notes;
        this.nextSends = nextSends;
        this.fields = fields;
        this.clock = clock;
        this.settings = settings;
    }

    /** @param shown whose rows it shows */
    private record From(ReportId report, Definitions.Published published, Viewer shown, Optional<Instant> failedAt) {}

    Composed run(Person who, Draft draft) {
        Found found = find(who, draft);
        Terms terms = found.terms();
        Instant now = clock.instant();
        Words words = Describe.words(who);
        List<Part> missing = new ArrayList<>(terms.missing());
        if (found.open()) {
            missing.add(terms.standsOnOwnPage() ? Part.WHAT : Part.FILTER);
        }
        Optional<Edition> edition =
                missing.contains(Part.WHAT) || found.open() || !found.withheld().isEmpty()
                        ? Optional.empty()
                        : Optional.of(edition(found, now));
        return new Composed(
                terms,
                found.sentence(),
                missing,
                found.notes(),
                terms.schedule().recurrence().kind(),
                NextSends.said(found.shown(), found.sends(), words),
                days(found.shown(), now, words),
                edition.map(made -> rows(terms, made)).orElse(0L),
                terms.content().stream()
                        .map(content -> view(found, content, words))
                        .toList(),
                found.ruled(),
                found.ownerView(),
                found.waits(),
                found.withheld(),
                PreviewMail.letter(
                        found.offered(),
                        edition.map(made -> LetterWriter.fields(about(found, made, now), found.as(), made.words()))),
                edition.map(made -> previewMail.of(about(found, made, now), found.as(), found.listedBy(), made)),
                edition.flatMap(made -> made.pdf().map(pdf -> file(made, pdf, words))));
    }

    private static ContentView view(Found found, Content content, Words words) {
        Definition report = found.from().stream()
                .filter(from -> from.report().equals(content.report()))
                .findFirst()
                .orElseThrow()
                .published()
                .definition();
        List<Definition.Page> pages = content.pagesIn(report);
        List<String> parts = content.hasBlocks()
                ? pages.stream()
                        .flatMap(page -> page.blocks().stream())
                        .map(Block::title)
                        .toList()
                : pages.stream().map(Definition.Page::title).toList();
        return new ContentView(
                content.report(), report.title(), parts, Sentence.shows(content, found.terms(), report, words));
    }

    private static FilePreview file(Edition edition, byte[] pdf, Words words) {
        return new FilePreview(
                SheetSvgs.of(edition.pages(), edition.running(), edition.words()),
                pdf.length,
                words.figures().size(pdf.length));
    }

    /** The PDF that a trial made in the same minute attaches, byte for byte. */
    byte[] pdf(Person who, Draft draft) {
        Found found = find(who, draft);
        if (!found.withheld().isEmpty()) {
            throw new Problem(
                    Problem.Kind.FORBIDDEN,
                    "subscription.copy-not-yours",
                    found.as().name());
        }
        database.doInTransaction(tx -> check.requireAnswered(tx, found.terms()));
        return edition(found, clock.instant()).pdf().orElseThrow(Problem::notFound);
    }

    private Found find(Person who, Draft draft) {
        return database.inTransaction(tx -> {
            Optional<Subscription> kept = draft.own().map(id -> gate.changeable(tx, who, id));
            Person owner = kept.map(Subscription::owner)
                    .flatMap(id -> people.find(tx, id))
                    .orElse(who);
            Terms terms = followed.of(tx, owner, draft.terms());
            check.requireSound(tx, who, terms);
            List<PersonId> sentTo =
                    draft.own().map(id -> subscriptions.staying(tx, id, terms)).orElse(terms.recipients());
            Person as = draft.as()
                    .or(() -> Optional.of(who.id()))
                    .filter(sentTo::contains)
                    .or(() -> sentTo.stream().findFirst())
                    .flatMap(id -> people.find(tx, id))
                    .orElse(who);
            List<Definitions.Published> published = check.published(tx, terms);
            boolean ownerMayBeShown =
                    ownerView.forbiddenBy(tx, terms, published).isEmpty();
            Person seer = terms.seenAs(ownerMayBeShown) == SeenAs.OWNER ? owner : as;
            List<From> from = new ArrayList<>();
            boolean mayShow = true;
            boolean isMasked = !as.id().equals(seer.id());
            PersonalColumns.Masked masked = personal.masked(tx, owner.id(), terms, published);
            for (Definitions.Published each : published) {
                List<String> hidden = isMasked ? masked.columns().get(from.size()) : List.of();
                Viewer shown = viewers.of(tx, seer, each.dataSet()).without(hidden);
                Optional<Instant> failedAt =
                        dataSets.failedLast(tx, each.dataSet().id()).map(LoadAttempt::at);
                from.add(new From(terms.reports().get(from.size()), each, shown, failedAt));
                mayShow &= viewers.of(tx, who, each.dataSet()).covers(shown.allowed());
            }
            Map<ReportId, Definition> reports = definitions(from);
            for (Seen ofNamed : named.seen(tx, seer, terms, reports.values())) {
                DataSet dataSet = dataSets.find(tx, ofNamed.dataSet()).orElseThrow();
                mayShow &= viewers.of(tx, who, dataSet).covers(ofNamed.allowed());
            }
            boolean asKept = kept.filter(before -> before.terms().letter().equals(terms.letter()))
                    .isPresent();
            LocalDate today = terms.sendDay(clock.instant());
            List<InText> all = named.inTexts(tx, seer, today, terms, reports.values());
            List<InText> texts = asKept ? all : fields.mayPutIn(tx, owner, all, reports.values());
            return new Found(
                    terms,
                    named.in(
                            tx,
                            seer,
                            today,
                            draft.own().map(id -> continued.of(tx, id, terms)).orElse(terms),
                            reports),
                    isMasked ? masked.in(texts) : texts,
                    fields.offered(tx, owner, terms),
                    as,
                    owner,
                    kept.flatMap(before -> Optional.ofNullable(subscriptions
                                    .listedBy(tx, before.id(), before.version())
                                    .get(as.id())))
                            .flatMap(id -> people.find(tx, id))
                            .orElse(who),
                    kept.map(before -> subscriptions.numbering(tx, before.id()).nextNumber())
                            .orElse(1),
                    from,
                    !check.unanswered(tx, terms).isEmpty(),
                    describe.ruled(tx, published),
                    ownerMayBeShown,
                    approvals.lacking(tx, draft.own(), owner.id(), terms).isPresent(),
                    mayShow ? "" : Describe.words(who).say("preview.withheld", seer.name()),
                    describe.phrases(tx, terms.withRecipients(sentTo), owner.id(), who),
                    notes.of(tx, who, owner, terms, draft.own()),
                    nextSends.of(tx, terms, draft.own(), SENDS_SHOWN));
        });
    }

    private static Map<ReportId, Definition> definitions(List<From> from) {
        return from.stream()
                .collect(Collectors.toMap(From::report, each -> each.published().definition()));
    }

    /** How many rows lie behind it: pages of a report are all over the same. */
    private static long rows(Terms terms, Edition edition) {
        return terms.standsOnOwnPage()
                ? edition.models().stream().mapToLong(PageModel::rows).sum()
                : edition.models().get(0).rows();
    }

    private Edition edition(Found found, Instant now) {
        List<MakeEdition.From> from = found.from().stream()
                .map(each -> {
                    Tables.Loaded loaded = tables.newest(each.published().dataSet());
                    return new MakeEdition.From(
                            each.report(),
                            each.published().definition(),
                            loaded.seenBy(each.shown()),
                            loaded.freshness().failing(each.failedAt()));
                })
                .toList();
        MakeEdition.Order order = new MakeEdition.Order(found.shown(), from, found.texts(), now, now, Optional.empty());
        return makeEdition.withFiles(order, makeEdition.evaluate(order));
    }

    /** As if the next issue were made now; a link to leave leads nowhere, since it is another person's. */
    private LetterWriter.About about(Found found, Edition edition, Instant now) {
        IssuePages pages = new IssuePages(found.shown(), edition.models(), edition.words());
        return new LetterWriter.About(
                new SubscriptionId(0),
                found.shown(),
                found.owner(),
                Optional.of(found.number()),
                now,
                now,
                settings.baseUrl() + "/",
                "",
                pages.fields(edition.pages(), found.texts()));
    }

    private static String days(Terms terms, Instant at, Words words) {
        return words.dates(terms.schedule().zone()).fullWindow(terms.windowAt(at));
    }
}
