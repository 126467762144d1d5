package mailshelf.server.subscription;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import mailshelf.core.Problem;
import mailshelf.core.data.Viewer;
import mailshelf.core.letter.Letter;
import mailshelf.core.rights.Person;
import mailshelf.core.rights.PersonId;
import mailshelf.core.subscription.Part;
import mailshelf.core.subscription.SeenAs;
import mailshelf.core.subscription.Sentence;
import mailshelf.core.subscription.SubscriptionId;
import mailshelf.core.subscription.Terms;
import mailshelf.core.time.Occurrence;
import mailshelf.core.wording.Words;
import mailshelf.render.mail.MailBody;
import mailshelf.render.paper.SheetSvgs;
import mailshelf.server.HouseSettings;
import mailshelf.server.clock.BusinessClock;
import mailshelf.server.data.Tables;
import mailshelf.server.data.Viewers;
import mailshelf.server.delivery.Edition;
import mailshelf.server.delivery.MailBodies;
import mailshelf.server.delivery.MakeEdition;
import mailshelf.server.library.Definitions;
import mailshelf.server.library.FollowCuts;
import mailshelf.server.library.Questions;
import mailshelf.server.mail.LetterWriter;
import mailshelf.server.rights.Gate;
import mailshelf.store.Database;
import mailshelf.store.people.PersonStore;
import org.springframework.stereotype.Component;

/** Shows what terms mean while they are being written: sentence, next sends, and the mail and file of a recipient. */
@Component
class Compose {
    private static final int SENDS_SHOWN = 12;

    private final Gate gate;
    private final Database database;
    private final PersonStore people;
    private final Definitions definitions;
    private final Tables tables;
    private final Viewers viewers;
    private final FollowCuts follow;
    private final MakeEdition makeEdition;
    private final LetterWriter letters;
    private final Describe describe;
    private final CheckTerms check;
    private final BusinessClock clock;
    private final HouseSettings settings;

    /**
     * Terms as they stand on the screen.
     *
     * @param as the recipient whose copy is shown; empty for the first
     * @param own the subscription being changed, if it is kept already
     */
    record Draft(Terms terms, Optional<PersonId> as, Optional<SubscriptionId> own) {}

    /** A next send: when, what shifted it, and the days that its period will mean. */
    record Send(Instant at, String local, String day, String shift, String days) {}

    record MailPreview(String from, String to, String subject, String html, String text) {}

    /** @param sheets each a drawing of one sheet */
    record FilePreview(List<String> sheets, int sizeBytes, String size) {}

    /** @param withheld why the recipient's copy is not shown to the composer; "" where it is */
    record Composed(
            List<Sentence.Phrase> sentence,
            List<Part> missing,
            List<CheckTerms.Note> notes,
            List<Send> sends,
            String daysNow,
            long rows,
            String withheld,
            Optional<MailPreview> mail,
            Optional<FilePreview> pdf) {}

    /**
     * @param terms as they are kept: of one that follows a cut, as that is now
     * @param as whose mail is shown
     * @param shown whose rows it shows
     * @param withheld why it is not shown: those are more than the composer himself may see
     */
    private record Found(
            Terms terms,
            Person as,
            Definitions.Published published,
            Viewer shown,
            String withheld,
            List<Sentence.Phrase> sentence,
            List<CheckTerms.Note> notes) {}

    Compose(
            Gate gate,
            Database database,
            PersonStore people,
            Definitions definitions,
            Tables tables,
            Viewers viewers,
            FollowCuts follow,
            MakeEdition makeEdition,
            LetterWriter letters,
            Describe describe,
            CheckTerms check,
            BusinessClock clock,
            HouseSettings settings) {
        this.gate = gate;
        this.database = database;
        this.people = people;
        this.definitions = definitions;
        this.tables = tables;
        this.viewers = viewers;
        this.follow = follow;
        this.makeEdition = makeEdition;
        this.letters = letters;
        this.describe = describe;
        this.check = check;
        this.clock = clock;
        this.settings = settings;
    }

    Composed run(Person who, Draft draft) {
        Found found = find(who, draft);
        Terms terms = found.terms();
        Instant now = clock.instant();
        Words words = Describe.words(who);
        boolean open =
                !found.published().definition().unanswered(terms.filters()).isEmpty();
        List<Part> missing = new ArrayList<>(terms.missing());
        if (open) {
            missing.add(Part.FILTER);
        }
        Optional<Edition> edition =
                terms.pages().isEmpty() || open || !found.withheld().isEmpty()
                        ? Optional.empty()
                        : Optional.of(edition(found, now));
        return new Composed(
                found.sentence(),
                missing,
                found.notes(),
                sends(terms, now, words),
                days(terms, now, words),
                edition.map(made -> made.models().get(0).rows()).orElse(0L),
                found.withheld(),
                edition.map(made -> mail(who, draft, found, made, now)),
                edition.flatMap(made -> made.pdf().map(pdf -> file(made, pdf, words))));
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
        Questions.requireAnswered(found.published().definition(), found.terms().filters());
        return edition(found, clock.instant()).pdf().orElseThrow(Problem::notFound);
    }

    private Found find(Person who, Draft draft) {
        return database.inTransaction(tx -> {
            var report = gate.readable(tx, who, draft.terms().report());
            Person owner = draft.own()
                    .map(id -> gate.visible(tx, who, id).owner())
                    .flatMap(id -> people.find(tx, id))
                    .orElse(who);
            Terms terms = follow.asFollowed(tx, owner, draft.terms());
            Definitions.Published published = definitions.newest(tx, report);
            check.requireOffered(terms, published.definition());
            Person as = draft.as()
                    .filter(id -> terms.recipients().contains(id))
                    .flatMap(id -> people.find(tx, id))
                    .orElse(who);
            Person seer = terms.seenAs(published.dataSet().ownerView()) == SeenAs.OWNER ? owner : as;
            Viewer shown = viewers.of(tx, seer, published.dataSet());
            boolean mayShow = viewers.of(tx, who, published.dataSet()).covers(shown.allowed());
            return new Found(
                    terms,
                    as,
                    published,
                    shown,
                    mayShow ? "" : Describe.words(who).say("preview.withheld", seer.name()),
                    describe.phrases(tx, terms, owner.id(), who),
                    check.notes(tx, who, owner, terms, draft.own()));
        });
    }

    private Edition edition(Found found, Instant now) {
        Tables.Loaded loaded = tables.newest(found.published().dataSet());
        MakeEdition.Order order = new MakeEdition.Order(
                found.terms(),
                found.published().definition(),
                loaded.seenBy(found.shown()),
                loaded.freshness(),
                now,
                now,
                Optional.empty());
        return makeEdition.withFiles(order, makeEdition.evaluate(order));
    }

    private MailPreview mail(Person who, Draft draft, Found found, Edition edition, Instant now) {
        LetterWriter.About about = new LetterWriter.About(
                draft.own().orElse(new SubscriptionId(0)),
                found.terms(),
                who,
                Optional.empty(),
                found.terms().windowAt(now),
                now,
                settings.baseUrl() + "/",
                "");
        Letter letter = letters.write(about, found.as(), "<preview@" + settings.mailDomain() + ">", edition.words());
        MailBody body =
                MailBodies.of(letter, edition.pages(), edition.pdf().isPresent(), edition.picture(), edition.words());
        return new MailPreview(letter.fromName(), found.as().name(), letter.subject(), body.html(), body.text());
    }

    private static String days(Terms terms, Instant at, Words words) {
        return words.dates(terms.schedule().zone()).fullWindow(terms.windowAt(at));
    }

    private static List<Send> sends(Terms terms, Instant now, Words words) {
        return terms.schedule().upcoming(now, SENDS_SHOWN).stream()
                .map(occurrence -> send(terms, occurrence, words))
                .toList();
    }

    private static Send send(Terms terms, Occurrence occurrence, Words words) {
        var dates = words.dates(terms.schedule().zone());
        return new Send(
                occurrence.at(),
                dates.moment(occurrence.at()),
                dates.day(occurrence.local().toLocalDate()),
                occurrence
                        .shift()
                        .map(shift -> words.say("shift." + shift.name()))
                        .orElse(""),
                dates.window(terms.windowAt(occurrence.at())));
    }
}
